import { div, type Rational } from '../numbers/index.ts';
import type { WheelSets } from './wheel-sets.ts';
import { comparePairs, largest, type Pairs } from './wheel-sets.ts';
import type { Shape, Workbench } from './kit.ts';
import { partLargest } from './parts.ts';
import { placesAtHand } from './products.ts';

/** A train: wheel pairs and then the parts that are used as they are. */
export interface FoundTrain {
  readonly shape: Shape;
  readonly pairs: Pairs;
}

/** Up to so many multiples of a fraction are tried one by one; beyond it the drivers are checked. */
const MULTIPLES = 100_000;
/** Lists of products that may be longer than this are not made only to look a few up. */
const LONG = 1_000_000;

export const trainTeeth = ({ shape, pairs }: FoundTrain): number => shape.partsTeeth + pairs.teeth;

/** Least teeth, smallest largest wheel, lexicographically least. (handbook: find) */
export const compareTrains = (a: FoundTrain, b: FoundTrain): number =>
  trainTeeth(a) - trainTeeth(b) || comparePairs(a.pairs, b.pairs);

/** Teeth of the largest wheel of a train. */
export const trainLargest = ({ shape, pairs }: FoundTrain): number =>
  Math.max(largest(pairs), ...shape.parts.map(partLargest));

export const NO_PAIRS: Pairs = { driven: [], drivers: [], teeth: 0, bought: 0, cost: 0 };

/** Every way to make a ratio with exactly so many stages, as products of driven and drivers by shape. */
export function* waysTo(bench: Workbench, ratio: Rational, stages: number, most: () => number) {
  for (const shape of bench.shapes(stages)) {
    const wanted = div(ratio, shape.partsRatio);
    if (shape.pairCount === 0) {
      if (wanted.n === 1n && wanted.d === 1n) yield { shape, driven: 1, drivers: 1 };
      continue;
    }
    const [n, d] = [Number(wanted.n), Number(wanted.d)];
    const k = shape.pairCount;
    // the teeth of k wheels are never fewer than k times the k-th root of their product, n·t and d·t
    const roots = k * (n ** (1 / k) + d ** (1 / k));
    const room = (): number => ((most() - shape.partsTeeth + 1e-6) / roots) ** k * (1 + 1e-9);
    const sole = bench.soleFamily(shape);
    if (sole && sole.atMost(k) > LONG) {
      // lists too long to be made for this: whether wheels make a product is asked of the wheels
      const largest = (sole.wheels.at(-1) ?? 0) ** k / Math.max(n, d);
      if (largest <= MULTIPLES) {
        for (let t = 1; t <= largest && t <= room(); t++) yield { shape, driven: n * t, drivers: d * t };
        continue;
      }
    }
    for (const lists of bench.products(shape)) {
      const [driven, drivers] = [placesAtHand(lists.driven), placesAtHand(lists.drivers)];
      const times = Math.min((lists.driven.at(-1) ?? 0) / n, (lists.drivers.at(-1) ?? 0) / d);
      let last = room();
      if (times <= Math.max(MULTIPLES, lists.drivers.length)) {
        for (let t = 1; t <= times && t <= last; t++) {
          if (driven(n * t) < 0 || drivers(d * t) < 0) continue;
          yield { shape, driven: n * t, drivers: d * t };
          last = room();
        }
      } else
        for (const b of lists.drivers) {
          const t = b / d;
          if (t > last) break;
          if (!Number.isInteger(t) || driven(n * t) < 0) continue;
          yield { shape, driven: n * t, drivers: b };
          last = room();
        }
    }
  }
}

/** The train to show for a ratio: with so many stages the one of least teeth, then by the order of trains. Null when there is none. */
export function bestTrain(
  bench: Workbench,
  sets: WheelSets,
  ratio: Rational,
  stages: number,
): FoundTrain | null {
  let best: FoundTrain | null = null;
  const most = (): number => (best ? trainTeeth(best) : Infinity);
  for (const { shape, driven, drivers } of waysTo(bench, ratio, stages, most)) {
    if (bench.partsLargest(shape) > sets.most) continue;
    const pairs = shape.pairCount === 0 ? NO_PAIRS : sets.best(driven, drivers, shape);
    if (!pairs) continue;
    const train = { shape, pairs };
    if (!best || compareTrains(train, best) < 0) best = train;
  }
  return best;
}

/** Other trains of the same ratio and as many stages, best first, up to `count`. */
export function otherTrains(
  bench: Workbench,
  sets: WheelSets,
  ratio: Rational,
  stages: number,
  count: number,
): readonly FoundTrain[] {
  let kept: FoundTrain[] = [];
  const most = (): number => (kept.length === count ? trainTeeth(kept.at(-1)!) : Infinity);
  for (const { shape, driven, drivers } of waysTo(bench, ratio, stages, most)) {
    const made = shape.pairCount === 0 ? [NO_PAIRS] : sets.all(driven, drivers, shape);
    for (const pairs of made) {
      const train = { shape, pairs };
      if (trainTeeth(train) > most()) continue;
      kept.push(train);
      if (kept.length > 4 * count) kept = kept.sort(compareTrains).slice(0, count);
    }
    kept = kept.sort(compareTrains).slice(0, count);
  }
  return kept;
}
