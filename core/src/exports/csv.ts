import { error, ok } from '../numbers/index.ts';
import { noRun, planRun } from '../report/index.ts';
import { sheetCsv } from './dividing.ts';
import { plateNumber } from './circle-sheet.ts';
import { drillingCsv } from './drilling.ts';
import type { ExportFormat } from './export.ts';
import { tablesOf } from './tables.ts';

/** One table of the drive for a spreadsheet: the sheet of targets of one count, or the table named, or its first. */
export const csv: ExportFormat = {
  title: 'CSV',
  extension: 'csv',
  type: 'text/csv',
  takes: ['divisions', 'of', 'circle', 'radius'],
  write: (drive, options) => {
    const { divisions, of } = options;
    if (plateNumber(of) !== null) return drillingCsv(drive, options);
    if (divisions !== undefined) {
      const refusal = noRun(drive, divisions);
      if (refusal) return { ok: false, refusal };
      const plan = planRun(drive, divisions);
      return plan
        ? ok(sheetCsv(plan))
        : error('badValue', drive.train.source.kind, { path: 'train.source.kind' });
    }
    const tables = tablesOf(drive);
    const names = [...tables.keys()];
    if (names[0] === undefined) return error('nothingToExport', 'anything that makes a table');
    const table = tables.get(of ?? names[0]);
    return table ? ok(table()) : error('notAChoice', of!, { path: '--of', limit: names.join(', ') });
  },
};
