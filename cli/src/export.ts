import { error, pathOf } from '@pendrix/core';
import {
  exportDrive,
  exportFormats,
  exportOptions,
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
  usage: `export FILE --as ${WAYS.join('|')} ${OPTIONS.map(([key, o]) => `[--${key} ${o.example}]`).join(' ')} [--train NAME] [--out PATH]`,
  message: 'constants of the rates, moves for a machine, or a table',
  run: async (words) => {
    const given = readOptions(words, {
      as: 'text',
      out: 'text',
      train: 'text',
      ...Object.fromEntries(OPTIONS.map(([key]) => [key, 'text' as const])),
    });
    if (!given.ok) return given;
    const { files, texts } = given.value;
    const as = texts.get('as');
    if (as === undefined) return error('needsOption', '--as', { example: '--as csv' });
    if (!isExportId(as)) return error('notAChoice', as, { path: '--as', limit: WAYS.join(', ') });
    const whole = await readDriveFile(files);
    if (!whole.ok) return whole;
    const chosen = chosenTrain(whole.value, texts.get('train'));
    if (!chosen.ok) return chosen;
    const drive = chosen.value === null ? whole.value : pathOf(whole.value, chosen.value).drive;
    const options = readExportOptions(texts);
    if (!options.ok) return options;
    const text = exportDrive(drive, as, options.value);
    if (!text.ok) return text;
    return put(text.value, texts.get('out'));
  },
};
