import { mul, PI, rational, roundDiv, type Rational } from '../numbers/index.ts';
import type { Sweep } from '../drive/index.ts';

/** Part of the way that is behind at part `u` of the course, both 0 to 1, as doubles: for charts and ripples. (handbook: travel) */
export function eased(sweep: Pick<Sweep, 'easing' | 'speedUp' | 'slowDown'>, u: number): number {
  switch (sweep.easing) {
    case 'linear':
      return u;
    case 'cosine':
      return (1 - Math.cos(Math.PI * u)) / 2;
    case 'smoothstep':
      return 3 * u ** 2 - 2 * u ** 3;
    case 'trapezoid': {
      const [p, q] = [(sweep.speedUp ?? 20) / 100, (sweep.slowDown ?? 20) / 100];
      const top = 1 / (1 - (p + q) / 2);
      if (u < p) return (top * u ** 2) / (2 * p);
      if (u <= 1 - q) return top * (u - p / 2);
      return 1 - (top * (1 - u) ** 2) / (2 * q);
    }
  }
}

/** A share in percent as written, exact: 12.5 is 1/8. */
function share(percent: number): Rational {
  const [digits, power] = String(percent).toLowerCase().split('e');
  const [whole = '0', part = ''] = digits!.split('.');
  const places = BigInt(part.length) - BigInt(power ?? 0) + 2n;
  const n = BigInt(whole + part);
  return places >= 0n ? rational(n, 10n ** places) : rational(n * 10n ** -places);
}

/**
 * round(e(i/gaps)·n/d), halves up exactly: trapezoid and smoothstep are rational, cosine at thirds and at the half of its course, and
 * elsewhere its value is never a half. (handbook: travel; numbers, rounding)
 */
export function easedTargets(
  sweep: Pick<Sweep, 'easing' | 'speedUp' | 'slowDown'>,
  gaps: number,
  { n, d }: Rational,
): (i: number) => bigint {
  const g = BigInt(gaps);
  switch (sweep.easing) {
    case 'linear':
      return (i) => roundDiv(n * BigInt(i), d * g);
    case 'smoothstep':
      return (i) => {
        const k = BigInt(i);
        return roundDiv(n * k * k * (3n * g - 2n * k), d * g * g * g);
      };
    case 'trapezoid': {
      const [p, q] = [share(sweep.speedUp ?? 20), share(sweep.slowDown ?? 20)];
      // over common parts: speed-up P, slow-down Q of S; the top speed is 2S/(2S − P − Q) of the mean
      const S = p.d * q.d;
      const [P, Q] = [p.n * q.d, q.n * p.d];
      const whole = 2n * S - P - Q;
      return (i) => {
        const x = BigInt(i) * S;
        const [up, down] = [P * g, (S - Q) * g];
        if (x < up) return roundDiv(n * x * x, d * whole * P * g * g);
        if (x <= down) return roundDiv(n * (2n * x - up), d * whole * g);
        const left = S * g - x;
        return roundDiv(n * (whole * Q * g * g - left * left), d * whole * Q * g * g);
      };
    }
    case 'cosine':
      return (i) => cosineAt(BigInt(i), g, n, d);
  }
}

/** Figures that a cosine is reckoned to. */
const SCALE = 10n ** 60n;

/** round((1 − cos(π·i/g))/2·n/d). */
function cosineAt(i: bigint, g: bigint, n: bigint, d: bigint): bigint {
  // the only places of the course where a cosine is rational
  for (const [top, bottom, over, under] of [
    [0n, 1n, 0n, 1n],
    [1n, 3n, 1n, 4n],
    [1n, 2n, 1n, 2n],
    [2n, 3n, 3n, 4n],
    [1n, 1n, 1n, 1n],
  ] as const)
    if (i * bottom === top * g) return roundDiv(n * over, d * under);
  const near = ((1 - Math.cos((Math.PI * Number(i)) / Number(g))) / 2) * (Number(n) / Number(d));
  const rest = near - Math.floor(near);
  if (near < 2 ** 40 && Math.abs(rest - 0.5) > 1e-3) return BigInt(Math.round(near));
  const x = mul(PI, rational(i, g));
  const cos = cosine((x.n * SCALE) / x.d);
  return roundDiv(n * (SCALE - cos), 2n * d * SCALE);
}

/** cos(x/SCALE)·SCALE for 0 ≤ x ≤ π·SCALE, by its series. */
function cosine(x: bigint): bigint {
  const square = (x * x) / SCALE;
  let [sum, term] = [SCALE, SCALE];
  for (let k = 1n; term !== 0n; k += 2n) {
    term = -(term * square) / SCALE / (k * (k + 1n));
    sum += term;
  }
  return sum;
}
