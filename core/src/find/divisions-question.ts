import type { Weighted } from './weights.ts';
import { gcd, lcm } from '../numbers/index.ts';
import { Rows, Tally, type DivisionsQuestion, type EvenRatio } from './even-rows.ts';
import { WheelSets } from './wheel-sets.ts';
import type { Shape, Workbench } from './kit.ts';
import { divisorsUpTo } from './divisors.ts';
import { LARGEST_PRODUCT, places, type Products } from './products.ts';
import type { Search } from './search.ts';

/** How many there are with so many stages within the limits; `trains` counts sets of wheels, whatever their order and mode. */
export interface EvenCount {
  readonly stages: number;
  readonly trains: bigint;
  /** there are some whose steps a turn no mode brings within the limits */
  readonly outside: boolean;
  /** the different numbers of steps a turn, over the divisions' least common multiple */
  readonly seen: Float64Array;
  /** driven products that were checked */
  readonly products: number;
  readonly proven: boolean;
}

export interface DivisionsFound {
  readonly rows: readonly EvenRatio[];
  /** for every number of stages and mode the row of least teeth: what nothing beats is among these */
  readonly ofModes: readonly EvenRatio[];
  readonly counts: readonly EvenCount[];
}

/** Work between two breaths, in sets of drivers. */
const BREATH = 30_000;

/** What of the divisions the wheels must bring for one shape: A must be a multiple of `need`, and then B divides A/need·`rest`. */
interface Demand {
  readonly need: number;
  readonly rest: number;
}

function demandOf(divisor: bigint, steps: bigint, shape: Shape): Demand | null {
  const below = divisor * shape.partsRatio.d;
  const above = steps * shape.partsRatio.n;
  const shared = gcd(below, above);
  const [need, rest] = [below / shared, above / shared];
  return need > BigInt(LARGEST_PRODUCT) ? null : { need: Number(need), rest: Number(rest) };
}

/**
 * Every train of up to `maxStages` stages with which all the divisions come out even: N = S·A/B is a multiple of their least
 * common multiple L exactly when L·B divides S·A. Driven products that are multiples of what the motor does not bring are gone
 * through; the drivers must divide what is left. (handbook: find, divide)
 */
export function* searchEven(bench: Workbench, question: DivisionsQuestion): Search<DivisionsFound> {
  const divisor = lcm(question.divisions);
  const sets = new WheelSets(bench);
  const rows: EvenRatio[] = [];
  const ofModes: EvenRatio[] = [];
  const counts: EvenCount[] = [];
  let stopped = false;
  for (let stages = 1; stages <= question.maxStages; stages++) {
    const tally = new Tally(question, divisor);
    const kept = new Rows(question.count, tally);
    const of = bench.shapeCount(stages);
    const shapes: Iterable<Shape> = stopped ? [] : bench.shapes(stages);
    let i = -1;
    for (const shape of shapes) {
      i++;
      const gone = goThrough(bench, sets, shape, question, divisor, kept, tally);
      let step = gone.next(false);
      while (!step.done) {
        stopped = yield { stages, done: i + step.value, of };
        if (stopped) break;
        step = gone.next();
      }
      if (stopped) break;
    }
    rows.push(...kept.settle());
    ofModes.push(...kept.ofModes);
    counts.push({
      stages,
      trains: tally.trains,
      outside: tally.outside,
      seen: Float64Array.from(tally.seen),
      products: tally.products,
      proven: !stopped,
    });
  }
  return { rows, ofModes, counts };
}

/** One shape: its driven products, and for each the drivers that divide what is left. Yields the part that is behind. */
function* goThrough(
  bench: Workbench,
  sets: WheelSets,
  shape: Shape,
  { share }: DivisionsQuestion,
  divisor: bigint,
  rows: Rows,
  tally: Tally,
): Generator<number> {
  const demand = demandOf(divisor, tally.allModes, shape);
  if (!demand) return;
  const pairing = bench.unlimited
    ? freePairs(bench, shape, rows, tally)
    : heldPairs(bench, sets, shape, rows, tally);
  let [breath, turn] = [0, 0];
  for (const [i, a] of pairing.driven.entries()) {
    if (a % demand.need !== 0) continue;
    if (turn++ % share.of !== share.index) continue;
    tally.products++;
    const left = (a / demand.need) * demand.rest;
    if (left > LARGEST_PRODUCT) throw new RangeError('these products pass what is exact');
    const divisors = divisorsUpTo(left, pairing.mostDrivers, bench.primes);
    for (const b of divisors) pairing.meet(a, i, b, left / b);
    breath += divisors.length;
    if (breath > BREATH) {
      breath = 0;
      yield i / pairing.driven.length;
    }
  }
  tally.flush();
}

/** What is done with a driven product and a divisor of what is left beside it. */
interface Pairing {
  readonly driven: Products;
  readonly mostDrivers: number;
  /** driven product and its place, divisor, what all modes together make of the quotient */
  readonly meet: (a: number, place: number, b: number, quotient: number) => void;
}

/** Wheels without limits: every product of drivers goes with every one of the driven. */
function freePairs(bench: Workbench, shape: Shape, rows: Rows, tally: Tally): Pairing {
  const { driven, drivers } = bench.products(shape)[0]!;
  const place = places(drivers);
  const fixed = shape.partsTeeth;
  // what is behind the products is asked for when the first two meet, which they may not
  let known: Weighted | null = null;
  return {
    driven,
    mostDrivers: drivers.at(-1) ?? 0,
    meet(a, i, b, quotient) {
      const j = place(b);
      if (j < 0) return;
      const { ways, teeth } = (known ??= bench.weighted(shape));
      tally.add(quotient, ways[i]! * ways[j]!);
      const sum = fixed + teeth[i]! + teeth[j]!;
      rows.offer(a, b, shape, sum, quotient);
    },
  };
}

/** Wheels of which there are so many: both sides must be on the bench at once. */
function heldPairs(bench: Workbench, sets: WheelSets, shape: Shape, rows: Rows, tally: Tally): Pairing {
  const { driven } = bench.products(shape).at(-1)!;
  const { drivers } = bench.products(shape)[0]!;
  const place = places(drivers);
  const fixed = shape.partsTeeth;
  return {
    driven,
    mostDrivers: drivers.at(-1) ?? 0,
    meet(a, _i, b, quotient) {
      if (place(b) < 0) return;
      for (const pairs of sets.all(a, b, shape)) {
        tally.add(quotient, 1);
        const sum = fixed + pairs.teeth;
        rows.offer(a, b, shape, sum, quotient);
      }
    },
  };
}
