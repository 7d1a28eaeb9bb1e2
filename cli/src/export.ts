import { writeFile } from 'node:fs/promises';
import {
  at,
  LARGEST_COUNT,
  MAX_ROWS,
  noRun,
  planRun,
  readCount,
  error,
  ok,
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
  message: 'constants of the rates, moves for a machine, or a table',
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
    if (as === undefined) return error('needsOption', '--as', { example: '--as csv' });
    if (!(WAYS as readonly string[]).includes(as))
      return error('notAChoice', as, { path: '--as', limit: WAYS.join(', ') });
    const drive = await readDriveFile(files);
    if (!drive.ok) return drive;
    const asked = texts.get('divisions');
    const divisions =
      asked === undefined
        ? ok(null)
        : readCount(asked, {
            min: 1,
            max: Math.min(LARGEST_COUNT, MAX_ROWS),
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
    if (out === undefined) return ok(text.value.trimEnd());
    try {
      await writeFile(out, text.value);
    } catch (fault) {
      return error('cannotWrite', (fault as { code?: string }).code ?? 'unknown', { path: out });
    }
    return ok(`written to ${out}`);
  },
};

/** How the moves are written; what is given is checked before anything is made. */
function gcodeOptions(texts: ReadonlyMap<string, string>): Result<GcodeOptions> {
  const [axes, dwell, shutter] = ['axes', 'dwell', 'shutter'].map((name) => texts.get(name));
  if (dwell !== undefined && dwell !== 's' && dwell !== 'ms')
    return error('notAChoice', dwell, { path: '--dwell', limit: 's, ms' });
  if (shutter !== undefined && !/^[A-Za-z][\w. ]{0,30}$/.test(shutter))
    return error('badValue', shutter, { path: '--shutter' });
  return ok({
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
      return text === null ? error('nothingToExport', 'rates that a timer keeps') : ok(text);
    }
    case 'gcode':
      return divisions === null ? shotGcode(drive, options) : divisionsGcode(drive, divisions);
    case 'csv': {
      if (divisions !== null) {
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
      if (of !== undefined && !tables.has(of))
        return error('notAChoice', of, { path: '--of', limit: names.join(', ') });
      return ok(tables.get(of ?? names[0])!());
    }
  }
}
