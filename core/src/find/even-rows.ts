import { lcm, mul, rational, type Rational } from '../numbers/index.ts';
import { commonFactor } from './divisors.ts';
import type { Shape } from './kit.ts';
import type { Share } from './ratio-question.ts';

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

/** Fewest misses, fewest stages, least teeth, fewest steps, coarsest mode. (handbook: find) */
export const compareRows = (a: EvenRatio, b: EvenRatio): number =>
  a.misses.length - b.misses.length ||
  a.stages - b.stages ||
  a.teeth - b.teeth ||
  a.steps - b.steps ||
  a.mode - b.mode ||
  (a.ratio.n < b.ratio.n ? -1 : a.ratio.n > b.ratio.n ? 1 : 0);

/** The least-teeth rows of one number of stages, and for each mode the one of least teeth. */
export class Rows {
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

/** Counts sets of wheels within the limits, and different numbers of steps a turn. */
export class Tally {
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
  /** there are trains whose steps no mode brings within the limits */
  outside = false;
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

  /** Takes in `times` trains of a quotient of all modes: those that some mode brings within the limits count. */
  add(quotient: number, times: number): void {
    const chosen = this.chosen(quotient);
    if (!chosen) {
      this.outside = true;
      return;
    }
    this.seen.add(chosen.steps / this.divisor);
    this.waiting += times;
    if (this.waiting > 2 ** 48) this.flush();
  }

  flush(): void {
    this.trains += BigInt(this.waiting);
    this.waiting = 0;
  }
}
