import { compareToPi, PI, roundTimesPi } from './pi.ts';
import { abs, compare, div, isZero, mul, ONE, round, toNumber, toText, type Rational } from './rational.ts';

/** q·π^piPower, exact: π stays a symbol. Zero has power 0. (handbook: numbers) */
export interface PiValue {
  readonly q: Rational;
  readonly piPower: -1 | 0 | 1;
}

export const piValue = (q: Rational, piPower: PiValue['piPower'] = 0): PiValue => ({
  q,
  piPower: isZero(q) ? 0 : piPower,
});

/** a/b. Throws a RangeError when b is 0 or a power of π would leave −1, 0, 1. */
export function divPi(a: PiValue, b: PiValue): PiValue {
  const power = a.piPower - b.piPower;
  if (power !== -1 && power !== 0 && power !== 1) throw new RangeError('π to a higher power');
  return piValue(div(a.q, b.q), power);
}

export const scalePi = (a: PiValue, by: Rational): PiValue => piValue(mul(a.q, by), a.piPower);

/** The nearest double. */
export const piToNumber = (a: PiValue): number => toNumber(a.q) * Math.PI ** a.piPower;

/** −1, 0 or 1 as a is less than, equal to or greater than the rational r; exact. Only for a above 0 and r above 0. */
export function comparePi(a: PiValue, r: Rational): -1 | 0 | 1 {
  if (a.piPower === 0) return compare(a.q, r);
  const ratio = div(r, a.q);
  // q·π against r is π against r/q; q/π against r is q/r against π.
  return a.piPower === 1 ? (-compareToPi(ratio) as -1 | 1) : compareToPi(div(ONE, ratio));
}

/** The nearest whole number to a ≥ 0, exact. (handbook: numbers, rounding) */
export const roundPi = (a: PiValue): bigint => (a.piPower === 0 ? round(a.q) : roundTimesPi(a.q, a.piPower));

/** "2·π", "127/50", "800/π" */
export function piText(a: PiValue): string {
  const q = toText(a.q);
  if (a.piPower === 0) return q;
  if (a.piPower === -1) return a.q.d === 1n ? `${q}/π` : `${a.q.s < 0n ? '-' : ''}${a.q.n}/(${a.q.d}·π)`;
  return toText(abs(a.q)) === '1' ? (a.q.s < 0n ? '-π' : 'π') : `${q}·π`;
}

/** A rational within 10⁻⁷⁰ of a, relatively: for sums that mix π with other numbers and are rounded at their end. */
export const nearPi = (a: PiValue): Rational =>
  a.piPower === 0 ? a.q : a.piPower === 1 ? mul(a.q, PI) : div(a.q, PI);
