/**
 * What a drive does, as anyone would write it who knows the trade, with fractions of its own, a loop over every gap. The judge of
 * landing, grades, spacing, sheets and rates; it shares no code with what it judges.
 */

/** A fraction with its sign in `n`; never reduced but when it is told. */
export interface Frac {
  readonly n: bigint;
  readonly d: bigint;
}

const big = (v: unknown): bigint => BigInt(v as number);
export const frac = (n: bigint, d: bigint): Frac => (d < 0n ? { n: -n, d: -d } : { n, d });
export const times = (a: Frac, b: Frac): Frac => frac(a.n * b.n, a.d * b.d);
const plus = (a: Frac, b: Frac): Frac => frac(a.n * b.d + b.n * a.d, a.d * b.d);
const minus = (a: Frac, b: Frac): Frac => plus(a, { n: -b.n, d: b.d });
export const over = (a: Frac, b: Frac): Frac => frac(a.n * b.d, a.d * b.n);
export const less = (a: Frac, b: Frac): boolean => a.n * b.d < b.n * a.d;
export const size = (a: Frac): Frac => ({ n: a.n < 0n ? -a.n : a.n, d: a.d });
export const number = (a: Frac): number => Number(a.n) / Number(a.d);
const one: Frac = { n: 1n, d: 1n };

const divisor = (a: bigint, b: bigint): bigint => (b === 0n ? a : divisor(b, a % b));
/** As a file writes it: "76/20" in lowest terms, "3". */
export function text(a: Frac): string {
  const g = divisor(a.n < 0n ? -a.n : a.n, a.d) || 1n;
  return a.d / g === 1n ? String(a.n / g) : `${a.n / g}/${a.d / g}`;
}
/** "12.5", "-3/8" */
export function read(value: string): Frac {
  const [top = '0', below = '1'] = value.split('/');
  const part = (t: string): Frac => {
    const [whole = '0', behind = ''] = t.split('.');
    return { n: BigInt(whole + behind), d: 10n ** BigInt(behind.length) };
  };
  return over(part(top), part(below));
}

type Loose = Readonly<Record<string, unknown>>;

/** r of a stage by the handbook's table. */
export function plainRatio(s: Loose): Frac {
  const pair = (sign: bigint): Frac => frac(sign * big(s['z2']), big(s['z1']));
  switch (s['kind']) {
    case 'spur':
      return pair(-1n);
    case 'internal':
    case 'belt':
      return pair(1n);
    case 'friction': {
      const r = over(read(s['d2'] as string), read(s['d1'] as string));
      return (s['run'] ?? 'open') === 'open' ? r : { n: -r.n, d: r.d };
    }
    case 'worm':
      return s['drives'] === 'wheel'
        ? frac(big(s['starts']), big(s['wheel']))
        : frac(big(s['wheel']), big(s['starts']));
    case 'planetary': {
      const [S, R] = [big(s['sun']), big(s['ring'])];
      // S·(ωS − ωC) + R·(ωR − ωC) = 0 with one of the three standing still
      const weight: Readonly<Record<string, bigint>> = { sun: S, ring: R, carrier: -(S + R) };
      return frac(-weight[s['out'] as string]!, weight[s['in'] as string]!);
    }
    case 'stepped': {
      const [A, B, a, b] = [s['fixed'], s['out'], s['planetFixed'], s['planetOut']].map(big);
      const q = frac(A! * b!, a! * B!);
      const carrier = over(one, s['meshFixed'] === s['meshOut'] ? minus(one, q) : plus(one, q));
      return s['sun'] === undefined ? carrier : times(carrier, plus(one, frac(A!, big(s['sun']))));
    }
    case 'cycloidal': {
      const [L, P] = [big(s['lobes']), big(s['pins'])];
      return s['held'] === 'disc' ? frac(P, P - L) : frac(L, L - P);
    }
    case 'cycloidPinion':
      return frac(-big(s['lobes']), 1n);
    case 'strainWave': {
      const [F, C] = [big(s['flex']), big(s['rigid'])];
      return s['held'] === 'flex' ? frac(C, C - F) : frac(-F, C - F);
    }
    case 'geneva':
      return frac(-big(s['slots']), 1n);
    case 'box':
      return s['pairs'] === undefined
        ? read(s['ratio'] as string)
        : (s['pairs'] as readonly (readonly [number, number])[]).reduce(
            (r, [z1, z2]) => times(r, frac(big(z2), big(z1))),
            one,
          );
    case 'ratio':
      return read(s['value'] as string);
    default:
      throw new Error(`no definition of ${String(s['kind'])}`);
  }
}

/** Halves away from zero; for what is not negative. */
const rounded = (a: Frac): bigint => (2n * a.n + a.d) / (2n * a.d);

/** One count on a drive that goes by steps, or by the rests of a wheel that locks. */
export interface PlainDivision {
  readonly even: 'whole' | 'fine' | 'none';
  readonly targets: readonly bigint[];
  /** in what it stops by */
  readonly worst: Frac;
  readonly spacing: Frac;
}

/** `stops` a turn of the work, of which `whole` are what counts as Even. (handbook: divide) */
export function plainDivision(stops: Frac, whole: Frac, D: number): PlainDivision {
  const step = over(stops, { n: BigInt(D), d: 1n });
  const places = Array.from({ length: D }, (_, i) => times(step, { n: BigInt(i), d: 1n }));
  const targets = places.map(rounded);
  const greatest = (all: readonly Frac[]): Frac =>
    all.reduce((w, e) => (less(w, size(e)) ? size(e) : w), { n: 0n, d: 1n });
  const off = targets.map((t, i) => minus({ n: t, d: 1n }, places[i]!));
  const gaps = targets.map((t, i) =>
    i + 1 < D ? minus({ n: targets[i + 1]! - t, d: 1n }, step) : minus(minus(stops, { n: t, d: 1n }), step),
  );
  const lands = (a: Frac): boolean => (a.n * 1n) % (a.d * BigInt(D)) === 0n;
  return {
    even: lands(whole) ? 'whole' : lands(stops) ? 'fine' : 'none',
    targets,
    worst: greatest(off),
    spacing: greatest(gaps),
  };
}
