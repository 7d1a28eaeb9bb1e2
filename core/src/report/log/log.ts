import { withDesign, type Drive, type LogEntry, type LogKind } from '../../drive/index.ts';
import {
  chosenLines,
  curesTakenBack,
  dueBy,
  logLines,
  openComplaints,
  seriesOf,
  sharesOf,
  type LogFilter,
  type LoggedRun,
  type LogLine,
  type KeptShare,
} from '../../log/index.ts';
import { compareReports, type CompareRow } from './compare.ts';
import type { DutyChart } from '../duties/duty.ts';
import { report } from '../report.ts';
import { measured, runDone } from '../../words/index.ts';

/** What each kind of line is called. */
export const logKindWords: Readonly<Record<LogLine['kind'], string>> = {
  measurement: 'measured',
  adjustment: 'adjusted',
  exposure: 'exposures',
  part: 'part changed',
  lubrication: 'greased, oiled',
  build: 'built',
  noise: 'noise, feel',
  complaint: 'complaint',
  wish: 'wish',
  run: 'run',
  fault: 'fault looked for',
};

export interface LogRow {
  readonly line: LogLine;
  readonly kind: string;
  /** "worm run-out 40.0″ ± 6.00" */
  readonly figures: string;
  /** "open", "due 2027-03-01", "closed by entry-4"; empty for most */
  readonly state: string;
}

/** How an entry's figures are read. */
export function figuresText({ values, exposure }: Pick<LogEntry, 'values' | 'exposure'>): string {
  const all = (values ?? []).map(({ name, value, unit, plusMinus }) =>
    // a sign of angle stands at its figure, a word apart
    `${name} ${measured(value)}${/^([°′″]|$)/.test(unit) ? '' : ' '}${unit}`
      .concat(plusMinus === undefined ? '' : ` ± ${measured(plusMinus)}`)
      .trimStart(),
  );
  if (exposure)
    all.push(`${exposure.focalMm} mm, ${exposure.seconds} s: ${exposure.kept} of ${exposure.taken} kept`);
  return all.join('; ');
}

export const shareText = ({ kept, taken, low, high }: Omit<KeptShare, 'revision'>): string =>
  `${kept} of ${taken}: ${Math.round(100 * low)} to ${Math.round(100 * high)} %`;

export interface LogReport {
  readonly rows: readonly LogRow[];
  readonly open: readonly LogEntry[];
  readonly due: readonly LogEntry[];
  readonly series: ReturnType<typeof seriesOf>;
  readonly shares: readonly KeptShare[];
}

/** Shares of kept exposures over the revisions, with the interval of each; null while there is nothing to compare. */
export function sharesChart(shares: readonly KeptShare[]): DutyChart | null {
  const of = shares.filter((s) => s.revision !== null).sort((a, b) => a.revision! - b.revision!);
  if (of.length < 2) return null;
  const line = (value: (s: KeptShare) => number): readonly (readonly [number, number])[] =>
    of.map((s) => [s.revision!, Math.round(1000 * value(s)) / 10]);
  const [first, last] = [of[0]!, of.at(-1)!];
  return {
    key: 'shares',
    title: 'Exposures kept',
    x: 'revision',
    y: '%',
    series: [
      { name: 'kept', points: line((s) => s.share), look: 'main' },
      { name: 'at least', points: line((s) => s.low), look: 'limit' },
      { name: 'at most', points: line((s) => s.high), look: 'limit' },
    ],
    message: `${shareText(first)} with revision ${first.revision}, ${shareText(last)} with ${last.revision}.`,
  };
}

/** The log as it is shown: lines of a filter and words, what is open, what falls due by a day, figures over time. */
export function logReport(
  drive: Drive,
  asked: {
    readonly runs: readonly Omit<LoggedRun, 'done'>[];
    readonly filter: LogFilter;
    readonly sought: string;
    readonly day: string;
    /** of the clock, minutes */
    readonly offset: number;
  },
): LogReport {
  const open = openComplaints(drive);
  const due = dueBy(drive, asked.day);
  const wanted = new Set([...open, ...due].map((e) => e.id));
  const closedBy = new Map((drive.log ?? []).flatMap((e) => (e.closes ? [[e.closes, e.at] as const] : [])));
  const state = ({ entry }: LogLine): string => {
    if (!entry) return '';
    if (open.includes(entry)) return 'open';
    if (due.includes(entry)) return `due since ${entry.due!}`;
    if (entry.due) return `due ${entry.due}`;
    const closed = entry.kind === 'complaint' ? closedBy.get(entry.id) : undefined;
    return closed ? `closed ${closed.slice(0, 10)}` : '';
  };
  return {
    rows: chosenLines(
      logLines(
        drive,
        asked.runs.map((r) => ({ ...r, done: runDone(r.state) })),
        asked.offset,
      ),
      asked.filter,
      asked.sought,
      wanted,
    ).map((line): LogRow => ({
      line,
      kind: logKindWords[line.kind],
      figures: line.entry ? figuresText(line.entry) : '',
      state: state(line),
    })),
    open,
    due,
    series: seriesOf(drive),
    shares: sharesOf(drive),
  };
}

/** Two revisions figure by figure; null where one of them is not there. 0 is the design as it stands. */
export function compareRevisions(drive: Drive, a: number, b: number): readonly CompareRow[] | null {
  const of = (n: number): Drive | null => {
    if (n === 0) return drive;
    const found = drive.revisions?.find((r) => r.n === n);
    return found ? withDesign(drive, found.design) : null;
  };
  const [x, y] = [of(a), of(b)];
  return x && y ? compareReports(report(x), report(y)) : null;
}

/** What going back would open again, in a sentence; null when nothing. */
export function backWarning(drive: Drive, to: number): string | null {
  const back = curesTakenBack(drive, to);
  return back.length === 0
    ? null
    : `It would take back what cured ${back.map((c) => `“${c.words}”`).join(', ')}: look for ${back.length === 1 ? 'it' : 'them'} again.`;
}

/** The head of the log as a table. (docs: formats) */
export const LOG_HEAD = ['at', 'kind', 'revision', 'words', 'figures', 'state'] as const;

export const logRows = (rows: readonly LogRow[]): readonly (readonly string[])[] =>
  rows.map((r) => [
    r.line.at,
    r.kind,
    r.line.revision === null ? '' : String(r.line.revision),
    r.line.words,
    r.figures,
    r.state,
  ]);

/** Kinds that can be written, with their words. */
export const logKindChoices = (
  kinds: readonly LogKind[],
): readonly { readonly value: LogKind; readonly title: string }[] =>
  kinds.map((value) => ({ value, title: logKindWords[value] }));

/** The time line: revisions along it, what was measured and exposed below it; places from 0 to 1. */
export interface TimeLine {
  readonly revisions: readonly {
    readonly n: number;
    readonly at: number;
    /** where its head stands so that none covers another */
    readonly head: number;
    readonly day: string;
    readonly reason: string;
    readonly takenBack: boolean;
  }[];
  readonly marks: readonly {
    readonly id: string;
    readonly at: number;
    readonly is: 'measured' | 'exposed' | 'run' | 'other';
  }[];
  readonly months: readonly { readonly at: number; readonly title: string }[];
}

const DAY_MS = 86_400_000;
const ofDay = (at: string): number => Date.parse(at.slice(0, 10));
const MONTHS = 'January February March April May June July August September October November December'.split(
  ' ',
);

/** Places of everything in time; `heads` is how wide a head is, a part of the line. Null while there is nothing. */
export function timeLine(drive: Drive, lines: readonly LogLine[], heads: number): TimeLine | null {
  const revisions = drive.revisions ?? [];
  const days = [...revisions.map((r) => ofDay(r.at)), ...lines.map((l) => ofDay(l.at))];
  if (days.length === 0) return null;
  const [first, last] = [Math.min(...days) - DAY_MS, Math.max(...days) + DAY_MS];
  const place = (ms: number): number => (ms - first) / (last - first);
  let free = 0;
  const placed = revisions.map((r) => {
    const at = place(ofDay(r.at));
    const head = Math.max(free, at - heads / 2, 0);
    free = head + heads;
    return { n: r.n, at, head, day: r.at.slice(0, 10), reason: r.reason, takenBack: r.takenBack ?? false };
  });
  // pushed back from the end, the last first
  let most = 1 - heads;
  for (let i = placed.length - 1; i >= 0; i--) {
    placed[i] = { ...placed[i]!, head: Math.max(0, Math.min(placed[i]!.head, most)) };
    most = placed[i]!.head - heads;
  }
  const months: TimeLine['months'][number][] = [];
  const from = new Date(first);
  for (let m = 0; m < 240; m++) {
    const at = Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + 1 + m, 1);
    if (at >= last) break;
    months.push({ at: place(at), title: MONTHS[new Date(at).getUTCMonth()]! });
  }
  const is = (kind: LogLine['kind']): TimeLine['marks'][number]['is'] =>
    kind === 'measurement' ? 'measured' : kind === 'exposure' ? 'exposed' : kind === 'run' ? 'run' : 'other';
  return {
    revisions: placed,
    marks: lines.map((l) => ({ id: l.id, at: place(ofDay(l.at)), is: is(l.kind) })),
    months,
  };
}

/** A figure over time as a chart, days from the first; null where there is one reading alone. */
export function seriesChart({ name, unit, points }: ReturnType<typeof seriesOf>[number]): DutyChart | null {
  if (points.length < 2) return null;
  const first = ofDay(points[0]!.at);
  return {
    key: `series.${name}.${unit}`,
    title: name,
    x: 'd',
    y: unit,
    series: [
      {
        name: '',
        points: points.map((p) => [(ofDay(p.at) - first) / DAY_MS, p.value]),
        look: 'main',
      },
    ],
    message: `${points.length} readings from ${points[0]!.at.slice(0, 10)} to ${points.at(-1)!.at.slice(0, 10)}.`,
  };
}
