import { error, ok, type Result } from '../numbers/index.ts';

/** What a column of a record holds, and how much one of it is: seconds, ″, pixels; of a date the seconds since 1970. */
export interface Column {
  readonly is: 'time' | 'error' | 'gap' | 'return' | 'other';
  readonly unit: 's' | 'arcsec' | 'px';
  readonly scale: number;
}

/** What is not read. */
export const OTHER_COLUMN: Column = { is: 'other', unit: 's', scale: 1 };
const TIMES: Readonly<Record<string, number>> = {
  '': 1,
  s: 1,
  sec: 1,
  seconds: 1,
  ms: 0.001,
  min: 60,
  m: 60,
  h: 3600,
  utc: 1,
  'hh:mm:ss': 1,
};
const ANGLES: Readonly<Record<string, number>> = {
  '': 1,
  arcsec: 1,
  '"': 1,
  '″': 1,
  "''": 1,
  arcmin: 60,
  "'": 60,
  '′': 60,
  min: 60,
  deg: 3600,
  '°': 3600,
};

/** "Time (s)", "time_min", "RA [arcsec]", "error_px": what a head calls its column, and in which unit. */
export function columnOf(head: string): Column {
  const [, name = '', unit = ''] =
    /^(.*?)[\s_]*[([]?(?:(?<=[\s_([])(s|sec|seconds|ms|min|m|h|utc|hh:mm:ss|arcsec|arcmin|deg|px|pixels?|"|″|''|'|′|°))?[)\]]?$/.exec(
      head.trim().toLowerCase(),
    ) ?? [];
  const of = name.replace(/[^a-z]/g, '');
  if (/^(time|t|date|datetime|timestamp|clock|elapsed)$/.test(of) && unit in TIMES)
    return { is: 'time', unit: 's', scale: TIMES[unit]! };
  const is = /^(error|err|ra|raerror|deviation|dev|position|value)$/.test(of)
    ? 'error'
    : of === 'gap'
      ? 'gap'
      : /^(return|back)$/.test(of)
        ? 'return'
        : null;
  if (!is) return OTHER_COLUMN;
  if (/^(px|pixels?)$/.test(unit)) return { is, unit: 'px', scale: 1 };
  return unit in ANGLES ? { is, unit: 'arcsec', scale: ANGLES[unit]! } : OTHER_COLUMN;
}

/** What a maker said the columns are, as heads in their places; "" for one that goes by its own head. */
export type Heads = readonly string[];

/** The heads that can be said of a column, in words. */
export const COLUMN_HEADS: readonly { readonly value: string; readonly title: string }[] = [
  { value: 'time_s', title: 'time, s' },
  { value: 'time_min', title: 'time, min' },
  { value: 'time_h', title: 'time, h' },
  { value: 'time_ms', title: 'time, ms' },
  { value: 'error_arcsec', title: 'error, ″' },
  { value: 'error_arcmin', title: 'error, ′' },
  { value: 'error_deg', title: 'error, °' },
  { value: 'error_px', title: 'error, px' },
  { value: 'gap_arcsec', title: 'gap to the next, ″' },
  { value: 'gap_arcmin', title: 'gap to the next, ′' },
  { value: 'return_arcsec', title: 'from the other side, ″' },
  { value: 'return_arcmin', title: 'from the other side, ′' },
  { value: 'other', title: 'not read' },
];

/** What a column is read as by its own head, in words. */
export const COLUMN_KINDS: Readonly<Record<Column['is'], string>> = {
  time: 'times',
  error: 'errors',
  gap: 'gaps',
  return: 'from the other side',
  other: 'not read',
};

/** Heads as one writes them in a line, ",time_min,error_px"; nothing between two commas leaves a column to its own head. Refused by the word. */
export function readHeads(text: string): Result<Heads> {
  const heads = text.split(',').map((h) => h.trim());
  const odd = heads.find((h) => h !== '' && !COLUMN_HEADS.some((c) => c.value === h));
  return odd === undefined
    ? ok(heads)
    : error('notAChoice', odd, { limit: COLUMN_HEADS.map((c) => c.value).join(', ') });
}
