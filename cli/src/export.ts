import { writeFile } from 'node:fs/promises';
import {
  at,
  dividerOf,
  kinematicsOf,
  LARGEST_COUNT,
  MOST_ROWS,
  planRun,
  readCount,
  refused,
  taken,
  type Drive,
  type Result,
} from '@pendrix/core';
import { cHeader, gcode, sheetCsv, tablesOf } from '@pendrix/core/files/index';
import type { Command } from './command.ts';
import { readOptions } from './options.ts';
import { readDriveFile } from './read.ts';

const WAYS = ['cheader', 'gcode', 'csv'] as const;

/** `pendrix export FILE --as cheader|gcode|csv`: what a controller or a spreadsheet takes. */
export const exported: Command = {
  name: 'export',
  usage: 'export FILE --as cheader|gcode|csv [--divisions 73] [--of rates] [--out PATH]',
  says: 'constants of the rates, moves for a machine, or a table',
  run: async (words) => {
    const given = readOptions(words, { as: 'text', divisions: 'text', of: 'text', out: 'text' });
    if (!given.ok) return given;
    const { files, texts } = given.value;
    const as = texts.get('as');
    if (as === undefined) return refused('needsOption', '--as', { example: '--as csv' });
    if (!(WAYS as readonly string[]).includes(as))
      return refused('notAChoice', as, { path: '--as', limit: WAYS.join(', ') });
    const drive = await readDriveFile(files);
    if (!drive.ok) return drive;
    const asked = texts.get('divisions');
    const divisions =
      asked === undefined
        ? taken(null)
        : readCount(asked, {
            min: 1,
            max: Math.min(LARGEST_COUNT, MOST_ROWS),
            unit: 'divisions',
            example: '73',
          });
    if (!divisions.ok) return { ok: false, refusal: at('--divisions', divisions.refusal) };
    const text = write(drive.value, as as (typeof WAYS)[number], divisions.value, texts.get('of'));
    if (!text.ok) return text;
    const out = texts.get('out');
    if (out === undefined) return taken(text.value.trimEnd());
    try {
      await writeFile(out, text.value);
    } catch (fault) {
      return refused('cannotWrite', (fault as { code?: string }).code ?? 'unknown', { path: out });
    }
    return taken(`written to ${out}`);
  },
};

function write(
  drive: Drive,
  as: (typeof WAYS)[number],
  divisions: number | null,
  of: string | undefined,
): Result<string> {
  switch (as) {
    case 'cheader': {
      const text = cHeader(drive);
      return text === null ? refused('nothingToExport', 'rates that a timer keeps') : taken(text);
    }
    case 'gcode': {
      const text = gcode(drive, divisions);
      return text === null ? refused('nothingToExport', 'sweeps; give --divisions') : taken(text);
    }
    case 'csv': {
      if (divisions !== null) {
        const plan = dividerOf(kinematicsOf(drive), null) && planRun(drive, divisions);
        return plan
          ? taken(sheetCsv(plan))
          : refused('badValue', drive.train.source.kind, { path: 'train.source.kind' });
      }
      const tables = tablesOf(drive);
      const names = [...tables.keys()];
      if (names[0] === undefined) return refused('nothingToExport', 'anything that makes a table');
      if (of !== undefined && !tables.has(of))
        return refused('notAChoice', of, { path: '--of', limit: names.join(', ') });
      return taken(tables.get(of ?? names[0])!());
    }
  }
}
