import { abs, compare, div, rational, toNumber, type Rational } from '../numbers/index.ts';
import { SLACK, errorOf, ratioOf, type Met } from './best.ts';
import type { Hands } from './hands.ts';
import type { Shape, Workbench } from './kit.ts';
import { places, type Products, type Weighted } from './products.ts';
import type { Walked } from './ratio-question.ts';
import type { Search } from './search.ts';
import { walk } from './walk.ts';

/** A ratio of the front, with the teeth of its train and the target it comes near. */
export interface FrontMet extends Met {
  readonly teeth: number;
  readonly target: Rational;
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
}

/**
 * The Pareto front of |error|, stages and teeth: nothing else is as good in all three. For each number of stages the least error is
 * taken, then the least with fewer teeth than that, and so on. (handbook: find)
 */
export function* searchFront(bench: Workbench, hands: Hands, question: FrontQuestion): Search<FrontFound> {
  const front: FrontMet[] = [];
  const walked: Walked[] = [];
  let stopped = false;
  for (let stages = 1; stages <= question.maxStages; stages++) {
    const tally = { products: 0, looked: 0, refused: 0 };
    let budget = question.mostTeeth;
    const lists: readonly Listed[] = stopped ? [] : [...listsOf(bench, hands, stages)];
    tally.products = lists.reduce((n, l) => n + l.drivers.length, 0);
    for (let round = 0; !stopped; round++) {
      const least = new Least(question, budget);
      for (const [i, list] of lists.entries()) {
        for (const target of question.targets) {
          list.walk(least, tally, target);
          stopped = yield { stages, done: round + i / lists.length, of: round + 2 };
          if (stopped) break;
        }
        if (stopped) break;
      }
      if (stopped || !least.met) break;
      budget = least.met.teeth - 1;
      if (!front.some((f) => beats(f, least.met!))) front.push(least.met);
    }
    walked.push({ stages, ...tally, proven: !stopped });
  }
  return { best: front.sort(compareFront), walked };
}

/** Least error first, then fewer stages, then fewer teeth. */
const compareFront = (a: FrontMet, b: FrontMet): number =>
  compare(abs(a.error), abs(b.error)) || a.shape.stages - b.shape.stages || a.teeth - b.teeth;

const beats = (a: FrontMet, b: FrontMet): boolean =>
  compare(abs(a.error), abs(b.error)) <= 0 && a.shape.stages <= b.shape.stages && a.teeth <= b.teeth;

/** The least error within a budget of teeth; of the same error the fewest teeth. */
class Least {
  met: FrontMet | null = null;
  bound: number;

  private readonly question: FrontQuestion;
  readonly budget: number;

  constructor(question: FrontQuestion, budget: number) {
    this.question = question;
    this.budget = budget;
    this.bound = this.loosened(question.cap);
  }

  offer(driven: number, drivers: number, shape: Shape, teeth: number, target: Rational): void {
    const ratio = ratioOf(driven, drivers, shape);
    const error = errorOf(ratio, target);
    if (compare(abs(error), this.question.cap) > 0) return;
    const [low, high] = this.question.between;
    if ((low && compare(ratio, low) < 0) || (high && compare(ratio, high) > 0)) return;
    const met = { ratio, error, shape, driven, drivers, teeth, target };
    if (this.met && compareFront(met, this.met) >= 0) return;
    this.met = met;
    this.bound = this.loosened(abs(error));
  }

  private readonly loosened = (limit: Rational): number => toNumber(limit) * (1 + SLACK) + SLACK;
}

interface Listed {
  readonly drivers: Products;
  readonly walk: (least: Least, tally: { looked: number; refused: number }, target: Rational) => void;
}

/** A list of products with the fewest teeth behind each, cut down as the budget shrinks. */
class LightList {
  private values: Products;
  private teeth: Float64Array;

  constructor(values: Products, { values: all, teeth }: Weighted) {
    this.values = values;
    const place = values === all ? null : places(all);
    this.teeth = place ? values.map((v) => teeth[place(v)]!) : teeth;
  }

  /** Lets go what is heavier; the budget never grows again. */
  within(most: number): { readonly values: Products; readonly teeth: Float64Array } {
    const kept = this.teeth.reduce((n, t) => (t <= most ? n + 1 : n), 0);
    if (kept < this.values.length) {
      const [values, teeth] = [new Float64Array(kept), new Float64Array(kept)];
      let at = 0;
      for (let i = 0; i < this.values.length; i++) {
        if (this.teeth[i]! > most) continue;
        values[at] = this.values[i]!;
        teeth[at++] = this.teeth[i]!;
      }
      [this.values, this.teeth] = [values, teeth];
    }
    return { values: this.values, teeth: this.teeth };
  }
}

/** Every pair of lists for so many stages, with a walk that keeps to the budget. */
function* listsOf(bench: Workbench, hands: Hands, stages: number): Generator<Listed> {
  for (const shape of bench.shapes(stages)) {
    const fixed = shape.partsTeeth;
    const weights = bench.weighted(shape);
    const lightest = weights.teeth.reduce((n, t) => Math.min(n, t), Infinity);
    for (const lists of bench.products(shape)) {
      const [driven, drivers] = [new LightList(lists.driven, weights), new LightList(lists.drivers, weights)];
      yield {
        drivers: lists.drivers,
        walk(least, tally, target) {
          const room = least.budget - fixed - lightest;
          const [as, bs] = [driven.within(room), drivers.within(room)];
          walk(as.values, bs.values, div(target, shape.partsRatio), {
            get bound() {
              return least.bound;
            },
            take(a, b, i, j) {
              const sum = fixed + as.teeth[i]! + bs.teeth[j]!;
              if (sum > least.budget) return;
              tally.looked++;
              if (bench.unlimited || shape.pairCount === 0) {
                least.offer(a, b, shape, sum, target);
                return;
              }
              const pairs = hands.best(a, b, shape);
              if (!pairs) tally.refused++;
              else if (fixed + pairs.teeth <= least.budget)
                least.offer(a, b, shape, fixed + pairs.teeth, target);
            },
          });
        },
      };
    }
  }
}

/** The cap of a front when nobody gave one: one part in a thousand. */
export const FRONT_CAP = rational(1, 1000);
