import type { DutyTable } from '@pendrix/core';
import { save } from './files.ts';

/** A duty's table as a file to keep. */
export async function saveTable(name: string, table: DutyTable): Promise<void> {
  const { dutyCsv } = await import('@pendrix/core/files/tables');
  save(`${name}.csv`, dutyCsv(table), 'text/csv');
}
