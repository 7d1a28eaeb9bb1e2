import { div, equal, exactly, mul, ONE, rational, sub, toNumber, toText } from '../numbers/index.ts';
import { kindOf, pathOf, ratioBetween, sourceKindOf, trainAt, trainsOf } from '../drive/index.ts';
import type { BetweenOutputs, Drive, Stage, TrainOf } from '../drive/index.ts';
import {
  doubtOfBoth,
  doubtOfStages,
  fails,
  gradeRatio,
  GRADES,
  isSure,
  type Doubt,
} from '../motion/index.ts';
import { doubtful, doubtText } from './doubt-words.ts';
import type { Figure, Graded, WorkingLine } from './figure.ts';
import { gradeWords } from './grades.ts';
import { lazy } from './lazy.ts';
import type { Mark } from './marks.ts';
import { report as reportFor, type Report } from './report.ts';
import type { Rich } from './rich.ts';
import { grouped, measured, mixed, shortList, signed, strong } from './text.ts';
import { cellLabels, type VerdictCell } from './verdict.ts';

/** Days of a hundred years, by which it is said what a ratio adds up to. */
const CENTURY = 36_525;

/** One output of a drive: its train, where that begins, and the report of the path to it. */
export interface OutputReport {
  /** which train, from 0 */
  readonly at: number;
  readonly name: string;
  /** "200-step motor of its own" or "from shaft 3 of Mercury" */
  readonly begins: string;
  /** stages of the path that it shares with the train it hangs on */
  readonly shared: number;
  readonly report: Report;
  /** for the list: what of it wants attention; null when nothing does */
  readonly attention: string | null;
}

/** A ratio asked between two outputs, as the teeth make it. */
export interface BetweenReport {
  readonly key: string;
  /** "Moon to Mercury" */
  readonly title: string;
  readonly from: string;
  readonly to: string;
  /** turns of `from` during one of `to`, exact */
  readonly ratio: string;
  readonly wanted: string;
  readonly ppm: number;
  /** days that `to` is late, or early when below 0, after a hundred years of `from`'s time */
  readonly days: number;
  readonly figures: { readonly ratio: Figure; readonly off: Figure };
  readonly graded: Graded;
  readonly doubt: Doubt;
}

/** What the outputs of a drive come to, each and together. A drive of one train says what its report says. */
export interface TreeReport {
  readonly drive: Drive;
  readonly several: boolean;
  readonly outputs: readonly OutputReport[];
  readonly between: readonly BetweenReport[];
  /** of each cell the worst of all outputs, named */
  readonly verdict: readonly VerdictCell[];
  readonly purpose: string;
  readonly attention: string | null;
  marks(runs: number): readonly Mark[];
  /** a figure that belongs to no single output; null when it is none of these */
  figure(key: string): Figure | null;
}

/** `reportOf` may know the report of a path already. */
export function treeReport(drive: Drive, reportOf: (drive: Drive) => Report = reportFor): TreeReport {
  const trains = trainsOf(drive);
  const several = trains.length > 1;
  const outputs = trains.map((train, at): OutputReport => {
    const path = pathOf(drive, at);
    const report = reportOf(path.drive);
    return {
      at,
      name: train.name,
      begins: beginsWords(train, drive, at),
      shared: path.shared,
      report,
      get attention() {
        return report.attention;
      },
    };
  });
  const between = (drive.job.between ?? []).map((asked, i) => betweenReport(drive, asked, i));
  const cells = lazy(() => worstCells(outputs, between));
  const first = outputs[0]!.report;
  return {
    drive,
    several,
    outputs,
    between,
    get verdict() {
      return several ? cells() : first.verdict;
    },
    get purpose() {
      return several ? purposeOf(outputs, between) : first.purpose;
    },
    get attention() {
      if (!several) return first.attention;
      const output = outputs.find((o) => o.report.attention !== null);
      if (output) return `${output.name}: ${output.report.attention!}`;
      const off = between.find((b) => fails(b.graded.grade));
      return off ? `${off.title} ${off.graded.word.toLowerCase()}` : null;
    },
    marks: (runs) => (several ? worstMarks(outputs, between, runs) : first.marks(runs)),
    figure: (key) =>
      between.flatMap((b) => Object.values(b.figures)).find((figure) => figure.key === key) ?? null,
  };
}

/** "from shaft 3 of Mercury", "a hand crank of its own" */
function beginsWords({ from, source }: TrainOf, drive: Drive, at: number): string {
  if (from) return `from shaft ${from.shaft} of ${from.train}`;
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

/** Of each cell that of the output which stands worst, the first of equals; a ratio between outputs counts as a rate. */
function worstCells(
  outputs: readonly OutputReport[],
  between: readonly BetweenReport[],
): readonly VerdictCell[] {
  const all = outputs.map((o) => o.report.verdict.map((cell) => ({ ...cell, train: o.name })));
  return all[0]!.map((first, i) => {
    const candidates: VerdictCell[] = all.map((cells) => cells[i]!);
    if (first.cell === 'rate') candidates.push(...between.map(betweenCell));
    const there = candidates.filter((c) => c.figure !== null || c.graded !== null);
    if (there.length === 0) {
      const { train: _, ...nobody } = first;
      return nobody;
    }
    return there.reduce((worst, c) => (rankOf(c.graded) < rankOf(worst.graded) ? c : worst));
  });
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
): readonly Mark[] {
  const all = outputs.map((o) => o.report.marks(runs).map((mark) => ({ ...mark, name: o.name })));
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

/** A ratio between two outputs. It is checked that both are there and have a source in common. (handbook: drive, more than one train) */
function betweenReport(drive: Drive, asked: BetweenOutputs, i: number): BetweenReport {
  const trains = trainsOf(drive);
  const { ratio, apart } = ratioBetween(drive, trainAt(trains, asked.from), trainAt(trains, asked.to))!;
  const wanted = exactly(asked.wanted);
  const part = sub(div(ratio, wanted), ONE);
  const ppm = toNumber(mul(part, rational(1_000_000n)));
  const days = toNumber(mul(part, rational(BigInt(CENTURY))));
  const exact = equal(ratio, wanted);
  const doubt = doubtOfBoth(doubtOfStages(apart[0]), doubtOfStages(apart[1]));
  const allowed = asked.ppm ?? null;
  const grade = gradeRatio(exact, ppm, allowed);
  const key = `between.${i}`;
  const title = `${asked.to} to ${asked.from}`;
  const off = exact ? ['exact'] : [signed(measured(ppm), ppm), { unit: 'ppm' }];
  const sure = isSure(doubt);
  const lines = workingOf(asked, apart);
  const found: WorkingLine = {
    label: 'the teeth make',
    text: [...strong(mixed(ratio)), doubtText(doubt, 'ppm')],
    exact: sure,
  };
  return {
    key,
    title,
    from: asked.from,
    to: asked.to,
    ratio: toText(ratio),
    wanted: asked.wanted,
    ppm,
    days,
    doubt,
    graded: doubtful({ grade, word: gradeWords[grade] }, doubt, 'ppm'),
    figures: {
      ratio: {
        key: `${key}.ratio`,
        label: `turns of ${asked.from} during one of ${asked.to}`,
        value: toText(ratio),
        text: mixed(ratio),
        exact: sure,
        working: () => [...lines, found],
      },
      off: {
        key: `${key}.off`,
        label: `${title}, off by`,
        value: ppm,
        text: off as Rich,
        exact: exact && sure,
        working: () => [
          ...lines,
          found,
          { label: 'wanted', text: [asked.wanted], exact: true },
          ...(allowed === null
            ? []
            : [{ label: 'allowed', text: [`±${measured(allowed)}`, { unit: 'ppm' }] as Rich, exact: true }]),
          {
            label: 'in 100 years',
            text: exact ? ['nothing: it is exactly so'] : [daysWords(days, asked.to)],
            exact: false,
          },
          { label: 'off by', text: strong(off as Rich), exact: exact && sure },
        ],
      },
    },
  };
}

/** "0.21 d early": what a ratio adds up to in a hundred years. */
export const daysWords = (days: number, name = ''): string =>
  days === 0
    ? 'to the day'
    : `${name && `${name} `}${grouped(measured(Math.abs(days)))} d ${days < 0 ? 'early' : 'late'}`;

function workingOf(
  { from, to }: BetweenOutputs,
  [ofFrom, ofTo]: readonly [readonly Stage[], readonly Stage[]],
): readonly WorkingLine[] {
  const along = (name: string, stages: readonly Stage[]): readonly WorkingLine[] =>
    stages.map((stage) => ({
      label: `to ${name}`,
      text: [`${kindOf(stage).label(stage)}, reduction `, ...mixed(kindOf(stage).reduction(stage))],
      exact: kindOf(stage).origin(stage).from === 'exact',
    }));
  return [...along(to, ofTo), ...along(from, ofFrom)];
}
