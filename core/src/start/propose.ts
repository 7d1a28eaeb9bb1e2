import { toNumber } from '../numbers/index.ts';
import { kindOf, outputKindOf, sourceKindOf, type Drive, type Output, type Stage } from '../drive/index.ts';
import type { Search } from '../find/index.ts';
import { doubtOfStages, isSure } from '../motion/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import {
  candidateOf,
  driveOf,
  hadBy,
  inMode,
  misfits,
  windowsOf,
  type Candidate,
  type SourceChoice,
  type StageChoice,
  type StockOf,
  type Window,
} from '../choose/index.ts';
import { isAim } from './aims/index.ts';
import { axesOf, axisDrive, freeAfter, withAxis } from './axes.ts';
import { failing, isBuilt, isRough, mainOf, type BuiltAim } from './figures.ts';
import { NO_PROPOSALS, type Proposals, type Proposed } from './proposed.ts';
import { proposeTrains } from './trains.ts';
import { byHand, firstPool, outputsFor } from './pool.ts';

/** Drives judged between two breaths. */
const BREATH = 4;
/** What falls short of what is asked by no more is shown, and says by how much. */
const NEAR = 0.8;
/** Stages of a first drive, beside a head at hand. */
export const FIRST_STAGES = 2;

/** What comes before how much it takes: whether it does it, whether that is known, whether it runs smoothly. */
const SORTS = 3;
/** So many times over what is asked is as good as more. */
const PLENTY = 3;

/** What must be bought and has no price. */
function lacking(list: readonly StageChoice[], stock: StockOf, source: SourceChoice): readonly string[] {
  const parts = list.filter((c) =>
    c.takes.some((k) => {
      const { own = 0, wheels = 0, price } = stock.get(k) ?? {};
      return own === 0 && wheels === 0 && price === undefined;
    }),
  );
  return [
    ...(source.own === 0 && source.price === undefined
      ? [sourceKindOf(source.source).title.toLowerCase()]
      : []),
    ...parts.map(({ stage }) => `${kindOf(stage).short} ${kindOf(stage).label(stage)}`),
  ];
}

interface Best {
  readonly rank: readonly number[];
  readonly proposed: Proposed;
  /** it does all that is asked, known and smoothly: what is made of it and more is only more work */
  readonly settled: boolean;
}

/** The kinds that a drive is made of. */
interface Family {
  readonly output: string;
  readonly source: string;
  readonly stages: readonly string[];
}
const keyOf = (f: Family): string => JSON.stringify([f.output, f.source, [...f.stages].sort()]);

/** Is one made of the other and more, whatever drives it? Then it is only more work. */
function isMore(of: Family, than: Family): boolean {
  if (of.output !== than.output || of.stages.length <= than.stages.length) return false;
  const rest = [...of.stages];
  return than.stages.every((kind) => {
    const at = rest.indexOf(kind);
    if (at >= 0) rest.splice(at, 1);
    return at >= 0;
  });
}

/** Whether a reduction leaves nothing to wish for, but that its divisions may land: what is only poorer is no first choice. */
const fits = ({ because }: Window, turns: number): boolean =>
  because.every((b) => b.asking === 'tolerance' || (turns >= (b.from ?? 0) && turns <= (b.to ?? Infinity)));

const before = (a: readonly number[], b: readonly number[]): number => {
  const at = a.findIndex((n, i) => n !== b[i]);
  return at < 0 ? 0 : a[at]! - b[at]!;
};

/**
 * The ways in which a job can be done, the simplest first: of each family of kinds the drive with the fewest parts to get that does it. A
 * family that holds another that does it already is left out. (handbook: choose, first questions)
 */
export function* propose(
  drive: Drive,
  shelf: readonly ShelfPart[],
  free: (part: ShelfPart) => number,
  maxStages = FIRST_STAGES,
): Search<Proposals> {
  let all = yield* proposeOne(drive, shelf, free, maxStages);
  for (const at of axesOf(drive))
    all = withAxis(all, yield* proposeOne(axisDrive(drive, at), shelf, freeAfter(all, free), maxStages), at);
  return all;
}

/** The same for the first axis alone. */
function* proposeOne(
  drive: Drive,
  shelf: readonly ShelfPart[],
  free: (part: ShelfPart) => number,
  maxStages: number,
): Search<Proposals> {
  const aim = drive.start?.aim;
  if (!isAim(aim)) return NO_PROPOSALS;
  if (!isBuilt(aim)) return yield* proposeTrains(drive, shelf);
  const run = new Proposing(drive, aim);
  const pool = firstPool(drive, shelf, free);
  const outputs = outputsFor(drive);
  for (let stages = 0; stages <= maxStages; stages++) {
    const sequences = stages === 0 ? [[]] : sequencesOf(pool.stages, stages);
    let breath = 0;
    for (const [done, list] of sequences.entries())
      for (const output of outputs)
        for (const source of stages === 0 ? [...byHand(drive), ...pool.sources] : pool.sources) {
          if (!run.judge(output, source, list, pool.stock)) continue;
          if (++breath % BREATH === 0 && (yield { stages, done, of: sequences.length }))
            return run.proposals(false);
        }
  }
  return run.proposals(true);
}

function sequencesOf(choices: readonly StageChoice[], length: number): readonly (readonly StageChoice[])[] {
  if (length === 0) return [[]];
  return sequencesOf(choices, length - 1).flatMap((rest) => choices.map((c) => [c, ...rest]));
}

class Proposing {
  private readonly best = new Map<string, { readonly family: Family; best: Best }>();
  private readonly windows = new Map<string, Window>();
  private judged = 0;
  private readonly wanted: Drive;
  private readonly aim: BuiltAim;

  constructor(wanted: Drive, aim: BuiltAim) {
    this.aim = aim;
    const kept = wanted.train.stages.filter((s) => s.kept);
    this.wanted = { ...wanted, train: { ...wanted.train, stages: kept } };
  }

  /** Judges one drive; false where it need not be looked at. */
  judge(output: Output, source: SourceChoice, list: readonly StageChoice[], stock: StockOf): boolean {
    const family: Family = {
      output: output.kind,
      source: source.source.kind,
      stages: list.map((c) => c.stage.kind),
    };
    for (const { family: known, best } of this.best.values())
      if (best.settled && isMore(family, known)) return false;
    const had = hadBy(list, stock, source);
    if (!had) return false;
    const rank = [
      list.length,
      had.make,
      had.buy === null ? 1 : 0,
      had.buy ? toNumber(had.buy) : 0,
      source.own > 0 ? 0 : 1,
    ];
    const known = this.best.get(keyOf(family))?.best;
    if (known?.settled && before(rank, known.rank.slice(SORTS)) > 0) return false;
    const wanted = { ...this.wanted, train: { ...this.wanted.train, output } };
    const stages: readonly Stage[] = list.map((c) => c.stage);
    const mode = source.modes[0]!;
    const made = driveOf(wanted, inMode(source, mode), stages);
    if (misfits(made)) return false;
    const turns = [...stages, ...wanted.train.stages].reduce(
      (r, s) => r * Math.abs(toNumber(kindOf(s).reduction(s))),
      1,
    );
    if (!outputKindOf(output).hinge && !fits(this.windowOf(wanted, source, mode), turns)) return false;
    this.put(family, candidateOf(made, had), rank, lacking(list, stock, source));
    return true;
  }

  private put(family: Family, candidate: Candidate, rank: readonly number[], lacks: readonly string[]): void {
    this.judged++;
    const main = mainOf(this.aim, candidate);
    if ((main.reach ?? 1) < NEAR) return;
    const meets = (main.reach ?? 1) >= 1 && failing(candidate.report).length === 0;
    const near = !meets && main.reach !== null && main.reach >= NEAR && main.reach < 1;
    if (!meets && !near) return;
    const { drive, to } = candidate;
    const known = isSure(doubtOfStages(drive.train.stages)) && main.reach !== null;
    const rough = isRough(candidate.report);
    const sort = [Number(!meets), Number(!known), Number(rough)] satisfies number[] & {
      length: typeof SORTS;
    };
    const best: Best = {
      rank: [...sort, ...rank, -Math.min(main.reach ?? 0, PLENTY)],
      proposed: { drive, had: to, lacks, meets },
      settled: meets && known && !rough,
    };
    const key = keyOf(family);
    const before_ = this.best.get(key);
    if (!before_) this.best.set(key, { family, best });
    else if (before(best.rank, before_.best.rank) < 0) before_.best = best;
  }

  private windowOf(wanted: Drive, source: SourceChoice, mode: number): Window {
    const key = JSON.stringify([wanted.train.output.kind, source.source, mode]);
    const window = this.windows.get(key) ?? windowsOf(wanted, source)(mode);
    this.windows.set(key, window);
    return window;
  }

  proposals(done: boolean): Proposals {
    const all = [...this.best.values()];
    const list = all
      .filter(
        ({ family, best }) => !all.some((o) => o.best.settled && best !== o.best && isMore(family, o.family)),
      )
      .sort((a, b) => before(a.best.rank, b.best.rank));
    // of the same train with another kind of motor the first; by hand is another way of working
    const train = ({ family, best }: (typeof list)[number]): string => {
      const { stops } = sourceKindOf(best.proposed.drive.train.source);
      return keyOf({ ...family, source: stops === 'mark' ? 'by hand' : '' });
    };
    const shown = list.filter((one, i) => list.findIndex((o) => train(o) === train(one)) === i);
    return {
      list: shown.map((b) => b.best.proposed),
      judged: this.judged,
      meeting: shown.filter((b) => b.best.proposed.meets).length,
      sure: shown.filter((b) => b.best.settled).length,
      done,
    };
  }
}
