import { abs, gcd, lcm, mul, ONE, readDivisions, toNumber, type Rational } from '../numbers/index.ts';
import { kindOf, sourceKindOf } from '../drive/index.ts';
import { doubtOfStages, isSure } from '../motion/index.ts';
import { errorsOfAll, locks, StageErrors } from './endings.ts';
import { largestOf, measureOf, partsOf } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import { stagesHad, takenBy, type StageChoice } from './stock.ts';

/** Counts by which an ending is bounded: any of them bounds, and all of a long list are slow. */
const COUNTS = 40;

/** What an encoder that a drive goes by leaves of its counts. */
export interface Left {
  /** ″ */
  readonly error: number;
  readonly grade: number;
}

/** The last stages of a drive, the first of them first, with what all drives that end so have in common. */
export interface Ending {
  readonly stages: readonly StageChoice[];
  readonly taken: ReadonlyMap<string, number>;
  readonly ratio: Rational;
  /** what its stages err, of each count the sum, ″; none while no measure asks for it */
  readonly errors: readonly number[];
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
  /** a count has a prime that nothing can bring: not all of them land, whatever the train */
  private readonly lacks: boolean;
  private readonly own: ReadonlyMap<StageChoice, StageErrors>;
  /** something rests at places of its own: what stands before it is told by no ratio */
  private readonly locked: boolean;
  /** of drives that go by an encoder: what it leaves, whatever stands before it */
  private readonly left: Left | null;
  readonly whole: Ending;

  constructor(request: ChooseRequest, left: Left | null = null) {
    const kept = request.wanted.train.stages;
    this.request = request;
    const read = readDivisions(request.wanted.job.divisions);
    const dear = request.measures.some((id) => measureOf(id).dear);
    this.left = left;
    this.counts =
      !dear || left ? [] : read.ok && read.value.length > 0 ? read.value.slice(0, COUNTS) : [null];
    this.keptSure = isSure(doubtOfStages(kept));
    this.sure = new Map(request.stages.map((s) => [s, isSure(doubtOfStages([s.stage]))]));
    const [source] = request.sources;
    this.own = new Map(
      request.stages.map((s) => [s, new StageErrors(request.wanted, source!.source, s.stage, this.counts)]),
    );
    this.locked = [...kept, ...request.stages.map((s) => s.stage)].some(locks);
    this.brought = broughtBy(request);
    this.lacks =
      read.ok && this.brought !== null && read.value.some((c) => !divides(BigInt(c), this.brought!));
    const ratio = kept.reduce((r, s) => mul(r, kindOf(s).reduction(s)), ONE);
    const errors = errorsOfAll(request.wanted, source!.source, kept, this.counts);
    this.whole = this.made([], new Map(), ratio, errors);
  }

  /** An ending with one stage more before it; null when there are not so many of it. What it errs by itself is left to `withOwn`. */
  before(stage: StageChoice, ending: Ending): Ending | null {
    const stages = [stage, ...ending.stages];
    const taken = takenBy(stages, this.request.stock);
    if (!taken) return null;
    const ratio = mul(kindOf(stage.stage).reduction(stage.stage), ending.ratio);
    return this.made(stages, taken, ratio, ending.errors);
  }

  /** The same with what its first stage errs by itself; that takes longer. */
  withOwn(ending: Ending, behind: Ending): Ending {
    if (this.counts.length === 0 || this.locked) return ending;
    const own = this.own.get(ending.stages[0]!)!.behind(behind.ratio);
    return this.made(
      ending.stages,
      ending.taken,
      ending.ratio,
      ending.errors.map((e, i) => e + own[i]!),
    );
  }

  private made(
    stages: Ending['stages'],
    taken: Ending['taken'],
    ratio: Rational,
    errors: readonly number[],
  ): Ending {
    const { wanted, stock, measures } = this.request;
    const all = [...stages.map((s) => s.stage), ...wanted.train.stages];
    const least = {
      error: this.left?.error ?? Math.max(0, ...errors),
      never: this.never(ratio),
      grade: this.left?.grade ?? null,
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
      errors,
      least: measures.map((id) => {
        const { needs, least: of } = measureOf(id);
        return needs?.(wanted) === false ? Infinity : (of?.(least) ?? -Infinity);
      }),
    };
  }

  /** Whether a ratio divides by a prime that nothing can bring: then nothing lands. */
  private never({ d }: Rational): boolean {
    return this.brought !== null && (this.lacks || !divides(d, this.brought));
  }
}

/** Whether every prime of a number is one of another's. */
function divides(n: bigint, of: bigint): boolean {
  for (let shared = gcd(n, of); shared > 1n; shared = gcd(n, of)) n /= shared;
  return n === 1n;
}

/** Every prime that can come into the steps of a turn from a source, a mode or a stage, at least once. */
function broughtBy({ sources, stages, wanted }: ChooseRequest): bigint | null {
  // holes of a plate bring primes of their own, an encoder has those of its lines
  if (sources.some((s) => s.plates ?? s.encoder)) return null;
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
