import type { Search } from './search.ts';
import { gcd, rational, simplestFirst, type Rational } from '../numbers/index.ts';

/** Wheels by their teeth, both ends included. */
export interface Teeth {
  readonly from: number;
  readonly to: number;
}

/** A ratio made of wheel pairs: product of the driven over product of the drivers, each list largest first. */
export interface PairTrain {
  readonly ratio: Rational;
  readonly driven: readonly number[];
  readonly drivers: readonly number[];
}

/** For a number of wheels: every product of so many, with the wheels of least total teeth that make it. */
type Products = ReadonlyMap<number, readonly number[]>;

const teethOf = (wheels: readonly number[]): number => wheels.reduce((n, z) => n + z, 0);

/** Most sets of wheels that are made: they must be held in memory all at once. */
export const MAX_WHEEL_SETS = 4_000_000;

/** Sets of `pairs` wheels out of a range, each as often as wanted: what there is to go through. */
export function wheelSets({ from, to }: Teeth, pairs: number): number {
  let sets = 1;
  for (let i = 0; i < pairs; i++) sets = (sets * (to - from + 1 + i)) / (i + 1);
  return Math.round(sets);
}

/** Products between two breaths. */
const BREATH = 20_000;

function* productsOf(teeth: Teeth, wheels: number): Search<readonly Products[]> {
  const levels: Map<number, readonly number[]>[] = [];
  for (let level = 0; level < wheels; level++) {
    const next = new Map<number, readonly number[]>();
    const before = levels[level - 1] ?? new Map([[1, []]]);
    let [gone, breath] = [0, 0];
    for (const [product, made] of before) {
      gone++;
      if ((breath += teeth.to - teeth.from + 1) > BREATH) {
        breath = 0;
        if (yield { stages: level + 1, done: gone, of: before.size }) return levels;
      }
      for (let z = teeth.from; z <= teeth.to; z++) {
        const known = next.get(product * z);
        const sum = teethOf(made) + z;
        if (known && teethOf(known) <= sum) continue;
        next.set(
          product * z,
          [...made, z].sort((a, b) => b - a),
        );
      }
    }
    levels.push(next);
  }
  return levels;
}

/** n/d from wheels, fewest pairs first, then least total teeth; null when there is no way. */
function trainOf(n: number, d: number, levels: readonly Products[], largest: number): PairTrain | null {
  for (const [i, products] of levels.entries()) {
    const most = largest ** (i + 1) / Math.max(n, d);
    let best: PairTrain | null = null;
    let least = Infinity;
    for (let t = 1; t <= most; t++) {
      const drivers = products.get(d * t);
      const driven = drivers && products.get(n * t);
      if (!drivers || !driven) continue;
      const sum = teethOf(drivers) + teethOf(driven);
      if (sum >= least) continue;
      [best, least] = [{ ratio: rational(n, d), driven, drivers }, sum];
    }
    if (best) return best;
  }
  return null;
}

/** How many fractions are tried one by one before all products are laid against each other. */
const TRIED = 20_000;

/**
 * Every ratio in [low, high] that up to `pairs` (1…4) pairs of these wheels make, the simplest first: least denominator, then
 * least numerator; at most `count` of them, each with its train of fewest pairs and then least total teeth.
 * Throws a RangeError unless 0 < low ≤ high, 1 ≤ from ≤ to, and there are at most MAX_WHEEL_SETS. (handbook: numbers, true ratio)
 * Example: [13.7325, 13.7365], two pairs of 8–60: 989/72, 1250/91, 1593/116, … 2596/189.
 */
export function* pairTrains(
  low: Rational,
  high: Rational,
  teeth: Teeth,
  pairs: number,
  count: number,
): Search<readonly PairTrain[]> {
  if (teeth.from < 1 || teeth.to < teeth.from) throw new RangeError('wheels of 1 or more teeth are wanted');
  if (wheelSets(teeth, pairs) > MAX_WHEEL_SETS) throw new RangeError('too many sets of wheels');
  const levels = yield* productsOf(teeth, pairs);
  const largest = teeth.to ** pairs;
  const found: PairTrain[] = [];
  let tried = 0;
  for (const r of simplestFirst(low, high)) {
    if (r.d > BigInt(largest)) return found;
    if (++tried % 500 === 0) yield { stages: pairs, done: tried, of: TRIED };
    if (tried > TRIED) return laidAgainst(low, high, levels, teeth.to, count);
    if (r.n > BigInt(largest)) continue;
    const train = trainOf(Number(r.n), Number(r.d), levels, teeth.to);
    if (train) found.push(train);
    if (found.length === count) return found;
  }
  return found;
}

/** All products of driven wheels against all of drivers, in order: what simple fractions did not find. */
function laidAgainst(
  low: Rational,
  high: Rational,
  levels: readonly Products[],
  largest: number,
  count: number,
): readonly PairTrain[] {
  const ratios = new Map<string, readonly [bigint, bigint]>();
  for (const products of levels) {
    const sorted = [...products.keys()].sort((a, b) => a - b);
    let start = 0;
    for (const driver of sorted) {
      const least = BigInt(driver) * low.n;
      while (start < sorted.length && BigInt(sorted[start]!) * low.d < least) start++;
      const most = BigInt(driver) * high.n;
      for (let i = start; i < sorted.length && BigInt(sorted[i]!) * high.d <= most; i++) {
        const [n, d] = [BigInt(sorted[i]!), BigInt(driver)];
        const shared = gcd(n, d);
        ratios.set(`${n / shared}/${d / shared}`, [n / shared, d / shared]);
      }
    }
  }
  return [...ratios.values()]
    .sort(([an, ad], [bn, bd]) => (ad !== bd ? (ad < bd ? -1 : 1) : an < bn ? -1 : an > bn ? 1 : 0))
    .slice(0, count)
    .map(([n, d]) => trainOf(Number(n), Number(d), levels, largest)!);
}
