import { abs, compare, div, mul, ONE, rational, sub, toNumber, type Rational } from '../numbers/index.ts';
import { SLACK, ratioOf } from './best.ts';
import type { WheelSets } from './wheel-sets.ts';
import type { Shape, Workbench } from './kit.ts';
import { divisorsUpTo } from './divisors.ts';
import { firstAtLeast, LARGEST_PRODUCT, places, type Products } from './products.ts';
import type { Share } from './ratio-question.ts';
import type { Search } from './search.ts';
import type { FoundTrain } from './trains.ts';

/** Trains with which a timer's whole ticks a step keep a rate. */
export interface RateQuestion {
  /** ticks of the timer in one turn of the work: tick rate times the period, exact */
  readonly ticksPerTurn: Rational;
  readonly fullSteps: number;
  readonly modes: readonly number[];
  readonly leastStages: number;
  readonly maxStages: number;
  readonly count: number;
  /** only trains of at most so many teeth, and of wheels of at most so many */
  readonly mostTeeth: number;
  readonly mostWheel: number;
  /** no |error| above this is wanted: without it the search need not end */
  readonly cap: Rational;
  /** steps a turn of the work, fractional or not, both ends included */
  readonly steps: readonly [Rational | null, Rational | null];
  /** ticks between two steps, both ends included */
  readonly interval: readonly [number, number];
  readonly share: Share;
}

/** A number of steps a turn with a whole number of ticks between them. */
export interface RateRow {
  readonly ratio: Rational;
  readonly stages: number;
  readonly steps: Rational;
  readonly mode: number;
  readonly intervalTicks: number;
  /** rate over the wanted rate less one */
  readonly error: Rational;
  readonly teeth: number;
  /** where it was found for its small wheels */
  readonly train?: FoundTrain;
}

export interface RateFound {
  readonly rows: readonly RateRow[];
  readonly walked: readonly {
    readonly stages: number;
    readonly products: number;
    readonly proven: boolean;
  }[];
}

/** The first window of relative error, and how much wider each next one is. */
const FIRST_WINDOW = 2 ** -47;
const WIDER = 4;
/** Driven products tried one by one cost as much as this part of a whole number taken apart. */
const DIVIDING = 40;
/** Drivers between two breaths. */
const BREATH = 4_096;

/** |error|, stages, total teeth, steps a turn, ticks. (handbook: find) */
export const compareRates = (a: RateRow, b: RateRow): number =>
  compare(abs(a.error), abs(b.error)) ||
  a.stages - b.stages ||
  a.teeth - b.teeth ||
  compare(a.steps, b.steps) ||
  a.intervalTicks - b.intervalTicks;

/** The best rows so far, and the error above which none can be among them. */
class RateRows {
  private readonly rows = new Map<string, RateRow>();
  bound: number;
  /** when all of them are exact: a train of more teeth cannot be among them, whatever its error */
  mostTeeth = Infinity;

  private readonly count: number;

  constructor(count: number, cap: Rational) {
    this.count = count;
    this.bound = toNumber(cap) * (1 + SLACK) + SLACK;
  }

  offer(row: RateRow): void {
    const key = `${row.steps.n}/${row.steps.d} ${row.intervalTicks}`;
    const known = this.rows.get(key);
    if (known && (known.stages - row.stages || known.teeth - row.teeth || known.mode - row.mode) <= 0) return;
    this.rows.set(key, row);
    if (this.rows.size > 2 * this.count + 32) this.settle();
  }

  /** as many as are wanted, and none of them with an error */
  get allExact(): boolean {
    const kept = this.settle();
    return kept.length === this.count && kept.every((r) => r.error.n === 0n);
  }

  settle(): readonly RateRow[] {
    const sorted = [...this.rows.values()].sort(compareRates);
    if (sorted.length < this.count) return sorted;
    const kept = sorted.slice(0, this.count);
    this.rows.clear();
    for (const row of kept) this.rows.set(`${row.steps.n}/${row.steps.d} ${row.intervalTicks}`, row);
    this.bound = Math.min(this.bound, toNumber(abs(kept.at(-1)!.error)) * (1 + SLACK) + SLACK);
    if (kept.every((r) => r.error.n === 0n)) this.mostTeeth = kept.at(-1)!.teeth;
    return kept;
  }
}

/**
 * The least rate errors with a whole number n of ticks a step. For every mode and drivers B the whole numbers near W·B/S are the
 * products A·n that come near; the window about them widens until enough are found, so what is left out is proven worse.
 * (handbook: find, follow)
 */
export function* searchRate(bench: Workbench, sets: WheelSets, question: RateQuestion): Search<RateFound> {
  const rows = new RateRows(question.count, question.cap);
  const walked: { stages: number; products: number; proven: boolean }[] = [];
  let stopped = false;
  for (let stages = question.leastStages; stages <= question.maxStages; stages++) {
    let products = 0;
    // what takes more stages comes after as many exact rows as are wanted
    const of = bench.shapeCount(stages);
    const shapes: Iterable<Shape> = stopped || rows.allExact ? [] : bench.shapes(stages);
    let i = -1;
    for (const shape of shapes) {
      i++;
      if (bench.partsLargest(shape) > question.mostWheel) continue;
      const near = nearby(bench, sets, shape, question, rows);
      products += near.drivers.length;
      for (let window = FIRST_WINDOW, inner = -1; !stopped; [inner, window] = [window, window * WIDER]) {
        for (let from = 0; from < near.drivers.length && !stopped; from += BREATH) {
          if ((from / BREATH) % question.share.of !== question.share.index) continue;
          near.look(from, Math.min(from + BREATH, near.drivers.length), inner, window);
          stopped = yield { stages, done: i, of };
        }
        rows.settle();
        if (window >= rows.bound) break;
      }
      if (stopped) break;
    }
    walked.push({ stages, products, proven: !stopped });
  }
  return { rows: rows.settle(), walked };
}

interface Nearby {
  readonly drivers: Products;
  /** drivers [from, to): every product A·n whose error is above `inner` and up to `window` */
  readonly look: (from: number, to: number, inner: number, window: number) => void;
}

function nearby(
  bench: Workbench,
  sets: WheelSets,
  shape: Shape,
  question: RateQuestion,
  rows: RateRows,
): Nearby {
  const all = bench.products(shape).at(-1)!.driven;
  const limited = question.mostWheel !== Infinity;
  const weights = question.mostTeeth !== Infinity || limited ? bench.light(shape) : null;
  // the fewest teeth of both sides are those of the train only where nothing else binds it
  const free = bench.unlimited && !limited && weights !== null;
  const fixed = shape.partsTeeth;
  // with a budget only what is light enough beside the lightest
  const lightest = weights?.teeth.reduce((n, t) => Math.min(n, t), Infinity) ?? 0;
  const room = question.mostTeeth - fixed - lightest;
  const light = (list: Products): Products =>
    weights && (room !== Infinity || limited)
      ? list.filter((v) => {
          const at = firstAtLeast(weights.values, v);
          return weights.teeth[at]! <= room && weights.largest[at]! <= question.mostWheel;
        })
      : list;
  const driven = light(all);
  const drivers = light(bench.products(shape)[0]!.drivers);
  const place = places(driven);
  const [leastTicks, mostTicks] = question.interval;
  const limits = question.steps.map((s, i) => (s ? toNumber(s) : i === 0 ? 0 : Infinity));
  const parts = toNumber(shape.partsRatio);
  const perMode = [...question.modes]
    .sort((a, b) => a - b)
    .map((mode) => {
      const steps = mode * question.fullSteps;
      return { mode, steps, y: toNumber(div(question.ticksPerTurn, mul(rational(steps), shape.partsRatio))) };
    });

  /** No train of both has fewer teeth. */
  const fewest = (a: number, b: number): number =>
    weights
      ? fixed +
        weights.teeth[firstAtLeast(weights.values, a)]! +
        weights.teeth[firstAtLeast(weights.values, b)]!
      : 0;
  const teethOf = (a: number, b: number): number | null => {
    if (free) return fewest(a, b);
    const pairs = shape.pairCount === 0 ? { teeth: 0 } : sets.best(a, b, shape);
    return pairs && fixed + pairs.teeth;
  };

  /** Whether the fewest teeth behind both are too many already. */
  const tooHeavy = (a: number, b: number): boolean =>
    question.mostTeeth !== Infinity && fewest(a, b) > question.mostTeeth;

  const take = (a: number, ticks: number, b: number, mode: number): void => {
    if (rows.mostTeeth !== Infinity && fewest(a, b) > rows.mostTeeth) return;
    const ratio = ratioOf(a, b, shape);
    const steps = mul(rational(question.fullSteps * mode), ratio);
    const [low, high] = question.steps;
    if ((low && compare(steps, low) < 0) || (high && compare(steps, high) > 0)) return;
    const error = sub(div(question.ticksPerTurn, mul(steps, rational(ticks))), ONE);
    if (compare(abs(error), question.cap) > 0) return;
    const teeth = teethOf(a, b);
    if (teeth === null || teeth > question.mostTeeth) return;
    rows.offer({ ratio, stages: shape.stages, steps, mode, intervalTicks: ticks, error, teeth });
  };

  return {
    drivers,
    look(from, to, inner, window) {
      const width = Math.min(window, rows.bound);
      for (const { mode, steps, y } of perMode) {
        // drivers ascend, and with them the driven products that come into question
        let [low, high] = [-1, -1];
        const [lowest, highest] = [limits[0]! / (steps * parts), limits[1]! / (steps * parts)];
        for (let i = from; i < to; i++) {
          const b = drivers[i]!;
          const at = y * b;
          if (at * (1 - width) > LARGEST_PRODUCT) break;
          // the doubles may be off by a few parts in 2⁵³: a little more is looked at, and what is taken is measured exactly
          const slack = at * SLACK;
          const reach = at * width + slack;
          const last = Math.floor(at + reach);
          if (last < at - reach || last < 1) continue;
          const first = Math.ceil(at - reach);
          const least = Math.max(first / mostTicks, lowest * b) * (1 - 1e-12);
          const most = Math.min(last / leastTicks, highest * b) * (1 + 1e-12);
          if (low < 0) [low, high] = [firstAtLeast(driven, least), firstAtLeast(driven, most + 1)];
          while (low < driven.length && driven[low]! < least) low++;
          while (high < driven.length && driven[high]! < most + 1) high++;
          if (low >= high) continue;
          if (high - low < (last - first) * DIVIDING) {
            for (let j = low; j < high; j++) {
              const a = driven[j]!;
              // most products have no multiple in so narrow a stretch: one division tells
              const n = Math.floor(last / a);
              if (n * a < first || n < leastTicks) continue;
              if (tooHeavy(a, b)) continue;
              for (let m = Math.min(n, mostTicks); m >= leastTicks && a * m >= first; m--)
                if (Math.abs(a * m - at) + slack > inner * at) take(a, m, b, mode);
            }
            continue;
          }
          for (let x = Math.max(1, first); x <= last; x++) {
            if (Math.abs(x - at) + slack <= inner * at) continue;
            for (const a of divisorsUpTo(x, most, bench.primes, least)) {
              if (a < least || place(a) < 0 || tooHeavy(a, b)) continue;
              const ticks = x / a;
              if (ticks >= leastTicks && ticks <= mostTicks && Math.abs(x - at) - slack <= rows.bound * at)
                take(a, ticks, b, mode);
            }
          }
        }
      }
    },
  };
}

/** The least rate errors with each number of stages by itself: what is worth its stages can be seen. (handbook: find) */
export function* searchRateByStages(
  bench: Workbench,
  sets: WheelSets,
  question: RateQuestion,
): Search<RateFound> {
  const rows: RateRow[] = [];
  const walked: RateFound['walked'][number][] = [];
  for (let stages = 1; stages <= question.maxStages; stages++) {
    const found = yield* searchRate(bench, sets, { ...question, leastStages: stages, maxStages: stages });
    rows.push(...found.rows);
    walked.push(...found.walked);
    if (found.walked.some((w) => !w.proven)) break;
  }
  return { rows, walked };
}
