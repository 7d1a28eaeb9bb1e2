import Fraction from 'fraction.js';

/**
 * An exact rational in lowest terms: sign `s` (−1, 0 or 1), numerator `n` ≥ 0, denominator `d` > 0.
 * Immutable. The only file that knows the package behind it. (handbook: numbers)
 */
export type Rational = Readonly<Pick<Fraction, 's' | 'n' | 'd'>>;

/** The exact quotient n/d of two whole numbers. Throws a RangeError when d is 0. Example: rational(76n, 20n) is 19/5. */
export function rational(n: bigint | number, d: bigint | number = 1n): Rational {
  const top = BigInt(n);
  const bottom = BigInt(d);
  if (bottom === 0n) throw new RangeError('a rational with denominator 0');
  return Object.freeze(new Fraction(top, bottom));
}

export const ZERO: Rational = rational(0n);
export const ONE: Rational = rational(1n);

const own = (r: Rational): Fraction => r as Fraction;
const frozen = (f: Fraction): Rational => Object.freeze(f);

export const add = (a: Rational, b: Rational): Rational => frozen(own(a).add(own(b)));
export const sub = (a: Rational, b: Rational): Rational => frozen(own(a).sub(own(b)));
export const mul = (a: Rational, b: Rational): Rational => frozen(own(a).mul(own(b)));
export const neg = (a: Rational): Rational => frozen(own(a).neg());
export const abs = (a: Rational): Rational => frozen(own(a).abs());

/** The exact quotient a/b. Throws a RangeError when b is 0. */
export function div(a: Rational, b: Rational): Rational {
  if (isZero(b)) throw new RangeError('division by 0');
  return frozen(own(a).div(own(b)));
}

/** Product of all; 1 for none. */
export const product = (all: readonly Rational[]): Rational => all.reduce(mul, ONE);

/** −1, 0 or 1 as a is less than, equal to or greater than b. */
export function compare(a: Rational, b: Rational): -1 | 0 | 1 {
  const gap = numerator(a) * b.d - numerator(b) * a.d;
  return gap < 0n ? -1 : gap > 0n ? 1 : 0;
}

export const equal = (a: Rational, b: Rational): boolean => compare(a, b) === 0;
export const isZero = (a: Rational): boolean => a.n === 0n;
export const isWhole = (a: Rational): boolean => a.d === 1n;
export const isNegative = (a: Rational): boolean => a.s < 0n;

/** The numerator with the sign of the number. */
export const numerator = (a: Rational): bigint => (a.s < 0n ? -a.n : a.n);

/** Greatest whole number not above n/d; d > 0. floorDiv(−1n, 6n) is −1n. */
export function floorDiv(n: bigint, d: bigint): bigint {
  const q = n / d;
  return n < 0n && q * d !== n ? q - 1n : q;
}

/** round(n/d) = floor(n/d + ½): halves go toward +∞, so a table of positions repeats through zero. (handbook: numbers) */
export const roundDiv = (n: bigint, d: bigint): bigint => floorDiv(2n * n + d, 2n * d);

/** Greatest whole number not above a. */
export const floor = (a: Rational): bigint => floorDiv(numerator(a), a.d);

/** round(a) = floor(a + ½): round(2.5) = 3, round(−2.5) = −2. (handbook: numbers) */
export const round = (a: Rational): bigint => roundDiv(numerator(a), a.d);

/** frac(a) = a − floor(a), from 0 up to but not 1: frac(−1/6) = 5/6. */
export const frac = (a: Rational): Rational => sub(a, rational(floor(a)));

/** "19/5", "-46", "0": lowest terms, read back by parseRational. */
export const toText = (a: Rational): string => (a.d === 1n ? String(numerator(a)) : `${numerator(a)}/${a.d}`);

const SAFE = BigInt(Number.MAX_SAFE_INTEGER);

/** The nearest double; infinite only when the number itself is out of range. */
export function toNumber(a: Rational): number {
  const sign = a.s < 0n ? -1 : 1;
  if (a.n <= SAFE && a.d <= SAFE) return (sign * Number(a.n)) / Number(a.d);
  const shift = bits(a.n) - bits(a.d) - 64;
  const top = shift > 0 ? a.n : a.n << BigInt(-shift);
  const bottom = shift > 0 ? a.d << BigInt(shift) : a.d;
  const q = top / bottom;
  // the last of 64 bits tells whether something is left below them, so that it is rounded once only
  return sign * Number(q * bottom === top ? q : q | 1n) * 2 ** shift;
}

const bits = (n: bigint): number => n.toString(2).length;

/**
 * A decimal text with exactly `places` digits after the point, halves away from zero, computed without floating point.
 * decimal(2/3, 2) is "0.67", decimal(−1/8, 2) is "-0.13"; a zero result carries no sign.
 */
export function decimal(a: Rational, places: number): string {
  const scale = 10n ** BigInt(places);
  const scaled = (2n * a.n * scale + a.d) / (2n * a.d);
  const digits = scaled.toString().padStart(places + 1, '0');
  const whole = digits.slice(0, digits.length - places);
  const sign = a.s < 0n && scaled > 0n ? '-' : '';
  return places === 0 ? sign + digits : `${sign}${whole}.${digits.slice(digits.length - places)}`;
}

const RATIONAL_TEXT = /^([+-]?)(\d+)(?:\.(\d+))?(?:\/(\d+)(?:\.(\d+))?)?$/;

/** What a drive file holds: "76/20", "0.9", "-46". null when it is anything else, or its denominator is 0. (docs: formats) */
export function parseRational(text: string): Rational | null {
  const m = RATIONAL_TEXT.exec(text);
  if (!m || text.length > 400) return null;
  const [, sign, whole = '0', part = '', below = '1', belowPart = ''] = m;
  const top = BigInt(whole + part) * 10n ** BigInt(belowPart.length);
  const bottom = BigInt(below + belowPart) * 10n ** BigInt(part.length);
  if (bottom === 0n) return null;
  return rational(sign === '-' ? -top : top, bottom);
}

/** parseRational for text that was checked before; throws a RangeError on anything else. */
export function exactly(text: string): Rational {
  const r = parseRational(text);
  if (!r) throw new RangeError(`"${text.slice(0, 40)}" is not an exact number`);
  return r;
}
