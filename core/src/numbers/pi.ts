import { compare, div, mul, rational, round, type Rational } from './rational.ts';

/** ⌊π·10ⁿ⌋ by Machin's formula in whole numbers, with 20 figures to spare. */
function piFigures(n: number): bigint {
  const one = 10n ** BigInt(n + 20);
  const arctan = (x: bigint): bigint => {
    let [term, sum, k] = [one / x, one / x, 3n];
    for (let sign = -1n; term > 0n; sign = -sign, k += 2n) {
      term /= x * x;
      sum += (sign * term) / k;
    }
    return sum;
  };
  return (4n * (4n * arctan(5n) - arctan(239n))) / 10n ** 20n;
}

/** Between which two rationals π lies, to n figures after the point. */
function piWithin(n: number): readonly [low: Rational, high: Rational] {
  const figures = piFigures(n);
  const one = 10n ** BigInt(n);
  return [rational(figures, one), rational(figures + 1n, one)];
}

const [LOW, HIGH] = piWithin(75);
/** π to 75 figures, from below. */
export const PI: Rational = LOW;

/** Asks at ever more figures of π until the answer is certain. It ends: what is asked of π is never a tie. */
function withEnoughOfPi<T>(ask: (low: Rational, high: Rational) => T | null): T {
  for (let figures = 75; ; figures *= 2) {
    const [low, high] = figures === 75 ? [LOW, HIGH] : piWithin(figures);
    const answer = ask(low, high);
    if (answer !== null) return answer;
  }
}

/** Is q less (−1) or greater (1) than π? Never equal: π is not rational. (handbook: numbers, π stays a symbol) */
export const compareToPi = (q: Rational): -1 | 1 =>
  withEnoughOfPi((low, high) => (compare(q, low) <= 0 ? -1 : compare(q, high) >= 0 ? 1 : null));

/** The least whole number not below q·π, for q > 0: exact, and never too small however large q is. */
export function ceilTimesPi(q: Rational): bigint {
  const above = mul(q, HIGH);
  return (above.n + above.d - 1n) / above.d;
}

/** The whole number nearest to q·π^power, q ≥ 0; exact: π never gives a half. */
export const roundTimesPi = (q: Rational, power: -1 | 1): bigint =>
  withEnoughOfPi((low, high) => {
    const ends = power === 1 ? [mul(q, low), mul(q, high)] : [div(q, high), div(q, low)];
    const near = round(ends[0]!);
    return near === round(ends[1]!) ? near : null;
  });
