import Papa from 'papaparse';
import { plainSigns } from '../words/index.ts';
import { pictureTable, type FindRow, type ResultPicture } from '../report/index.ts';

type Cell = string | number;

/** What a spreadsheet would run as a formula: it begins with = + - @, a tab or a return, and is no number. */
const FORMULA = /^(?![-+]?\d*\.?\d+(?:[eE][-+]?\d+)?$)'*[=+\-@\t\r]/;

/** RFC 4180, but LF; a header row with units; numbers with a point; what a spreadsheet would run gets an apostrophe before it. */
export const writeCsv = (head: readonly string[], rows: readonly (readonly Cell[])[]): string =>
  `${Papa.unparse({ fields: [...head], data: rows.map((r) => r.map((cell) => (typeof cell === 'string' ? plainSigns(cell) : cell))) }, { newline: '\n', escapeFormulae: FORMULA })}\n`;

/** A cell as it was before it was made safe for a spreadsheet. */
export const plainCell = (cell: string): string =>
  FORMULA.test(cell.slice(1)) ? cell.replace(/^'/, '') : cell;

/** Trains that were found: exact figures as fractions; what they are at the work in ″, empty where it is not known. */
export const foundCsv = (rows: readonly FindRow[]): string =>
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
      'step at the work (arcsec)',
      'periodic error (arcsec)',
      'periodic causes unknown',
    ],
    rows.map(({ row: r, atWork }) => [
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
      atWork?.stepArcsec ?? '',
      atWork?.periodicArcsec ?? '',
      atWork?.unknown ?? '',
    ]),
  );

/** The data of a picture. (docs: formats) */
export function pictureCsv(picture: ResultPicture, part?: 'shares'): string {
  const { head, rows } = pictureTable(picture, part);
  return writeCsv(head, rows);
}
