import Papa from 'papaparse';
import type { FoundRow } from '../find/index.ts';
import { pictureTable, type ResultPicture } from '../report/index.ts';

type Cell = string | number;

/** What a spreadsheet would run as a formula: it begins with = + - @, a tab or a return, and is no number. */
const FORMULA = /^(?![-+]?\d*\.?\d+(?:[eE][-+]?\d+)?$)'*[=+\-@\t\r]/;

/** RFC 4180, but LF; a header row with units; numbers with a point; what a spreadsheet would run gets an apostrophe before it. */
export const writeCsv = (head: readonly string[], rows: readonly (readonly Cell[])[]): string =>
  `${Papa.unparse({ fields: [...head], data: rows.map((r) => [...r]) }, { newline: '\n', escapeFormulae: FORMULA })}\n`;

/** A cell as it was before it was made safe for a spreadsheet. */
export const plainCell = (cell: string): string =>
  FORMULA.test(cell.slice(1)) ? cell.replace(/^'/, '') : cell;

/** Trains that were found: exact figures as fractions. */
export const foundCsv = (rows: readonly FoundRow[]): string =>
  writeCsv(
    [
      'kind',
      'stages',
      'driven',
      'drivers',
      'ratio',
      'off by (part of 1)',
      'steps a turn',
      'mode',
      'ticks',
      'misses',
      'teeth',
      'owned',
      'of',
    ],
    rows.map((r) => [
      r.kind,
      r.stages,
      r.driven.join(' '),
      r.drivers.join(' '),
      r.ratio,
      r.error ?? '',
      r.steps ?? '',
      r.mode ?? '',
      r.intervalTicks ?? '',
      r.misses.join(' '),
      r.teeth,
      r.owned,
      r.wheels,
    ]),
  );

/** The data of a picture. (docs: formats) */
export function pictureCsv(picture: ResultPicture, part?: 'shares'): string {
  const { head, rows } = pictureTable(picture, part);
  return writeCsv(head, rows);
}
