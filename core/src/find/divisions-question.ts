import { gcd, lcm, mul, rational, type Rational } from '../numbers/index.ts';
import { commonFactor, Hands, matchings, type Hand } from './hands.ts';
import type { Shape, Workbench } from './kit.ts';
import { divisorsUpTo, LARGEST_PRODUCT, places, type Products } from './products.ts';
import type { Share } from './ratio-question.ts';
import type { Search } from './search.ts';
import { partTeeth } from './trains.ts';

/** Trains with which every wanted division comes out even. */
export interface DivisionsQuestion {
  /** the wanted counts, whole and above 0 */
  readonly divisions: readonly bigint[];
  /** full steps of the motor and the modes of its driver */
  readonly fullSteps: number;
  readonly modes: readonly number[];
  readonly maxStages: number;
  /** rows for each number of stages */
  readonly count: number;
  /** steps a turn of the work, both ends included; null for any */
  readonly steps: readonly [Rational | null, Rational | null];
  readonly share: Share;
}

/** A ratio with which the divisions come out even, from exactly so many stages. */
export interface EvenRatio {
  readonly ratio: Rational;
  readonly stages: number;
  /** steps a turn, whole */
  readonly steps: number;
  readonly mode: number;
  readonly teeth: number;
  /** divisions that do not come out even */
  readonly misses: readonly bigint[];
}

/** How many there are with so many stages, whatever the steps a turn; `trains` counts every order of its pairs and every mode. */
export interface EvenCount {
  readonly stages: number;
  readonly trains: bigint;
  /** the different numbers of steps a turn, over the divisions' least common multiple */
  readonly seen: Float64Array;
  /** driven products that were gone through */
  readonly products: number;
  readonly proven: boolean;
}

export interface DivisionsFound {
  readonly rows: readonly EvenRatio[];
  /** for every number of stages and mode the row of least teeth: what nothing beats is among these */
  readonly ofModes: readonly EvenRatio[];
  readonly counts: readonly EvenCount[];
}

/** Work between two breaths, in hands of drivers. */
const BREATH = 30_000;

const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1));

/** In how many orders a hand can be laid down, family by family. */
function orders(hand: Hand, pairs: readonly number[]): number {
  let out = pairs.reduce((n, count) => n * factorial(count), 1);
  for (const [i, wheel] of hand.entries())
    out /= hand.slice(0, i + 1).filter((w) => w.index === wheel.index).length;
  return out;
}

/** In how many orders pairs of the families and the parts of a shape can follow one another. */
function placings({ stages, pairs, parts }: Shape): number {
  let out = factorial(stages) / pairs.reduce((n, count) => n * factorial(count), 1);
  for (const part of new Set(parts)) out /= factorial(parts.filter((p) => p === part).length);
  return out;
}

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

/** The least-teeth rows of one number of stages, and for each mode the one of least teeth. */
class Rows {
  private readonly rows = new Map<string, EvenRatio>();
  private readonly perMode = new Map<number, EvenRatio>();
  private most = Infinity;

  private readonly count: number;
  private readonly tally: Tally;

  constructor(count: number, tally: Tally) {
    this.count = count;
    this.tally = tally;
  }

  /** A train of so many teeth, whose quotient of all modes is known. */
  offer(driven: number, drivers: number, shape: Shape, teeth: number, quotient: number): void {
    const chosen = this.tally.chosen(quotient);
    if (!chosen) return;
    const best = this.perMode.get(chosen.mode);
    const leads = !best || teeth < best.teeth || (teeth === best.teeth && chosen.steps < best.steps);
    if (teeth > this.most && !leads) return;
    const shared = commonFactor(driven, drivers);
    const ratio = mul(rational(driven / shared, drivers / shared), shape.partsRatio);
    const row: EvenRatio = { ratio, stages: shape.stages, teeth, ...chosen, misses: [] };
    if (leads) this.perMode.set(chosen.mode, row);
    if (teeth > this.most) return;
    const key = `${ratio.n}/${ratio.d}`;
    const known = this.rows.get(key);
    if (known && known.teeth <= teeth) return;
    this.rows.set(key, row);
    if (this.rows.size > 2 * this.count + 32) this.settle();
  }

  settle(): readonly EvenRatio[] {
    const sorted = [...this.rows.values()].sort(compareRows);
    for (const row of sorted.slice(this.count)) this.rows.delete(`${row.ratio.n}/${row.ratio.d}`);
    const kept = sorted.slice(0, this.count);
    if (kept.length === this.count) this.most = Math.min(this.most, kept.at(-1)!.teeth);
    return kept;
  }

  /** For every mode the row of least teeth. */
  get ofModes(): readonly EvenRatio[] {
    return [...this.perMode.values()];
  }
}

/** Fewest misses, fewest stages, least teeth, fewest steps, coarsest mode. (handbook: find) */
export const compareRows = (a: EvenRatio, b: EvenRatio): number =>
  a.misses.length - b.misses.length ||
  a.stages - b.stages ||
  a.teeth - b.teeth ||
  a.steps - b.steps ||
  a.mode - b.mode ||
  (a.ratio.n < b.ratio.n ? -1 : a.ratio.n > b.ratio.n ? 1 : 0);

/**
 * Every train of up to `maxStages` stages with which all the divisions come out even: N = S·A/B is a multiple of their least
 * common multiple L exactly when L·B divides S·A. Driven products that are multiples of what the motor does not bring are gone
 * through; the drivers must divide what is left. (handbook: find, divide)
 */
export function* searchEven(bench: Workbench, question: DivisionsQuestion): Search<DivisionsFound> {
  const divisor = lcm(question.divisions);
  const hands = new Hands(bench);
  const rows: EvenRatio[] = [];
  const ofModes: EvenRatio[] = [];
  const counts: EvenCount[] = [];
  let stopped = false;
  for (let stages = 1; stages <= question.maxStages; stages++) {
    const tally = new Tally(question, divisor);
    const kept = new Rows(question.count, tally);
    const shapes: readonly Shape[] = stopped ? [] : [...bench.shapes(stages)];
    for (const [i, shape] of shapes.entries()) {
      const gone = goThrough(bench, hands, shape, question, divisor, kept, tally);
      let step = gone.next(false);
      while (!step.done) {
        stopped = yield { stages, done: i + step.value, of: shapes.length };
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
      seen: Float64Array.from(tally.seen),
      products: tally.products,
      proven: !stopped,
    });
  }
  return { rows, ofModes, counts };
}

/** Counts trains and different numbers of steps a turn. */
class Tally {
  trains = 0n;
  products = 0;
  /** the steps a turn of the motor of which those of every mode are a part */
  readonly allModes: bigint;
  private readonly perMode: readonly { readonly mode: number; readonly part: number }[];
  private readonly low: number | null;
  private readonly high: number | null;
  private readonly divisor: number;
  /** steps a turn over the divisor that were met */
  readonly seen = new Set<number>();
  private readonly choices = new Map<number, { readonly steps: number; readonly mode: number } | null>();
  /** for a quotient of all modes: how many modes are still whole */
  private readonly whole = new Map<number, number>();
  private waiting = 0;

  constructor({ modes, fullSteps, steps: [low, high] }: DivisionsQuestion, divisor: bigint) {
    const ascending = [...modes].sort((a, b) => a - b);
    this.allModes = lcm(ascending.map((m) => BigInt(m * fullSteps)));
    this.perMode = ascending.map((mode) => ({ mode, part: Number(this.allModes) / (mode * fullSteps) }));
    this.low = low && Number((low.n + low.d - 1n) / low.d);
    this.high = high && Number(high.n / high.d);
    this.divisor = Number(divisor);
  }

  /** The coarsest mode with steps within the limits, and those steps; null when there is none. */
  chosen(quotient: number): { readonly steps: number; readonly mode: number } | null {
    let known = this.choices.get(quotient);
    if (known !== undefined) return known;
    known = null;
    for (const { mode, part } of this.perMode) {
      if (quotient % part !== 0) continue;
      const steps = (quotient / part) * this.divisor;
      if (this.low !== null && steps < this.low) continue;
      if (this.high === null || steps <= this.high) known = { steps, mode };
      break;
    }
    this.choices.set(quotient, known);
    return known;
  }

  /** Takes in `times` trains for every mode at which `quotient` of all modes is still whole. */
  add(quotient: number, times: number): void {
    let whole = this.whole.get(quotient);
    if (whole === undefined) {
      whole = 0;
      for (const { part } of this.perMode) {
        if (quotient % part !== 0) continue;
        whole++;
        this.seen.add(quotient / part);
      }
      this.whole.set(quotient, whole);
    }
    this.waiting += times * whole;
    if (this.waiting > 2 ** 48) this.flush();
  }

  flush(): void {
    this.trains += BigInt(this.waiting);
    this.waiting = 0;
  }
}

/** One shape: its driven products, and for each the drivers that divide what is left. Yields the part that is behind. */
function* goThrough(
  bench: Workbench,
  hands: Hands,
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
    : heldPairs(bench, hands, shape, rows, tally);
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
  const { values, ways, teeth } = bench.weighted(shape);
  const place = places(values);
  const placed = placings(shape);
  const fixed = shape.parts.reduce((n, p) => n + partTeeth(p), 0);
  return {
    driven: values,
    mostDrivers: values.at(-1) ?? 0,
    meet(a, i, b, quotient) {
      const j = place(b);
      if (j < 0) return;
      tally.add(quotient, placed * ways[i]! * ways[j]!);
      const sum = fixed + teeth[i]! + teeth[j]!;
      rows.offer(a, b, shape, sum, quotient);
    },
  };
}

/** Wheels of which there are so many: both sides must be on the bench at once. */
function heldPairs(bench: Workbench, hands: Hands, shape: Shape, rows: Rows, tally: Tally): Pairing {
  const { driven } = bench.products(shape).at(-1)!;
  const { drivers } = bench.products(shape)[0]!;
  const place = places(drivers);
  const limits = bench.kit.pair;
  const placed = placings(shape);
  const fixed = shape.parts.reduce((n, p) => n + partTeeth(p), 0);
  return {
    driven,
    mostDrivers: drivers.at(-1) ?? 0,
    meet(a, _i, b, quotient) {
      if (place(b) < 0) return;
      for (const pairs of hands.all(a, b, shape)) {
        const under = limits ? matchings(pairs, limits) : orders(pairs.drivers, shape.pairs);
        tally.add(quotient, placed * orders(pairs.driven, shape.pairs) * under);
        const sum = fixed + pairs.teeth;
        rows.offer(a, b, shape, sum, quotient);
      }
    },
  };
}
