import type { Drive, LogEntry, LogKind } from '../drive/index.ts';
import { isSession, type AnyRun } from '../run/index.ts';
import { wilson } from '../measure/index.ts';

/** A line of the log: an entry of its own, or something that Pendrix kept elsewhere: a run, a step of the build, a fault, a mesh. */
export interface LogLine {
  readonly id: string;
  readonly kind: LogKind | 'run' | 'fault';
  readonly at: string;
  readonly words: string;
  readonly revision: number | null;
  /** null for what was kept elsewhere */
  readonly entry: LogEntry | null;
}

/** A run of the drive as it is kept. */
export interface LoggedRun {
  readonly id: string;
  readonly name: string;
  readonly state: AnyRun;
  /** how far it came, in words */
  readonly done: string;
}

/** "2026-11-28 21:40" of a moment, in the clock of the machine that asks. */
export function momentText(milliseconds: number, offsetMinutes = 0): string {
  return new Date(milliseconds - offsetMinutes * 60_000).toISOString().slice(0, 16).replace('T', ' ');
}

/** The revision that was in force at a moment; null while none was kept. */
export function revisionAt({ revisions = [] }: Drive, at: string): number | null {
  const before = revisions.filter((r) => r.at.slice(0, at.length) <= at);
  return before.at(-1)?.n ?? null;
}

function buildLines({ build }: Drive): readonly Omit<LogLine, 'revision'>[] {
  return (build?.steps ?? []).flatMap((s) =>
    s.done
      ? [
          {
            id: `build.${s.id}`,
            kind: 'build' as const,
            at: s.done,
            words: `${s.title}${s.gate ? `: ${s.gate}` : ''}${s.minutes ? `, ${s.minutes} min` : ''}`,
            entry: null,
          },
        ]
      : [],
  );
}

/** "jerks.mode not 2026-11-28": what was tried of a fault, and how it came out. */
function faultLines({ bench }: Drive): readonly Omit<LogLine, 'revision'>[] {
  return (bench?.faults ?? '').split(';').flatMap((piece) => {
    const [, check, outcome, at] = /^\s*(\S+)\s+(so|not)\s+(\d{4}-\d\d-\d\d)\s*$/.exec(piece) ?? [];
    return check && at
      ? [
          {
            id: `fault.${check}`,
            kind: 'fault' as const,
            at,
            words: `${check.replace('.', ', ')}: ${outcome === 'so' ? 'it was so' : 'it was not'}`,
            entry: null,
          },
        ]
      : [];
  });
}

const runLine = ({ id, name, state, done }: LoggedRun, offset: number): Omit<LogLine, 'revision'> => {
  const setup = isSession(state) ? undefined : state.setup;
  const set = setup?.skipped
    ? `, set-up skipped: ${setup.skipped}`
    : setup?.minutes
      ? `, set-up ${setup.minutes} min`
      : '';
  return {
    id: `run.${id}`,
    kind: 'run',
    at: momentText(state.startedAt, offset),
    words: `${name}: ${done}${set}`,
    entry: null,
  };
};

/** Everything that happened to a drive, the newest first; `offset` is that of the clock, minutes as the browser gives it. (handbook: run, the log) */
export function logLines(drive: Drive, runs: readonly LoggedRun[], offset = 0): readonly LogLine[] {
  const own = (drive.log ?? []).map((entry) => ({
    id: entry.id,
    kind: entry.kind,
    at: entry.at,
    words: entry.words,
    entry,
  }));
  const all = [...own, ...buildLines(drive), ...faultLines(drive), ...runs.map((r) => runLine(r, offset))];
  return all
    .map((l): LogLine => ({ ...l, revision: l.entry?.revision ?? revisionAt(drive, l.at) }))
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : a.id < b.id ? 1 : -1));
}

/** Groups by which the log is filtered. */
export const logFilters = {
  all: 'Everything',
  build: 'Build',
  measured: 'Measured',
  runs: 'Runs',
  exposures: 'Exposures',
  open: 'Due and open',
  wishes: 'Wishes',
} as const;
export type LogFilter = keyof typeof logFilters;

const IN: Readonly<Record<Exclude<LogFilter, 'all' | 'open'>, readonly LogLine['kind'][]>> = {
  build: ['build', 'adjustment', 'part', 'lubrication'],
  measured: ['measurement', 'noise', 'fault'],
  runs: ['run'],
  exposures: ['exposure'],
  wishes: ['wish', 'complaint'],
};

/** Lines of a filter that hold every word that is sought. */
export function chosenLines(
  lines: readonly LogLine[],
  filter: LogFilter,
  sought: string,
  open: ReadonlySet<string>,
): readonly LogLine[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter((l) => {
    if (filter === 'open' ? !open.has(l.id) : filter !== 'all' && !IN[filter].includes(l.kind)) return false;
    const text =
      `${l.words} ${l.kind} ${l.at} ${(l.entry?.values ?? []).map((v) => `${v.name} ${v.value} ${v.unit}`).join(' ')}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
}

/** Complaints that no measurement has closed. */
export function openComplaints({ log = [] }: Drive): readonly LogEntry[] {
  const closed = new Set(log.flatMap((e) => (e.kind === 'measurement' && e.closes ? [e.closes] : [])));
  return log.filter((e) => e.kind === 'complaint' && !closed.has(e.id));
}

/** What falls due by a day: the newest of its kind and words counts, so that doing it again puts it off. */
export function dueBy({ log = [] }: Drive, day: string): readonly LogEntry[] {
  return log.filter(
    (e) =>
      e.due !== undefined &&
      e.due <= day &&
      !log.some((later) => later.kind === e.kind && later.at > e.at && later.words === e.words),
  );
}

/** Complaints whose cure would be taken back with the design after `to`: they were closed on a later revision. */
export function curesTakenBack(drive: Drive, to: number): readonly LogEntry[] {
  const { log = [] } = drive;
  return log.filter(
    (e) =>
      e.kind === 'complaint' &&
      (e.revision ?? 0) <= to &&
      log.some((m) => m.closes === e.id && (m.revision ?? 0) > to),
  );
}

/** A measured thing over time: each reading with its revision. */
export interface Series {
  readonly name: string;
  readonly unit: string;
  readonly points: readonly {
    readonly at: string;
    readonly revision: number | null;
    readonly value: number;
    readonly plusMinus: number | null;
  }[];
}

/** Every figure that was written down, by its name and unit, the oldest first. */
export function seriesOf(drive: Drive): readonly Series[] {
  const by = new Map<string, { name: string; unit: string; points: Series['points'][number][] }>();
  const entries = [...(drive.log ?? [])].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  for (const e of entries)
    for (const v of e.values ?? []) {
      const key = `${v.name.toLowerCase()} ${v.unit}`;
      const s = by.get(key) ?? { name: v.name, unit: v.unit, points: [] };
      s.points.push({
        at: e.at,
        revision: e.revision ?? revisionAt(drive, e.at),
        value: v.value,
        plusMinus: v.plusMinus ?? null,
      });
      by.set(key, s);
    }
  return [...by.values()];
}

/** Exposures kept of those taken, of one revision, with Wilson's interval. */
export interface KeptShare {
  readonly revision: number | null;
  readonly kept: number;
  readonly taken: number;
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

export function sharesOf(drive: Drive): readonly KeptShare[] {
  const by = new Map<number | null, { kept: number; taken: number }>();
  for (const e of drive.log ?? []) {
    if (!e.exposure) continue;
    const revision = e.revision ?? revisionAt(drive, e.at);
    const before = by.get(revision) ?? { kept: 0, taken: 0 };
    by.set(revision, { kept: before.kept + e.exposure.kept, taken: before.taken + e.exposure.taken });
  }
  return [...by]
    .map(([revision, { kept, taken }]) => ({ revision, kept, taken, ...wilson(kept, taken) }))
    .sort((a, b) => (b.revision ?? 0) - (a.revision ?? 0));
}

/** An id that the log does not have yet. */
export function freeEntryId({ log = [] }: Drive): string {
  const taken = new Set(log.map((e) => e.id));
  let n = log.length + 1;
  while (taken.has(`entry-${n}`)) n++;
  return `entry-${n}`;
}
