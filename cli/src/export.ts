import { writeFile } from 'node:fs/promises';
import {
  at,
  LARGEST_COUNT,
  MOST_ROWS,
  noRun,
  planRun,
  readCount,
  refused,
  taken,
  type Drive,
  type Result,
} from '@pendrix/core';
import {
  cHeader,
  divisionsGcode,
  sheetCsv,
  shotGcode,
  tablesOf,
  type GcodeOptions,
} from '@pendrix/core/files/index';
import type { Command } from './command.ts';
import { readOptions } from './options.ts';
import { readDriveFile } from './read.ts';

const WAYS = ['cheader', 'gcode', 'csv'] as const;

/** `pendrix export FILE --as cheader|gcode|csv`: what a controller or a spreadsheet takes. */
export const exported: Command = {
  name: 'export',
  usage: 'export FILE --as cheader|gcode|csv [--divisions 73] [--axes slide=X,pan=A] [--out PATH]',
  says: 'constants of the rates, moves for a machine, or a table',
  run: async (words) => {
    const given = readOptions(words, {
      as: 'text',
      divisions: 'text',
      of: 'text',
      out: 'text',
      axes: 'text',
      dwell: 'text',
      shutter: 'text',
    });
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
    const gcode = gcodeOptions(texts);
    if (!gcode.ok) return gcode;
    const text = write(
      drive.value,
      as as (typeof WAYS)[number],
      divisions.value,
      texts.get('of'),
      gcode.value,
    );
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

/** How the moves are written; what is given is checked before anything is made. */
function gcodeOptions(texts: ReadonlyMap<string, string>): Result<GcodeOptions> {
  const [axes, dwell, shutter] = ['axes', 'dwell', 'shutter'].map((name) => texts.get(name));
  if (dwell !== undefined && dwell !== 's' && dwell !== 'ms')
    return refused('notAChoice', dwell, { path: '--dwell', limit: 's, ms' });
  if (shutter !== undefined && !/^[A-Za-z][\w. ]{0,30}$/.test(shutter))
    return refused('badValue', shutter, { path: '--shutter' });
  return taken({
    ...(axes !== undefined && { axes }),
    ...(dwell !== undefined && { dwell }),
    ...(shutter !== undefined && { shutter }),
  });
}

function write(
  drive: Drive,
  as: (typeof WAYS)[number],
  divisions: number | null,
  of: string | undefined,
  options: GcodeOptions,
): Result<string> {
  switch (as) {
    case 'cheader': {
      const text = cHeader(drive);
      return text === null ? refused('nothingToExport', 'rates that a timer keeps') : taken(text);
    }
    case 'gcode':
      return divisions === null ? shotGcode(drive, options) : divisionsGcode(drive, divisions);
    case 'csv': {
      if (divisions !== null) {
        const refusal = noRun(drive, divisions);
        if (refusal) return { ok: false, refusal };
        const plan = planRun(drive, divisions);
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
