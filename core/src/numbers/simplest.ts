import { compare, rational, type Rational } from './rational.ts';

/** An interval above 0, its ends n/d in it or not; an upper denominator of 0 stands for no end. */
interface Span {
  readonly low: readonly [bigint, bigint];
  readonly lowIn: boolean;
  readonly high: readonly [bigint, bigint];
  readonly highIn: boolean;
}

/**
 * The fraction of least denominator, and of least numerator among those, in a span; null when it is empty.
 * Its continued fraction is that of both ends as far as they agree. (handbook: numbers, true ratio)
 */
function simplest({ low, lowIn, high, highIn }: Span): readonly [bigint, bigint] | null {
  const [an, ad] = low;
  const [bn, bd] = high;
  if (bd !== 0n) {
    const gap = bn * ad - an * bd;
    if (gap < 0n || (gap === 0n && !(lowIn && highIn))) return null;
  }
  const floor = an / ad;
  const first = floor * ad === an && lowIn ? floor : floor + 1n;
  if (bd === 0n || first * bd < bn || (first * bd === bn && highIn)) return [first, 1n];
  const rest = simplest({
    low: [bd, bn - floor * bd],
    lowIn: highIn,
    high: [ad, an - floor * ad],
    highIn: lowIn,
  });
  return rest && [floor * rest[0] + rest[1], rest[0]];
}

interface Candidate {
  readonly span: Span;
  readonly n: bigint;
  readonly d: bigint;
}

const simpler = (a: Candidate, b: Candidate): boolean => a.d < b.d || (a.d === b.d && a.n < b.n);

/**
 * Every fraction in [low, high], both ends in it, the simplest first: least denominator, then least numerator. Without end
 * unless low is high. Throws a RangeError unless 0 < low ≤ high.
 * Example: [13.7325, 13.7365] gives 206/15, 467/34, 673/49, 728/53, … (handbook: numbers, true ratio)
 */
export function* simplestFirst(low: Rational, high: Rational): Generator<Rational> {
  if (low.s <= 0n || low.n === 0n || compare(low, high) > 0)
    throw new RangeError('an interval above 0 is wanted');
  /** simplest last */
  const waiting: Candidate[] = [];
  const add = (span: Span): void => {
    const found = simplest(span);
    if (!found) return;
    const candidate = { span, n: found[0], d: found[1] };
    let [from, to] = [0, waiting.length];
    while (from < to) {
      const middle = (from + to) >> 1;
      if (simpler(candidate, waiting[middle]!)) from = middle + 1;
      else to = middle;
    }
    waiting.splice(from, 0, candidate);
  };
  add({ low: [low.n, low.d], lowIn: true, high: [high.n, high.d], highIn: true });
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { span, n, d } = next;
    yield rational(n, d);
    add({ ...span, high: [n, d], highIn: false });
    add({ ...span, low: [n, d], lowIn: false });
  }
}

/** The fraction nearest to r of those with a denominator of at most `most`, by continued fractions; r ≥ 0. Within 1/most² of r. */
export function nearestFraction(r: Rational, most: bigint): Rational {
  let [n, d] = [r.n, r.d];
  let [p0, q0, p1, q1] = [0n, 1n, 1n, 0n];
  while (d !== 0n) {
    const a = n / d;
    if (q0 + a * q1 > most) break;
    [p0, q0, p1, q1] = [p1, q1, p0 + a * p1, q0 + a * q1];
    [n, d] = [d, n - a * d];
  }
  return rational(p1, q1);
}
