import { abs, compare, div, rational, toNumber, type Rational } from '../numbers/index.ts';
import { SLACK, errorOf, ratioOf, type Met } from './best.ts';
import { WheelSets, type Pairs } from './wheel-sets.ts';
import type { Shape, Workbench } from './kit.ts';
import { places, type Products } from './products.ts';
import type { Walked } from './ratio-question.ts';
import type { Search } from './search.ts';
import { staircase } from './staircase.ts';
import { bestTrain, trainLargest, trainTeeth, type FoundTrain } from './trains.ts';
import { walk } from './walk.ts';
import type { Light } from './weights.ts';

/** A ratio of the front, with its train and the target it comes near. */
export interface FrontMet extends Met {
  readonly teeth: number;
  readonly largest: number;
  readonly target: Rational;
  readonly train: FoundTrain;
}

export interface FrontFound {
  readonly best: readonly FrontMet[];
  readonly walked: readonly Walked[];
}

/** A front over one target or several: what comes nearest any of them. */
export interface FrontQuestion {
  /** above 0, all different */
  readonly targets: readonly Rational[];
  readonly maxStages: number;
  /** no |error| above this is wanted */
  readonly cap: Rational;
  readonly between: readonly [Rational | null, Rational | null];
  /** only trains of at most so many teeth */
  readonly mostTeeth: number;
  /** the largest wheel counts too */
  readonly bySize: boolean;
}

/** The Pareto front of |error|, stages, teeth and largest wheel: nothing else is as good in all of them. (handbook: find) */
export function* searchFront(bench: Workbench, sets: WheelSets, question: FrontQuestion): Search<FrontFound> {
  const front: FrontMet[] = [];
  const walked: Walked[] = [];
  const limited = new Map([[Infinity, sets]]);
  let stopped = false;
  for (let stages = 1; stages <= question.maxStages; stages++) {
    const tally = { products: 0, looked: 0, refused: 0 };
    const lists: readonly Listed[] = stopped ? [] : [...listsOf(bench, stages)];
    tally.products = lists.reduce((n, l) => n + l.drivers.length, 0);
    let round = 0;
    const steps = yield* staircase<FrontMet>(
      question.mostTeeth,
      question.bySize ? bench.keptLargest : null,
      function* (budget, most, known) {
        const least = new Least(question, budget, most, known);
        const own = limited.get(most) ?? new WheelSets(bench, most);
        limited.set(most, own);
        round++;
        for (const [i, list] of lists.entries()) {
          for (const target of question.targets) {
            if (stopped) return null;
            list.walk(own, least, tally, target);
            stopped = yield { stages, done: round + i / lists.length, of: round + 2 };
          }
        }
        return stopped ? null : least.settle(bench, own);
      },
    );
    front.push(...steps);
    walked.push({ stages, ...tally, proven: !stopped });
  }
  return { best: front.filter((f) => !front.some((other) => beats(other, f))).sort(compareFront), walked };
}

/** Least error first, then fewer stages, then fewer teeth. */
const compareFront = (a: Omit<FrontMet, 'train'>, b: Omit<FrontMet, 'train'>): number =>
  compare(abs(a.error), abs(b.error)) ||
  a.shape.stages - b.shape.stages ||
  a.teeth - b.teeth ||
  a.largest - b.largest;

/** As good in everything, and better in something. */
function beats(a: FrontMet, b: FrontMet): boolean {
  const error = compare(abs(a.error), abs(b.error));
  const all = [error, a.shape.stages - b.shape.stages, a.teeth - b.teeth, a.largest - b.largest];
  return all.every((d) => d <= 0) && all.some((d) => d < 0);
}

/** The least error within a budget of teeth and of the largest wheel; of the same error the fewest teeth. */
class Least {
  private met: (Omit<FrontMet, 'train'> & { readonly train: FoundTrain | null }) | null;
  bound: number;

  private readonly question: FrontQuestion;
  readonly budget: number;
  readonly most: number;

  /** `known`: one that keeps to both, so that nothing worse need be looked at */
  constructor(question: FrontQuestion, budget: number, most: number, known: FrontMet | null) {
    this.question = question;
    this.budget = budget;
    this.most = most;
    this.met = known;
    this.bound = this.loosened(known ? abs(known.error) : question.cap);
  }

  offer(
    driven: number,
    drivers: number,
    shape: Shape,
    teeth: number,
    target: Rational,
    pairs: Pairs | null,
  ): void {
    const ratio = ratioOf(driven, drivers, shape);
    const error = errorOf(ratio, target);
    if (compare(abs(error), this.question.cap) > 0) return;
    const [low, high] = this.question.between;
    if ((low && compare(ratio, low) < 0) || (high && compare(ratio, high) > 0)) return;
    const train = pairs && { shape, pairs };
    const largest = train ? trainLargest(train) : Infinity;
    const met = { ratio, error, shape, driven, drivers, teeth, largest, target, train };
    if (this.met && compareFront(met, this.met) >= 0) return;
    this.met = met;
    this.bound = this.loosened(abs(error));
  }

  /** What was met, with its train. */
  settle(bench: Workbench, sets: WheelSets): FrontMet | null {
    const { met } = this;
    if (!met) return null;
    const train = met.train ?? bestTrain(bench, sets, met.ratio, met.shape.stages);
    return train && { ...met, train, teeth: trainTeeth(train), largest: trainLargest(train) };
  }

  private readonly loosened = (limit: Rational): number => toNumber(limit) * (1 + SLACK) + SLACK;
}

interface Listed {
  readonly drivers: Products;
  readonly walk: (
    sets: WheelSets,
    least: Least,
    tally: { looked: number; refused: number },
    target: Rational,
  ) => void;
}

/** Room for as much as `from` holds. */
const roomFor = ({ values: { length } }: Light): Light => ({
  values: new Float64Array(length),
  teeth: new Float64Array(length),
  largest: new Float64Array(length),
});

/** What is light enough and of small enough wheels, laid into `to`, which may be where it comes from. */
function lighter(from: Light, to: Light, room: number, most: number): Light {
  const { values, teeth, largest } = from;
  let kept = 0;
  for (let i = 0; i < values.length; i++) {
    if (teeth[i]! > room || largest[i]! > most) continue;
    to.values[kept] = values[i]!;
    to.teeth[kept] = teeth[i]!;
    to.largest[kept++] = largest[i]!;
  }
  return {
    values: to.values.subarray(0, kept),
    teeth: to.teeth.subarray(0, kept),
    largest: to.largest.subarray(0, kept),
  };
}

/** A list of products with what is behind each: a little more than can be made within a budget of teeth and of the largest wheel. */
class LightList {
  private readonly all: Light;
  private small: Light;
  private most = Infinity;
  private light: Light;
  private room = Infinity;
  /** where the light ones of the small ones are laid, each time over the heavier ones */
  private laid: Light | null = null;

  constructor(values: Products, weights: Light) {
    const place = values === weights.values ? null : places(weights.values);
    this.all = {
      values,
      teeth: place ? values.map((v) => weights.teeth[place(v)]!) : weights.teeth,
      largest: place ? values.map((v) => weights.largest[place(v)]!) : weights.largest,
    };
    this.small = this.light = this.all;
  }

  /** A staircase goes down: what was too heavy before is not looked at again. */
  within(room: number, most: number): Light {
    if (most !== this.most) {
      const from = most < this.most ? this.small : this.all;
      this.small = lighter(from, from === this.all ? roomFor(from) : from, Infinity, most);
      this.most = most;
      [this.light, this.room] = [this.small, Infinity];
    }
    if (room > this.room) [this.light, this.room] = [this.small, Infinity];
    if (room < this.room) {
      const fresh = this.light === this.small;
      if (fresh && (!this.laid || this.laid.values.length < this.small.values.length))
        this.laid = roomFor(this.small);
      this.light = lighter(this.light, fresh ? this.laid! : this.light, room, Infinity);
      this.room = room;
    }
    return this.light;
  }
}

/** Every pair of lists for so many stages, with a walk that keeps to the budgets. */
function* listsOf(bench: Workbench, stages: number): Generator<Listed> {
  for (const shape of bench.shapes(stages)) {
    const fixed = shape.partsTeeth;
    const partsMost = bench.partsLargest(shape);
    const weights = bench.light(shape);
    const lightest = weights.teeth.reduce((n, t) => Math.min(n, t), Infinity);
    for (const lists of bench.products(shape)) {
      const driven = new LightList(lists.driven, weights);
      const drivers = lists.driven === lists.drivers ? driven : new LightList(lists.drivers, weights);
      yield {
        drivers: lists.drivers,
        walk(sets, least, tally, target) {
          if (partsMost > least.most) return;
          const room = least.budget - fixed - lightest;
          const as = driven.within(room, least.most);
          const bs = drivers.within(room, least.most);
          // without limits the fewest teeth of both sides are those of the train
          const free = (bench.unlimited && least.most === Infinity) || shape.pairCount === 0;
          walk(as.values, bs.values, div(target, shape.partsRatio), {
            get bound() {
              return least.bound;
            },
            take(a, b, i, j) {
              const sum = fixed + as.teeth[i]! + bs.teeth[j]!;
              if (sum > least.budget) return;
              tally.looked++;
              if (free) {
                least.offer(a, b, shape, sum, target, null);
                return;
              }
              const pairs = sets.best(a, b, shape);
              if (!pairs) tally.refused++;
              else if (fixed + pairs.teeth <= least.budget)
                least.offer(a, b, shape, fixed + pairs.teeth, target, pairs);
            },
          });
        },
      };
    }
  }
}

/** The cap of a front when nobody gave one: one part in a thousand. */
export const FRONT_CAP = rational(1, 1000);
