import { error, ok } from '../numbers/index.ts';
import { planFor, runsOf } from '../plans/index.ts';
import { sheetCsv } from './dividing.ts';
import { plateNumber } from './circle-sheet.ts';
import { drillingCsv, drillingOffers } from './drilling.ts';
import { MOST_OFFERED, type ExportFormat } from './export.ts';
import { tablesOf } from './tables.ts';

/** One table of the drive for a spreadsheet: the sheet of targets of one count, or the table named, or its first. */
export const csv: ExportFormat = {
  title: 'CSV',
  extension: 'csv',
  type: 'text/csv',
  takes: ['divisions', 'move', 'of', 'circle', 'radius'],
  offers: (drive) => [
    ...[...tablesOf(drive)].map(([id, { title }]) => ({ file: id, title, options: { of: id } })),
    ...runsOf(drive, MOST_OFFERED).map(({ divisions }) => ({
      file: `run-sheets/${divisions}`,
      title: `Run sheet, ${divisions} divisions`,
      options: { divisions },
    })),
    ...drillingOffers(drive),
  ],
  write: (drive, options, from) => {
    const { divisions, move, of } = options;
    if (plateNumber(of) !== null) return drillingCsv(drive, options);
    if (divisions !== undefined) {
      const plan = planFor(drive, divisions, move);
      return plan.ok ? ok(sheetCsv(plan.value)) : plan;
    }
    const tables = tablesOf(drive, from);
    const names = [...tables.keys()];
    if (names[0] === undefined) return error('nothingToExport', 'anything that makes a table');
    const table = tables.get(of ?? names[0]);
    return table ? ok(table.text()) : error('notAChoice', of!, { path: '--of', limit: names.join(', ') });
  },
};
