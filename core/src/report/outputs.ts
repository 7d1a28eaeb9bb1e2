import { asksFirst, kindOf, pathOf, sourceKindOf, trainAt, trainsOf } from '../drive/index.ts';
import type { Drive, Hang, Path, TrainOf } from '../drive/index.ts';
import { distanceOf } from '../arbors/index.ts';
import { fails, GRADES } from '../motion/index.ts';
import { betweenReport, type BetweenReport } from './between.ts';
import { type Figure, type Graded, shortList } from '../words/index.ts';
import { lazy } from './lazy.ts';
import type { Mark } from './marks.ts';
import { report as reportFor, type Report } from './report.ts';
import { cellLabels, empty, type VerdictCell } from './cell.ts';

/** One output of a drive: its train, where that begins, and the report of the path to it. */
export interface OutputReport {
  /** which train, from 0 */
  readonly at: number;
  readonly name: string;
  /** "stepper motor of its own" or "from Mercury 3" */
  readonly begins: string;
  readonly from: Hang | null;
  /** the shafts along its path, by name: "Shaft 2", of several trains "Mercury 2" */
  readonly shafts: readonly string[];
  /** the same as places where a branch can begin */
  readonly hangs: readonly ShaftPlace[];
  /** those that no other train has */
  readonly own: readonly ShaftPlace[];
  /** stages of the path that it shares with the train it hangs on */
  readonly shared: number;
  readonly report: Report;
  /** its cells; where no rate is asked of it, a ratio that is asked stands for one */
  readonly verdict: readonly VerdictCell[];
  /** for the list: what of it wants attention; null when nothing does */
  readonly attention: string | null;
}

/** A shaft where a train can begin: what it is called, and what turns it. */
export interface ShaftPlace {
  readonly title: string;
  readonly message: string;
  readonly from: Hang;
}

/** What the outputs of a drive come to, each and together. A drive of one train says what its report says. */
export interface TreeReport {
  readonly drive: Drive;
  readonly several: boolean;
  /** wheels mesh in it, so that it has a plan of arbors */
  readonly planned: boolean;
  readonly outputs: readonly OutputReport[];
  readonly between: readonly BetweenReport[];
  /** of each cell the worst of all outputs, named */
  readonly verdict: readonly VerdictCell[];
  readonly purpose: string;
  readonly attention: string | null;
  marks(runs: number, day?: string): readonly Mark[];
  /** a figure that belongs to no single output; null when it is none of these */
  figure(key: string): Figure | null;
}

/** `reportOf` may know the report of a path already. */
export function treeReport(drive: Drive, reportOf: (drive: Drive) => Report = reportFor): TreeReport {
  const trains = trainsOf(drive);
  const several = trains.length > 1;
  const between = (drive.job.between ?? []).map((asked, i) => betweenReport(drive, asked, i));
  const outputs = trains.map((train, at): OutputReport => {
    const path = pathOf(drive, at);
    const report = reportOf(path.drive);
    const hangs = lazy(() => placesOf(trains, path, several));
    return {
      at,
      name: train.name,
      begins: beginsWords(train, drive, at),
      from: train.from,
      get shafts() {
        return hangs().map((h) => h.title);
      },
      get hangs() {
        return hangs();
      },
      get own() {
        return hangs().filter((h) => trainAt([train], h.from.train) === 0);
      },
      shared: path.shared,
      report,
      get verdict() {
        return ownCells(report.verdict, between, train.name);
      },
      get attention() {
        return report.attention;
      },
    };
  });
  const cells = lazy(() => worstCells(outputs, between));
  const first = outputs[0]!.report;
  const open = asksFirst(drive);
  return {
    drive,
    several,
    planned: trains.some(({ stages }) => stages.some((s) => distanceOf(s).is === 'mesh')),
    outputs,
    between,
    get verdict() {
      const made = several ? cells() : first.verdict;
      return open ? made.map(unchosen) : made;
    },
    get purpose() {
      return several ? purposeOf(outputs, between) : first.purpose;
    },
    get attention() {
      if (open) return null;
      if (!several) return first.attention;
      const output = outputs.find((o) => o.report.attention !== null);
      if (output) return `${output.name}: ${output.report.attention!}`;
      const off = between.find((b) => fails(b.graded.grade));
      return off ? `${off.title} ${off.graded.word.toLowerCase()}` : null;
    },
    marks: (runs, day) => {
      const made = several ? worstMarks(outputs, between, runs, day) : first.marks(runs, day);
      return open ? made.map((m) => ({ ...m, mark: 'ring', reason: NOT_CHOSEN })) : made;
    },
    figure: (key) =>
      between.flatMap((b) => Object.values(b.figures)).find((figure) => figure.key === key) ?? null,
  };
}

const NOT_CHOSEN = 'chosen with the drive';
/** Of a drive that is still asked about nothing is told as if it stood. */
const unchosen = (c: VerdictCell): VerdictCell =>
  c.figure || !c.absent.startsWith('no ') ? empty(c.cell, c.concern, NOT_CHOSEN) : c;

/** The shafts along a path, each as its own train counts it. */
function placesOf(trains: readonly TrainOf[], path: Path, several: boolean): readonly ShaftPlace[] {
  const root = trains[path.root]!;
  const title = (name: string, shaft: number): string => (several ? `${name} ${shaft}` : `Shaft ${shaft}`);
  return [
    {
      title: title(root.name, 0),
      message: `the ${sourceKindOf(path.drive.train.source).short}`,
      from: { train: root.name, shaft: 0 },
    },
    ...path.places.map(({ train, stage }) => {
      const { name, stages } = trains[train]!;
      const turns = stages[stage]!;
      return {
        title: title(name, stage + 1),
        message: `turned by the ${kindOf(turns).short} ${kindOf(turns).label(turns)}`,
        from: { train: name, shaft: stage + 1 },
      };
    }),
  ];
}

/** "from Mercury 3", "hand crank of its own" */
function beginsWords({ from, source }: TrainOf, drive: Drive, at: number): string {
  if (from) return `from ${from.train} ${from.shaft}`;
  const title = sourceKindOf(source ?? pathOf(drive, at).drive.train.source).title.toLowerCase();
  return `${title} of its own`;
}

/** "Mercury, Venus, Year and Moon; Venus divides 12" */
function purposeOf(outputs: readonly OutputReport[], between: readonly BetweenReport[]): string {
  const names = shortList(
    outputs.map((o) => o.name),
    4,
  );
  const asks = outputs.filter((o) => o.report.counts.length > 0);
  const ratios =
    between.length > 0
      ? `, ${between.length === 1 ? 'a ratio' : `${between.length} ratios`} between them`
      : '';
  const does =
    asks.length > 0
      ? `; ${shortList(
          asks.map((o) => `${o.name} ${o.report.purpose}`),
          2,
        )}`
      : '';
  return `${outputs.length} outputs: ${names}${ratios}${does}`;
}

const rankOf = (graded: Graded | null): number => (graded ? GRADES.indexOf(graded.grade) : GRADES.length);

/** Of each cell that of the output which stands worst, of equal grades by its amount, else the first; a ratio between outputs counts as a rate. */
function worstCells(
  outputs: readonly OutputReport[],
  between: readonly BetweenReport[],
): readonly VerdictCell[] {
  const all = outputs.map((o) => o.verdict.map((cell) => ({ ...cell, train: o.name })));
  return all[0]!.map((first, i) => {
    const candidates: VerdictCell[] = all.map((cells) => cells[i]!);
    if (first.cell === 'rate') candidates.push(...between.map(betweenCell));
    const there = candidates.filter((c) => c.figure !== null || c.graded !== null);
    if (there.length === 0) {
      const { train: _, ...nobody } = first;
      return nobody;
    }
    return there.reduce((worst, c) => (isWorse(c, worst) ? c : worst));
  });
}

/** By the grade, and of equal grades by the amount where one way is worse: a greater error, a smaller margin. */
function isWorse(a: VerdictCell, b: VerdictCell): boolean {
  const by = rankOf(a.graded) - rankOf(b.graded);
  if (by !== 0 || (a.cell !== 'error' && a.cell !== 'force')) return by < 0;
  const [x, y] = [a.figure?.value, b.figure?.value].map((v) => (typeof v === 'number' ? v : null));
  if (x === null || x === undefined || y === null || y === undefined) return false;
  return a.cell === 'error' ? x > y : x < y;
}

/** The worst ratio that is asked of an output takes the place of the rate that is not. */
function ownCells(
  cells: readonly VerdictCell[],
  between: readonly BetweenReport[],
  name: string,
): readonly VerdictCell[] {
  const its = between.filter(
    (b) =>
      trainAt(
        [b].map((x) => ({ name: x.to })),
        name,
      ) === 0,
  );
  if (its.length === 0) return cells;
  const worst = its.reduce((a, b) => (rankOf(b.graded) < rankOf(a.graded) ? b : a));
  return cells.map((c) => (c.cell === 'rate' && c.figure === null ? betweenCell(worst) : c));
}

const betweenCell = (b: BetweenReport): VerdictCell => ({
  cell: 'rate',
  label: cellLabels.rate,
  concern: 'judged',
  group: 'outputs',
  figure: b.figures.off,
  graded: b.graded,
  absent: '',
  train: b.to,
});

const MARK_ORDER = ['diamond', 'dot', 'ring'] as const;

/** Of each concern the mark of the output that wants attention most, named. Runs are the drive's. */
function worstMarks(
  outputs: readonly OutputReport[],
  between: readonly BetweenReport[],
  runs: number,
  day?: string,
): readonly Mark[] {
  const all = outputs.map((o) => o.report.marks(runs, day).map((mark) => ({ ...mark, name: o.name })));
  const off = between.find((b) => fails(b.graded.grade));
  return all[0]!.map((first, i) => {
    if (first.concern === 'worked') return first;
    const worst = MARK_ORDER.flatMap((mark) => all.map((m) => m[i]!).filter((m) => m.mark === mark))[0]!;
    const { name, ...mark } = worst;
    const told: Mark = mark.mark === 'diamond' ? { ...mark, reason: `${name}: ${mark.reason}` } : mark;
    if (between.length === 0 || mark.mark === 'diamond') return told;
    if (mark.concern === 'asked') return { ...mark, mark: 'dot', reason: 'ratios between outputs asked' };
    if (mark.concern !== 'judged') return told;
    return off
      ? { ...mark, mark: 'diamond', reason: `${off.title}: ${off.graded.word.toLowerCase()}` }
      : { ...mark, mark: 'dot', reason: 'within what is asked' };
  });
}
