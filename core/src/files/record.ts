import Papa from 'papaparse';
import { error, ok, readNumber, toNumber, type Result } from '../numbers/index.ts';
import type { DivisionRecord, TrackingRecord } from '../measure/index.ts';
import { COLUMN_KINDS, columnOf, OTHER_COLUMN, type Column, type Heads } from './record-columns.ts';

/** Rows of a record that is read. */
export const MAX_READINGS = 1_000_000;

/** The numbers of a table of readings, column by column, and what each holds. */
interface Columns {
  readonly kinds: readonly Column[];
  readonly columns: readonly Float64Array[];
}

/** "12,5" where cells are set apart by ; or a tab; a number with a point goes the quick way. */
function numberOf(cell: string): number | null {
  const text = cell.trim();
  if (/^[-+]?\d*\.?\d+(?:[eE][-+]?\d{1,3})?$/.test(text)) {
    const n = Number(text);
    return Number.isFinite(n) ? n : null;
  }
  const read = readNumber(text.replace(/^−/, '-').replace(',', '.'));
  return read.ok ? toNumber(read.value) : null;
}

/** "20:15:03.5" s of the day; "2026-12-01 20:15:03" s since 1970, whatever the zone: only differences count. */
function timeOf(cell: string): number | null {
  const text = cell.trim();
  const clock = /^(\d{1,2}):(\d\d):(\d\d(?:[.,]\d+)?)$/.exec(text);
  if (clock) return Number(clock[1]) * 3600 + Number(clock[2]) * 60 + Number(clock[3]!.replace(',', '.'));
  const date = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::(\d\d(?:[.,]\d+)?))?Z?$/.exec(text);
  if (!date) return null;
  const [, y, mo, d, h, mi, sec = '0'] = date;
  return (
    Date.UTC(Number(y), Number(mo) - 1, Number(d), Number(h), Number(mi)) / 1000 +
    Number(sec.replace(',', '.'))
  );
}

/** A day, s: a clock that passes midnight goes on. */
const DAY = 86_400;

const linesOf = (text: string): readonly string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy', comments: '#' }).data;

/** Where a kept line stands in its file, from 1: empty ones and remarks are counted too. */
function lineOf(text: string, index: number): number {
  let kept = -1;
  const at = text
    .split(/\r\n|\r|\n/)
    .findIndex((line) => !line.startsWith('#') && /[^\s,;"]/.test(line) && ++kept === index);
  return at < 0 ? index + 1 : at + 1;
}

/** A first line that is a reading already. */
const isBare = (first: readonly string[]): boolean =>
  first.length > 0 && first.every((c) => numberOf(c) !== null || timeOf(c) !== null);

const kindsOf = (first: readonly string[], heads: Heads): readonly Column[] =>
  (isBare(first) ? bareKinds(first.length) : first.map(columnOf)).map((own, i) =>
    heads[i] ? columnOf(heads[i]) : own,
  );

/** A column of a record as somebody sees it who is asked what it holds. */
export interface ColumnSeen {
  /** its head, or which one it is where there are no heads */
  readonly head: string;
  /** its first cells, at most three */
  readonly cells: readonly string[];
  /** what it is read as while nobody says, in words */
  readonly guess: string;
}

/** What a file's columns are known by again: the first line, or how many there are where it has no heads. */
export interface ColumnsSeen {
  readonly key: string;
  readonly columns: readonly ColumnSeen[];
}

/** The first columns of a record, at most twelve, for somebody to say what they hold. (handbook: errors) */
export function columnsSeen(text: string): ColumnsSeen {
  const data = linesOf(text.slice(0, 20_000));
  const first = data[0] ?? [];
  const bare = isBare(first);
  return {
    key: bare ? `${first.length} columns` : first.join(','),
    columns: kindsOf(first, [])
      .slice(0, 12)
      .map(({ is }, c) => ({
        head: bare ? `column ${c + 1}` : first[c]!.trim() || `column ${c + 1}`,
        cells: data.slice(bare ? 0 : 1, bare ? 3 : 4).map((row) => (row[c] ?? '').trim().slice(0, 24)),
        guess: COLUMN_KINDS[is],
      })),
  };
}

/**
 * Commas, semicolons or tabs, a byte-order mark, # lines; with heads or, of one or two columns, without. A line with an empty cell is left out;
 * what cannot be read is told by its line and column.
 */
function readColumns(text: string, wanted: readonly Column['is'][], heads: Heads = []): Result<Columns> {
  const data = linesOf(text);
  const first = data[0] ?? [];
  const bare = isBare(first);
  const kinds = kindsOf(first, heads);
  if (!wanted.some((w) => kinds.some((k) => k.is === w)))
    return error('noColumn', first.slice(0, 6).join(', ').slice(0, 80), {
      limit: 'error_arcsec, error_px, gap_arcsec',
      path: 'line 1',
    });
  const from = bare ? 0 : 1;
  const rows = data.length - from;
  if (rows > MAX_READINGS)
    return error('tooLarge', String(rows), { limit: String(MAX_READINGS), unit: 'readings' });
  const columns = kinds.map(() => new Float64Array(rows));
  let kept = 0;
  let passed = 0;
  for (let r = 0; r < rows; r++) {
    const row = data[r + from]!;
    const needed = kinds.flatMap((k, c) => (k.is === 'other' ? [] : [c]));
    if (needed.some((c) => (row[c] ?? '').trim() === '')) continue;
    for (const c of needed) {
      const cell = row[c]!;
      const clock = kinds[c]!.is === 'time' ? timeOf(cell) : null;
      const n = clock ?? numberOf(cell);
      if (n === null)
        return error('notNumber', cell.slice(0, 40), {
          path: `line ${lineOf(text, r + from)}, column ${bare ? c + 1 : first[c]!.trim()}`,
          example: '12.5',
        });
      let value = n * (clock === null ? kinds[c]!.scale : 1);
      if (clock !== null && clock < DAY) {
        if (kept > 0 && value + passed < columns[c]![kept - 1]! - DAY / 2) passed += DAY;
        value += passed;
      }
      columns[c]![kept] = value;
    }
    kept++;
  }
  return ok({ kinds, columns: columns.map((c) => c.slice(0, kept)) });
}

/** Without heads: one column is a wheel, two are time and error, as everybody writes them. */
const bareKinds = (count: number): readonly Column[] => {
  const error: Column = { is: 'error', unit: 'arcsec', scale: 1 };
  if (count === 1) return [error];
  return [
    { is: 'time', unit: 's', scale: 1 },
    error,
    ...Array.from({ length: count - 2 }, () => OTHER_COLUMN),
  ];
};

/** Is it a record of following, by a column of times; else it is one of a divided wheel. */
export function isTracking(text: string, heads?: Heads): boolean {
  const read = readColumns(text.slice(0, 20_000).replace(/[^\n]*$/, ''), ['time'], heads);
  return read.ok;
}

/** A record of following: a column of times with errors in ″, ′, ° or, with what a pixel is at the axis, in px. Put in the order of time. (docs: formats) */
export function readTrackingRecord(
  text: string,
  arcsecPerPx: number | null,
  heads?: Heads,
): Result<TrackingRecord> {
  const read = readColumns(text, ['error'], heads);
  if (!read.ok) return read;
  const { kinds, columns } = read.value;
  const at = (is: Column['is']): number => kinds.findIndex((k) => k.is === is);
  const times = columns[at('time')];
  if (!times) return error('noColumn', 'no times', { limit: 'time_s', path: 'line 1' });
  const px = kinds[at('error')]!.unit === 'px';
  if (px && arcsecPerPx === null) return error('noCamera', '', { path: 'column error_px' });
  const values = columns[at('error')]!;
  const order = Array.from(times.keys());
  const sorted = times.every((t, i) => i === 0 || t >= times[i - 1]!);
  if (!sorted) order.sort((a, b) => times[a]! - times[b]!);
  const scale = px ? arcsecPerPx! : 1;
  // dates are long: what counts is how far apart they are
  const zero = times.length > 0 && times[order[0]!]! > DAY * 1000 ? times[order[0]!]! : 0;
  return ok({
    times: Float64Array.from(order, (i) => times[i]! - zero),
    values: Float64Array.from(order, (i) => values[i]! * scale),
  });
}

/** A record of a divided wheel: errors at each place in order, or gaps from each to the next; `return_arcsec` come to from the other side. */
export function readDivisionRecord(text: string, heads?: Heads): Result<DivisionRecord> {
  const read = readColumns(text, ['error', 'gap'], heads);
  if (!read.ok) return read;
  const { kinds, columns } = read.value;
  const column = (is: Column['is']): Float64Array | null =>
    columns[kinds.findIndex((k) => k.is === is)] ?? null;
  const errors = column('error');
  const back = column('return');
  if (errors) return ok({ errors, back });
  const gaps = column('gap')!;
  const mean = gaps.reduce((n, g) => n + g, 0) / Math.max(1, gaps.length);
  let at = 0;
  return ok({
    errors: gaps.map((g) => {
      const before = at;
      at += g - mean;
      return before;
    }),
    back: null,
  });
}
