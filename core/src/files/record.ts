import Papa from 'papaparse';
import { error, ok, readNumber, toNumber, type Result } from '../numbers/index.ts';
import type { DivisionRecord, TrackingRecord } from '../measure/index.ts';

/** Rows of a record that is read. */
export const MAX_READINGS = 1_000_000;

/** The numbers of a table of readings, column by column under its heads. */
interface Columns {
  readonly heads: readonly string[];
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

/** Commas, semicolons or tabs, a byte-order mark; what cannot be read is told by its line and column. */
function readColumns(text: string, wanted: readonly string[]): Result<Columns> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const heads = (data[0] ?? []).map((h) => h.trim().toLowerCase());
  if (!wanted.some((w) => heads.includes(w)))
    return error('noColumn', heads.slice(0, 6).join(', ').slice(0, 80), {
      limit: wanted.join(', '),
      path: 'line 1',
    });
  const rows = data.length - 1;
  if (rows > MAX_READINGS)
    return error('tooLarge', String(rows), { limit: String(MAX_READINGS), unit: 'readings' });
  const columns = heads.map(() => new Float64Array(rows));
  for (let r = 0; r < rows; r++) {
    const row = data[r + 1]!;
    for (let c = 0; c < heads.length; c++) {
      if (!wanted.includes(heads[c]!) && heads[c] !== 'time_s' && heads[c] !== 'return_arcsec') continue;
      const n = numberOf(row[c] ?? '');
      if (n === null)
        return error('notNumber', (row[c] ?? '').slice(0, 40), {
          path: `line ${r + 2}, column ${heads[c]}`,
          example: '12.5',
        });
      columns[c]![r] = n;
    }
  }
  return ok({ heads, columns });
}

/** A record of following: `time_s` with `error_arcsec`, or with `error_px` and what a pixel is at the axis. Put in the order of time. (docs: formats) */
export function readTrackingRecord(text: string, arcsecPerPx: number | null): Result<TrackingRecord> {
  const read = readColumns(text, ['error_arcsec', 'error_px']);
  if (!read.ok) return read;
  const { heads, columns } = read.value;
  const times = columns[heads.indexOf('time_s')];
  if (!times) return error('noColumn', heads.join(', ').slice(0, 80), { limit: 'time_s', path: 'line 1' });
  const px = !heads.includes('error_arcsec');
  if (px && arcsecPerPx === null) return error('noCamera', '', { path: 'column error_px' });
  const values = columns[heads.indexOf(px ? 'error_px' : 'error_arcsec')]!;
  const order = Array.from(times.keys());
  const sorted = times.every((t, i) => i === 0 || t >= times[i - 1]!);
  if (!sorted) order.sort((a, b) => times[a]! - times[b]!);
  const scale = px ? arcsecPerPx! : 1;
  return ok({
    times: sorted ? times : Float64Array.from(order, (i) => times[i]!),
    values: Float64Array.from(order, (i) => values[i]! * scale),
  });
}

/** A record of a divided wheel: `error_arcsec` at each place in order, or `gap_arcsec` from each to the next; `return_arcsec` come to from the other side. */
export function readDivisionRecord(text: string): Result<DivisionRecord> {
  const read = readColumns(text, ['error_arcsec', 'gap_arcsec']);
  if (!read.ok) return read;
  const { heads, columns } = read.value;
  const errors = columns[heads.indexOf('error_arcsec')];
  const back = columns[heads.indexOf('return_arcsec')] ?? null;
  if (errors) return ok({ errors, back });
  const gaps = columns[heads.indexOf('gap_arcsec')]!;
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
