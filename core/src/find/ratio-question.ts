import { compare, div, toNumber, type Rational } from '../numbers/index.ts';
import { Best, ratioOf, type Met } from './best.ts';
import { WheelSets } from './wheel-sets.ts';
import type { Shape, Workbench } from './kit.ts';
import { joined, segmentsOf, type ProductSets, type Products } from './products.ts';
import type { Search } from './search.ts';
import { walk, warm, type Judge } from './walk.ts';

/** The ratios nearest a target. */
export interface RatioQuestion {
  /** above 0 */
  readonly target: Rational;
  readonly maxStages: number;
  readonly count: number;
  /** no |error| above this is wanted; null for any */
  readonly cap: Rational | null;
  /** the ratio itself, both ends included */
  readonly between: readonly [Rational | null, Rational | null];
  /** one of several workers takes the parts whose number leaves `index` modulo `of` */
  readonly share: Share;
}

export interface Share {
  readonly index: number;
  readonly of: number;
}

export const WHOLE: Share = { index: 0, of: 1 };

/** What was checked with so many stages. */
export interface Walked {
  readonly stages: number;
  /** values of the lists that were walked */
  readonly products: number;
  /** ratios that came near enough to be looked at, and how many of them could not be made of what there is */
  readonly looked: number;
  readonly refused: number;
  readonly proven: boolean;
}

export interface RatioFound {
  readonly best: readonly Met[];
  readonly walked: readonly Walked[];
}

/** A list longer than this is not made whole but segment by segment. */
const WHOLE_LIST = 300_000;
/** Drivers walked between two breaths. */
const BREATH = 16_384;

/**
 * The best ratios of up to `maxStages` stages, exhaustively: lists of products are walked in order within a bound that only ever
 * shrinks to the error of the count-th best, so what is not looked at is proven worse. (handbook: find)
 */
export function* searchRatio(bench: Workbench, question: RatioQuestion): Search<RatioFound> {
  const best = new Best(question.target, question.count, question.cap);
  const sets = new WheelSets(bench);
  const walked: Walked[] = [];
  let stopped = false;
  for (let stages = 1; stages <= question.maxStages && !stopped; stages++) {
    const tally = { products: 0, looked: 0, refused: 0 };
    const of = bench.shapeCount(stages);
    let i = -1;
    let piece = 0;
    for (const shape of bench.shapes(stages)) {
      i++;
      const judge = judgeOf(best, sets, shape, question, bench.unlimited, tally);
      const mine = (): boolean => piece++ % question.share.of === question.share.index;
      for (const part of piecesOf(bench, shape, question.target, best, mine)) {
        const target = div(question.target, shape.partsRatio);
        tally.products += part.drivers.length;
        warm(part.driven, part.drivers, target, judge);
        for (let from = 0; from < part.drivers.length; from += BREATH) {
          walk(part.driven, part.drivers, target, judge, from, Math.min(from + BREATH, part.drivers.length));
          stopped = yield { stages, done: i + part.done, of };
          if (stopped) break;
        }
        if (stopped) break;
      }
      if (stopped) break;
    }
    walked.push({ stages, ...tally, proven: !stopped });
  }
  for (let stages = walked.length + 1; stages <= question.maxStages; stages++)
    walked.push({ stages, products: 0, looked: 0, refused: 0, proven: false });
  return { best: best.settle(), walked };
}

/** Two lists to walk, and the part of the shape that is behind. */
interface Piece {
  readonly driven: Products;
  readonly drivers: Products;
  readonly done: number;
}

/** The lists to walk for a shape, whole or in segments; what is not `mine` is not made. */
function* piecesOf(
  bench: Workbench,
  shape: Shape,
  target: Rational,
  best: Best,
  mine: () => boolean,
): Generator<Piece> {
  const sole = bench.soleFamily(shape);
  if (sole && sole.atMost(shape.pairCount) > WHOLE_LIST && best.bound < 0.25) {
    yield* segmented(sole, shape.pairCount, toNumber(div(target, shape.partsRatio)), best, mine);
    return;
  }
  for (const lists of bench.products(shape)) if (mine()) yield { ...lists, done: 0 };
}

/** Values of the greater side between two breaths, and of the greater lists of a segment. */
const STRETCH = 2 ** 21;

/** The greater side in segments, each with the stretch of the lesser side that can come within the bound of it. */
function* segmented(
  sets: ProductSets,
  count: number,
  target: number,
  best: Best,
  mine: () => boolean,
): Generator<Piece> {
  const before = sets.of(count - 1);
  const wheels = sets.wheels;
  const [least, most] = [before[0]! * wheels[0]!, before.at(-1)! * wheels.at(-1)!];
  const greater = Math.max(target, 1 / target);
  const start = Math.max(least, Math.floor((least * greater) / (1 + best.bound)));
  for (let low = start; low <= most; low += STRETCH) {
    if (!mine()) continue;
    const high = Math.min(low + STRETCH, most + 1);
    const reach = 1 + best.bound + 1e-9;
    const large = between(before, wheels, low, high);
    const small = between(before, wheels, low / greater / reach, (high / greater) * reach + 1);
    const done = (low - start) / (most - start + 1);
    yield target >= 1 ? { driven: large, drivers: small, done } : { driven: small, drivers: large, done };
  }
}

const between = (before: Products, wheels: Products, low: number, high: number): Products =>
  joined([...segmentsOf(before, wheels, Math.max(0, Math.floor(low)), Math.ceil(high))]);

function judgeOf(
  best: Best,
  sets: WheelSets,
  shape: Shape,
  { between: [low, high] }: RatioQuestion,
  unlimited: boolean,
  tally: { looked: number; refused: number },
): Judge {
  return {
    get bound() {
      return best.bound;
    },
    take(driven, drivers) {
      tally.looked++;
      if (best.knows(driven, drivers, shape)) return;
      if (low ?? high) {
        const ratio = ratioOf(driven, drivers, shape);
        if ((low && compare(ratio, low) < 0) || (high && compare(ratio, high) > 0)) return;
      }
      if (!unlimited && !sets.possible(driven, drivers, shape)) {
        tally.refused++;
        return;
      }
      best.offer(driven, drivers, shape);
    },
  };
}
