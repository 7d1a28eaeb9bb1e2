import { abs, compare, exactly, mul, ONE, toNumber, type Rational } from '../numbers/index.ts';
import { kindOf, type Drive } from '../drive/index.ts';
import { stageWheels, type Search } from '../find/index.ts';
import { undominated } from './better.ts';
import {
  candidateOf,
  chosenStages,
  driveOf,
  inMode,
  misfits,
  stagesHad,
  takenBy,
  withSource,
  type Candidate,
  type Had,
} from './candidate.ts';
import { endingError } from './endings.ts';
import { measureOf, partsOf, type Ending } from './measures.ts';
import type { ChooseRequest, SourceChoice, StageChoice } from './request.ts';
import { failing, widest, windowsOf, type AskingId, type Window } from './window.ts';

/** A candidate with its values in the order of the measures. */
export interface Judged {
  readonly candidate: Candidate;
  readonly values: readonly (number | null)[];
}

/** What was met of one kind of stage or source, and why none of it is among what nothing beats. */
export interface Met {
  /** drives of it that were judged */
  judged: number;
  /** what excluded others, and the least by which one was out */
  readonly out: Map<AskingId | 'misfit' | 'spend', { count: number; by: number }>;
}

export interface Chosen {
  readonly best: readonly Judged[];
  readonly equal: number;
  /** drives whose reduction lies in the window of their source and mode */
  readonly considered: number;
  /** endings that nothing before them could have brought among the best */
  readonly bounded: number;
  readonly window: Window;
  readonly families: ReadonlyMap<string, Met>;
  readonly proven: boolean;
}

/** Drives looked at between two breaths. */
const BREATH = 16;
/** With fewer sequences than this all are judged: places of equal errors then rest on all of them. */
const FEW = 4_000;

/** How many sequences there are at most. */
export const sequences = ({ stages, maxStages }: Pick<ChooseRequest, 'stages' | 'maxStages'>): number =>
  Array.from({ length: maxStages + 1 }, (_, k) => stages.length ** k).reduce((a, b) => a + b, 0);

/**
 * Of every source, mode and sequence of stages the drives that nothing beats. Sequences grow from the work towards the source: what the
 * stages behind err, cost and hold, all that stand before them do too, so where a drive that was judged is better already in that, no
 * more of them need be judged. (handbook: choose)
 */
export function* choose(request: ChooseRequest): Search<Chosen> {
  const run = new Choosing(request);
  const total = Math.max(1, request.stages.length);
  let [stopped, done, breath] = [false, 0, 0];
  for (const { sequence, place } of run.sequences()) {
    done = place;
    run.judge(sequence);
    if (++breath % BREATH !== 0) continue;
    stopped = yield { stages: sequence.length, done, of: total };
    if (stopped) break;
  }
  return run.chosen(!stopped);
}

class Choosing {
  private readonly judged: Judged[] = [];
  private readonly families = new Map<string, Met>();
  private readonly windows: readonly {
    readonly source: SourceChoice;
    readonly of: (mode: number) => Window;
  }[];
  private readonly bounds: boolean;
  private considered = 0;
  private bounded = 0;
  /** what beats others: judged drives that no other judged one beats outright */
  private leaders: Judged[] = [];
  private readonly request: ChooseRequest;
  private readonly keptRatio: Rational;

  constructor(request: ChooseRequest) {
    this.request = request;
    this.windows = request.sources.map((source) => ({ source, of: windowsOf(request.wanted, source) }));
    this.bounds = sequences(request) * modesOf(request) > FEW;
    this.keptRatio = request.wanted.train.stages.reduce((r, s) => mul(r, kindOf(s).reduction(s)), ONE);
    for (const { stage } of request.stages) this.family(stage.kind);
    for (const { source } of request.sources) this.family(source.kind);
  }

  /** Every sequence within what there is, grown from the work on; none behind an ending that is beaten. */
  *sequences(): Generator<{ readonly sequence: readonly StageChoice[]; readonly place: number }> {
    const { stages, maxStages } = this.request;
    yield { sequence: [], place: 0 };
    // few stages first, so that there are good ones early to bound by
    for (let length = 1; length <= maxStages; length++)
      for (const [place, last] of stages.entries())
        for (const sequence of this.before([last], length - 1)) yield { sequence, place };
  }

  private *before(ending: readonly StageChoice[], more: number): Generator<readonly StageChoice[]> {
    if (!takenBy(ending, this.request.stock)) return;
    if (this.bounds && this.beaten(ending)) {
      this.bounded++;
      return;
    }
    if (more === 0) {
      yield ending;
      return;
    }
    for (const stage of this.request.stages) yield* this.before([stage, ...ending], more - 1);
  }

  /** Whether a drive that was judged is better than all that end so. */
  private beaten(ending: readonly StageChoice[]): boolean {
    if (this.leaders.length === 0) return false;
    const { measures, stock } = this.request;
    const least = this.leastOf(ending, stagesHad(takenBy(ending, stock)!, stock));
    const bounds = measures.map((id) => measureOf(id).least?.(least) ?? -Infinity);
    return this.leaders.some(({ values }) => {
      let better = false;
      for (const [i, bound] of bounds.entries()) {
        const value = values[i]!;
        if (value === null || value > bound) return false;
        const alike = measureOf(measures[i]!).alike ?? 0;
        if (value + Math.abs(value) * alike < bound) better = true;
      }
      return better;
    });
  }

  private leastOf(ending: readonly StageChoice[], had: Had): Ending {
    const { wanted, sources } = this.request;
    const stages = ending.map((s) => s.stage);
    return {
      error: endingError(wanted, sources[0]!.source, [...stages, ...wanted.train.stages]),
      had,
      stages: ending.length,
      parts: partsOf([...stages, ...wanted.train.stages]),
    };
  }

  /** Judges every source and mode before a sequence. */
  judge(sequence: readonly StageChoice[]): void {
    const { wanted, stock, measures, spendAtMost } = this.request;
    const taken = takenBy(sequence, stock);
    if (!taken) return;
    const had = stagesHad(taken, stock);
    const ratio = toNumber(
      abs(sequence.reduce((r, { stage }) => mul(r, kindOf(stage).reduction(stage)), this.keptRatio)),
    );
    for (const { source, of } of this.windows) {
      const kinds = [...new Set([...sequence.map((s) => s.stage.kind), source.source.kind])];
      const to = withSource(had, source);
      if (spendAtMost !== undefined && to.buy && compare(to.buy, exactly(spendAtMost)) > 0) {
        for (const kind of kinds) this.out(kind, 'spend', toNumber(to.buy));
        continue;
      }
      for (const mode of source.modes) {
        const window = of(mode);
        if (ratio < window.from || ratio > window.to) {
          const bound = window.because.find(
            (b) => !b.soft && (ratio < (b.from ?? 0) || ratio > (b.to ?? Infinity)),
          )!;
          for (const kind of kinds)
            this.out(kind, bound.asking, ratio < (bound.from ?? 0) ? bound.from! / ratio : ratio / bound.to!);
          continue;
        }
        const drive = driveOf(
          wanted,
          inMode(source, mode),
          sequence.map((s) => s.stage),
        );
        const candidate = candidateOf(drive, to);
        if (misfits(candidate.drive)) {
          for (const kind of kinds) this.out(kind, 'misfit', 0);
          continue;
        }
        const fails = failing(candidate.report);
        if (fails) {
          for (const kind of kinds) this.out(kind, fails.asking, fails.by);
          continue;
        }
        this.considered++;
        for (const kind of kinds) this.family(kind).judged++;
        const one = { candidate, values: measures.map((id) => measureOf(id).of(candidate)) };
        this.judged.push(one);
        if (this.bounds && !this.leaders.some((l) => asGood(l, one))) {
          this.leaders = this.leaders.filter((l) => !asGood(one, l));
          this.leaders.push(one);
        }
      }
    }
  }

  chosen(proven: boolean): Chosen {
    const { best, equal } = undominated(this.judged, this.request.measures, simpler);
    const windows = this.windows.flatMap(({ source, of }) => source.modes.map(of));
    return {
      best,
      equal,
      considered: this.considered,
      bounded: this.bounded,
      window: widest(windows),
      families: this.families,
      proven,
    };
  }

  private family(kind: string): Met {
    const known = this.families.get(kind) ?? { judged: 0, out: new Map() };
    this.families.set(kind, known);
    return known;
  }

  private out(kind: string, why: AskingId | 'misfit' | 'spend', by: number): void {
    const { out } = this.family(kind);
    const known = out.get(why) ?? { count: 0, by: Infinity };
    known.count++;
    known.by = Math.min(known.by, by);
    out.set(why, known);
  }
}

const modesOf = ({ sources }: ChooseRequest): number => sources.reduce((n, s) => n + s.modes.length, 0);

/** In every measure no worse, the figures as they are. */
const asGood = (a: Judged, b: Judged): boolean =>
  a.values.every((v, i) => (v ?? Infinity) <= (b.values[i] ?? Infinity));

/** Of drives that are as good as one another: fewest stages, then fewest teeth, then by their names. */
export function simpler({ candidate: { drive: x } }: Judged, { candidate: { drive: y } }: Judged): number {
  return (
    chosenStages(x).length - chosenStages(y).length ||
    teethOf(x) - teethOf(y) ||
    (x.name < y.name ? -1 : x.name > y.name ? 1 : 0)
  );
}

const teethOf = (drive: Drive): number =>
  chosenStages(drive).reduce((n, stage) => n + stageWheels(stage).reduce((m, z) => m + z, 0), 0);
