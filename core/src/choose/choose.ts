import { compare, exactly, readDivisions, toNumber } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { stageWheels, type Search } from '../find/index.ts';
import { steeredCounts } from '../motion/index.ts';
import { undominated } from './better.ts';
import { reachOfStages, type Ending } from './bounds.ts';
import { candidateOf, chosenStages, driveWith, misfits, type Candidate } from './candidate.ts';
import { groupsOf, mayLand, type Group } from './groups.ts';
import { measureOf } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import { stagesHad, withSource, type StageChoice } from './stock.ts';
import { failing, outside, widest, type AskingId, type Window } from './window.ts';

/** A candidate with its values in the order of the measures. */
export interface Judged {
  readonly candidate: Candidate;
  readonly values: readonly (number | null)[];
}

/** What excludes a drive: an asking, what does not go together, the money, a step that is coarser than a count of its encoder. */
export type Why = AskingId | 'misfit' | 'spend' | 'coarse';
/** The family of drives that go by an encoder. */
export const ENCODER = 'encoder';

/** What was met of one kind of stage or source, and why none of it is among what nothing beats. */
export interface Met {
  /** drives of it that were judged */
  judged: number;
  /** what excluded others, and the least by which one was out */
  readonly out: Map<Why, { count: number; by: number }>;
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

/** Sequences looked at between two breaths. */
const BREATH = 32;
/** Errors of an ending are added in another order than those of a drive: the sums are one all the same. */
const ADDED = 1 + 1e-12;
/** With fewer drives than this all are judged: places of equal errors then rest on all of them. */
const FEW = 4_000;

/** How many sequences there are at most. */
export const sequences = ({ stages, maxStages }: Pick<ChooseRequest, 'stages' | 'maxStages'>): number =>
  Array.from({ length: maxStages + 1 }, (_, k) => stages.length ** k).reduce((a, b) => a + b, 0);

/**
 * Of every source, mode and sequence of stages the drives that nothing beats. Sequences grow from the work towards the source, few stages
 * first; where a drive that was judged beats whatever ends so, no more of it is looked at. At every breath `peek` may ask what nothing
 * beats so far. (handbook: choose)
 */
export function* choose(
  request: ChooseRequest,
  peek: (soFar: () => Chosen) => void = () => undefined,
): Search<Chosen> {
  const run = new Choosing(request);
  const soFar = (): Chosen => run.chosen(false);
  for (const of of run.groups) {
    let open: readonly Ending[] = [of.bounds.whole];
    run.judge(of, of.bounds.whole);
    for (let stages = 1; stages <= request.maxStages; stages++) {
      const next: Ending[] = [];
      let breath = 0;
      for (const [done, ending] of open.entries()) {
        if (run.beaten(ending)) continue;
        for (const stage of request.stages) {
          const longer = run.longer(of, stage, ending, request.maxStages - stages);
          if (longer) next.push(longer);
          if (++breath % BREATH !== 0) continue;
          peek(soFar);
          if (yield { stages, done, of: open.length }) return soFar();
        }
      }
      open = next;
    }
  }
  return run.chosen(true);
}

class Choosing {
  readonly groups: readonly Group[];
  private readonly judged: Judged[] = [];
  private readonly families = new Map<string, Met>();
  private readonly window: Window;
  private readonly all: boolean;
  private considered = 0;
  private bounded = 0;
  /** what beats others: judged drives that no other judged one beats outright */
  private leaders: Judged[] = [];
  private readonly request: ChooseRequest;
  /** what one more stage multiplies by */
  private readonly counts: readonly number[];
  private readonly reach: { readonly least: number; readonly most: number };

  constructor(request: ChooseRequest) {
    this.request = request;
    this.groups = groupsOf(request);
    const windows = this.groups.flatMap((g) => g.windows);
    this.window = widest(windows.flatMap(({ source, of }) => source.modes.map(of)));
    const counts = readDivisions(request.wanted.job.divisions);
    this.counts = counts.ok ? counts.value : [];
    this.all = sequences(request) * request.sources.reduce((n, s) => n + s.modes.length, 0) <= FEW;
    this.reach = reachOfStages(request.stages);
    for (const { stage } of request.stages) this.family(stage.kind);
    for (const { source } of request.sources) this.family(source.kind);
    if (request.sources.some((s) => s.encoder)) this.family(ENCODER);
  }

  /** Whether a drive that was judged is better than all that end so; or as good as any, and of fewer stages. */
  beaten({ stages, least }: Ending): boolean {
    if (this.all || !this.beats(least, (leader) => chosenStages(leader).length < stages.length)) return false;
    this.bounded++;
    return true;
  }

  /** Judges what one stage more makes; null where nothing need stand before that. */
  longer(of: Group, stage: StageChoice, ending: Ending, more: number): Ending | null {
    const quick = of.bounds.before(stage, ending);
    if (!quick) return null;
    const ratio = Math.abs(toNumber(quick.ratio));
    const { least, most } = this.reach;
    if (!this.all && (ratio * least ** more > this.window.to || ratio * most ** more < this.window.from))
      return null;
    if (this.beaten(quick)) return null;
    const longer = of.bounds.withOwn(quick, ending);
    if (longer !== quick && this.beaten(longer)) return null;
    this.judge(of, longer);
    return longer;
  }

  /** Whether one that was judged is better than anything of at least these values; or as good, and simpler. */
  private beats(bounds: readonly (number | null)[], isSimpler: (leader: Drive) => boolean): boolean {
    return this.leaders.some((leader) => {
      let better = false;
      for (const [i, value] of leader.values.entries()) {
        const [own, bound] = [value ?? Infinity, bounds[i] ?? Infinity];
        if (own > bound * ADDED) return false;
        const alike = measureOf(this.request.measures[i]!).alike ?? 0;
        if (own < Infinity && own + Math.abs(own) * alike < bound) better = true;
      }
      return better || isSimpler(leader.candidate.drive);
    });
  }

  /** Judges every source and mode before these stages. */
  judge({ windows, steered }: Group, { stages, taken, ratio, least }: Ending): void {
    const { wanted, stock, spendAtMost } = this.request;
    const had = stagesHad(taken, stock);
    const turns = Math.abs(toNumber(ratio));
    for (const { source, of } of windows) {
      const kinds = [
        ...new Set([...stages.map((s) => s.stage.kind), source.source.kind, ...(steered ? [ENCODER] : [])]),
      ];
      const to = withSource(had, source);
      if (spendAtMost !== undefined && to.buy && compare(to.buy, exactly(spendAtMost)) > 0) {
        this.out(kinds, 'spend', toNumber(to.buy));
        continue;
      }
      for (const mode of source.modes) {
        const beyond = outside(of(mode), turns);
        if (beyond) {
          this.out(kinds, beyond.asking, beyond.by);
          continue;
        }
        if (source.plates && !mayLand(source.plates, ratio, this.counts)) {
          this.out(kinds, 'counts', 1);
          continue;
        }
        const drive = driveWith(
          wanted,
          source,
          mode,
          stages.map((s) => s.stage),
        );
        const candidate = candidateOf(drive, to);
        if (steered && !steeredCounts(drive, candidate.of.k)) this.out(kinds, 'coarse', 0);
        else this.judgeOne(candidate, kinds, least);
      }
    }
  }

  private judgeOne(candidate: Candidate, kinds: readonly string[], least: readonly number[]): void {
    const { measures } = this.request;
    if (misfits(candidate.drive)) return this.out(kinds, 'misfit', 0);
    const fails = failing(candidate.of);
    if (fails) return this.out(kinds, fails.asking, fails.by);
    this.considered++;
    for (const kind of kinds) this.family(kind).judged++;
    if (!this.all) {
      // what is cheap to reckon first: with that alone most are beaten
      const bounds = measures.map((id, i) => (measureOf(id).dear ? least[i]! : measureOf(id).of(candidate)));
      if (this.beats(bounds, (leader) => simpler(leader, candidate.drive) < 0)) return;
    }
    const values = measures.map((id) => measureOf(id).of(candidate));
    // its figures are made again if it is shown: thousands of them would fill the memory
    const one = { candidate: candidateOf(candidate.drive, candidate.to), values };
    this.judged.push(one);
    if (this.all || this.leaders.some((l) => asGood(l, one))) return;
    this.leaders = this.leaders.filter((l) => !asGood(one, l));
    this.leaders.push(one);
  }

  chosen(proven: boolean): Chosen {
    const { best, equal } = undominated(this.judged, this.request.measures, (a, b) =>
      simpler(a.candidate.drive, b.candidate.drive),
    );
    return {
      best,
      equal,
      considered: this.considered,
      bounded: this.bounded,
      window: this.window,
      families: this.families,
      proven,
    };
  }

  private family(kind: string): Met {
    const known = this.families.get(kind) ?? { judged: 0, out: new Map() };
    this.families.set(kind, known);
    return known;
  }

  private out(kinds: readonly string[], why: Why, by: number): void {
    for (const kind of kinds) {
      const { out } = this.family(kind);
      const known = out.get(why) ?? { count: 0, by: Infinity };
      known.count++;
      known.by = Math.min(known.by, by);
      out.set(why, known);
    }
  }
}

/** In every measure no worse, the figures as they are. */
const asGood = (a: Judged, b: Judged): boolean =>
  a.values.every((v, i) => (v ?? Infinity) <= (b.values[i] ?? Infinity));

/** Of drives that are as good as one another: fewest stages, then fewest teeth, then by their names. */
export function simpler(x: Drive, y: Drive): number {
  return (
    chosenStages(x).length - chosenStages(y).length ||
    teethOf(x) - teethOf(y) ||
    (x.name < y.name ? -1 : x.name > y.name ? 1 : 0)
  );
}

const teethOf = (drive: Drive): number =>
  chosenStages(drive).reduce((n, stage) => n + stageWheels(stage).reduce((m, z) => m + z, 0), 0);
