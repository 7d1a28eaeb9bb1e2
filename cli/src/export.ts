import { error, ok, pathOf, type Drive, type Result } from '@pendrix/core';
import {
  exportDrive,
  exportFormats,
  exportOptions,
  offersOf,
  isExportId,
  readExportOptions,
} from '@pendrix/core/exports/index';
import type { Command } from './command.ts';
import { readOptions } from './options.ts';
import { chosenTrain, put, readDriveFile } from './read.ts';

const WAYS = Object.keys(exportFormats);
const OPTIONS = Object.entries(exportOptions);

/** `pendrix export FILE --as cheader|gcode|csv`: what a controller or a spreadsheet takes. */
export const exported: Command = {
  name: 'export',
  usage: `export FILE --as ${WAYS.join('|')} ${OPTIONS.map(([key, o]) => `[--${key} ${o.example}]`).join(' ')} [--train NAME] [--out PATH], or export FILE --list [--train NAME] [--json]`,
  message: 'constants of the rates, moves for a machine, or a table',
  run: async (words) => {
    const given = readOptions(words, {
      as: 'text',
      out: 'text',
      train: 'text',
      list: 'flag',
      json: 'flag',
      ...Object.fromEntries(OPTIONS.map(([key]) => [key, 'text' as const])),
    });
    if (!given.ok) return given;
    const { files, texts, flags } = given.value;
    const as = texts.get('as');
    if (flags.has('list')) return listed(files, texts.get('train'), flags.has('json'));
    if (as === undefined) return error('needsOption', '--as', { example: '--as csv' });
    if (!isExportId(as)) return error('notAChoice', as, { path: '--as', limit: WAYS.join(', ') });
    const drive = await pathFrom(files, texts.get('train'));
    if (!drive.ok) return drive;
    const options = readExportOptions(texts);
    if (!options.ok) return options;
    const text = exportDrive(drive.value, as, options.value);
    if (!text.ok) return text;
    return put(text.value, texts.get('out'));
  },
};

/** The train that is meant, as a drive of its own. */
async function pathFrom(files: readonly string[], train: string | undefined): Promise<Result<Drive>> {
  const whole = await readDriveFile(files);
  if (!whole.ok) return whole;
  const chosen = chosenTrain(whole.value, train);
  if (!chosen.ok) return chosen;
  return ok(chosen.value === null ? whole.value : pathOf(whole.value, chosen.value).drive);
}

/** Every file that there is to write, with what writes it. */
async function listed(
  files: readonly string[],
  train: string | undefined,
  json: boolean,
): Promise<Result<string>> {
  const drive = await pathFrom(files, train);
  if (!drive.ok) return drive;
  const rows = offersOf(drive.value).map(({ as, file, title, options }) => ({
    file: `${file}.${exportFormats[as].extension}`,
    title,
    as,
    ...options,
  }));
  return ok(
    json
      ? JSON.stringify(rows, null, 2)
      : rows
          .map(
            ({ file, title, as, ...options }) =>
              `${file}  ${title}: --as ${as}${Object.entries(options)
                .map(([key, value]) => ` --${key} ${String(value)}`)
                .join('')}`,
          )
          .join('\n'),
  );
}
