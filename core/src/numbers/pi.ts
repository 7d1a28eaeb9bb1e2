import { compare, div, mul, numerator, rational, round, type Rational } from './rational.ts';

const DIGITS = 3141592653589793238462643383279502884197169399375105820974944592307816406286n;
const LOW = rational(DIGITS, 10n ** 75n);
/** π to 75 figures, from below. */
export const PI: Rational = LOW;
const HIGH = rational(DIGITS + 1n, 10n ** 75n);

/**
 * Is q less (−1) or greater (1) than π? Never equal: π is not rational. Certain for every q that is not within 10⁻⁷⁵ of π;
 * nearer than that it throws a RangeError rather than guess. (handbook: numbers, π stays a symbol)
 */
export function compareToPi(q: Rational): -1 | 1 {
  if (compare(q, LOW) <= 0) return -1;
  if (compare(q, HIGH) >= 0) return 1;
  throw new RangeError(`${numerator(q)}/${q.d} is too near to π to compare`);
}

/** The least whole number not below q·π, for q > 0: exact, and never too small however large q is. */
export function ceilTimesPi(q: Rational): bigint {
  const above = mul(q, HIGH);
  return (above.n + above.d - 1n) / above.d;
}

/** The whole number nearest to q·π^power, q ≥ 0; exact: π never gives a half. Throws a RangeError beyond 70 digits. */
export function roundTimesPi(q: Rational, power: -1 | 1): bigint {
  const [low, high] = power === 1 ? [mul(q, LOW), mul(q, HIGH)] : [div(q, HIGH), div(q, LOW)];
  const near = round(low);
  if (near !== round(high)) throw new RangeError('too large to round with π');
  return near;
}
