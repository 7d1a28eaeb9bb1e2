import { abs, gcd, lcm, mul, ONE, readDivisions, toNumber, type Rational } from '../numbers/index.ts';
import { kindOf, sourceKindOf } from '../drive/index.ts';
import { doubtOfStages, isSure } from '../motion/index.ts';
import { endingError } from './endings.ts';
import { largestOf, measureOf, partsOf } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import { stagesHad, takenBy, type StageChoice } from './stock.ts';

/** The last stages of a drive, the first of them first, with what all drives that end so have in common. */
export interface Ending {
  readonly stages: readonly StageChoice[];
  readonly taken: ReadonlyMap<string, number>;
  readonly ratio: Rational;
  /** the count that its stages err most in; null where they err in none, and for following */
  readonly worstCount: number | null;
  /** of each measure the least that such a drive can have */
  readonly least: readonly number[];
}

/**
 * What is known of every drive with an ending, whatever stands before it: the errors of its stages, what they cost, whether the steps of
 * a turn can be whole. No drive with that ending has less, so a drive that is better already beats them all. (handbook: choose, proof)
 */
export class Bounds {
  private readonly request: ChooseRequest;
  private readonly counts: readonly (number | null)[];
  private readonly keptSure: boolean;
  private readonly sure: ReadonlyMap<StageChoice, boolean>;
  /** what sources and stages can bring to the steps of a turn, all multiplied; null where something divides without steps */
  private readonly brought: bigint | null;
  private readonly dear: boolean;
  readonly whole: Ending;

  constructor(request: ChooseRequest) {
    const kept = request.wanted.train.stages;
    this.request = request;
    const read = readDivisions(request.wanted.job.divisions);
    this.counts = read.ok && read.value.length > 0 ? read.value : [null];
    this.keptSure = isSure(doubtOfStages(kept));
    this.sure = new Map(request.stages.map((s) => [s, isSure(doubtOfStages([s.stage]))]));
    this.brought = broughtBy(request);
    this.dear = request.measures.some((id) => measureOf(id).dear);
    const ratio = kept.reduce((r, s) => mul(r, kindOf(s).reduction(s)), ONE);
    this.whole = this.made([], new Map(), ratio, this.counts);
  }

  /** An ending with one stage more before it; null when there are not so many of it. `quick`: by the count that the ending errs most in alone, which bounds as well. */
  before(stage: StageChoice, ending: Ending, quick: boolean): Ending | null {
    const stages = [stage, ...ending.stages];
    const taken = takenBy(stages, this.request.stock);
    if (!taken) return null;
    const counts = quick && ending.worstCount !== null ? [ending.worstCount] : this.counts;
    return this.made(stages, taken, mul(kindOf(stage.stage).reduction(stage.stage), ending.ratio), counts);
  }

  private made(
    stages: Ending['stages'],
    taken: Ending['taken'],
    ratio: Rational,
    counts: Bounds['counts'],
  ): Ending {
    const { wanted, sources, stock, measures } = this.request;
    const all = [...stages.map((s) => s.stage), ...wanted.train.stages];
    const { worst, of: worstOf } = this.dear
      ? endingError(wanted, sources[0]!.source, all, counts)
      : { worst: 0, of: null };
    const least = {
      error: worst,
      never: this.never(ratio),
      sure: this.keptSure && stages.every((s) => this.sure.get(s)),
      had: stagesHad(taken, stock),
      stages: stages.length,
      parts: partsOf(all),
      size: Math.max(0, ...all.map(largestOf)),
    };
    return {
      stages,
      taken,
      ratio,
      worstCount: worst > 0 ? worstOf : null,
      least: measures.map((id) => {
        const { needs, least: of } = measureOf(id);
        return needs?.(wanted) === false ? Infinity : (of?.(least) ?? -Infinity);
      }),
    };
  }

  /** Whether a ratio divides by a prime that nothing can bring: then nothing lands. */
  private never({ d }: Rational): boolean {
    if (!this.brought) return false;
    for (let shared = gcd(d, this.brought); shared > 1n; shared = gcd(d, this.brought)) d /= shared;
    return d > 1n;
  }
}

/** Every prime that can come into the steps of a turn from a source, a mode or a stage, at least once. */
function broughtBy({ sources, stages, wanted }: ChooseRequest): bigint | null {
  const steps = sources.map(({ source }) => sourceKindOf(source).fullSteps(source));
  const all = [...stages.map((s) => s.stage), ...wanted.train.stages];
  if (steps.some((s) => s === null) || all.some((s) => kindOf(s).locks)) return null;
  return lcm([
    ...sources.flatMap(({ modes }, i) => modes.map((m) => BigInt(m * steps[i]!))),
    ...all.map((s) => abs(kindOf(s).reduction(s)).n),
  ]);
}

/** The least and most that one more stage of a pool multiplies a reduction by. */
export function reachOfStages(stages: readonly StageChoice[]): {
  readonly least: number;
  readonly most: number;
} {
  const ratios = stages.map(({ stage }) => Math.abs(toNumber(kindOf(stage).reduction(stage))));
  return { least: Math.min(1, ...ratios), most: Math.max(1, ...ratios) };
}
