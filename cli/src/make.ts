import {
  BELT_HEAD,
  beltRows,
  error,
  madeWheels,
  ok,
  pathOf,
  readCount,
  trainsOf,
  at,
  WHEEL_HEAD,
  wheelRows,
  type Drive,
  type Result,
} from '@pendrix/core';
import { exportDrive } from '@pendrix/core/exports/index';
import { writeCsv } from '@pendrix/core/files/index';
import { table, type Command } from './command.ts';
import { readOptions } from './options.ts';
import { chosenTrain, put, readDriveFile } from './read.ts';

const WAYS = ['csv', 'svg', 'dxf'] as const;

/** `pendrix make FILE [--wheel 3] [--as csv|svg|dxf] [--train NAME] [--out PATH]`: what is cut. (handbook: make) */
export const make: Command = {
  name: 'make',
  usage: 'make FILE [--wheel 3] [--as csv|svg|dxf] [--out PATH]',
  message: 'blanks, cutters and belts as a list, or a wheel drawn at 1:1',
  run: async (words) => {
    const given = readOptions(words, { wheel: 'text', as: 'text', train: 'text', out: 'text' });
    if (!given.ok) return given;
    const { files, texts } = given.value;
    const as = texts.get('as');
    if (as !== undefined && !(WAYS as readonly string[]).includes(as))
      return error('notAChoice', as, { path: '--as', limit: WAYS.join(', ') });
    const whole = await readDriveFile(files);
    if (!whole.ok) return whole;
    const chosen = chosenTrain(whole.value, texts.get('train'));
    if (!chosen.ok) return chosen;
    const drive = pathOf(whole.value, chosen.value ?? firstWithWheels(whole.value)).drive;
    const wheel = wheelOf(drive, texts.get('wheel'));
    if (!wheel.ok) return wheel;
    const text = written(drive, as, wheel.value);
    return text.ok ? put(text.value, texts.get('out')) : text;
  },
};

/** The first train, unless it has nothing to make and another has: a dial may sit on the crank itself. */
function firstWithWheels(drive: Drive): number {
  const at = trainsOf(drive).findIndex((_, i) => madeWheels(pathOf(drive, i).drive).length > 0);
  return Math.max(0, at);
}

/** Which wheel; undefined for all. */
function wheelOf(drive: Drive, text: string | undefined): Result<number | undefined> {
  if (text === undefined) return ok(undefined);
  const read = readCount(text, { min: 1, max: 1000, unit: 'wheel', example: '3' });
  if (!read.ok) return { ok: false, refusal: at('--wheel', read.refusal) };
  const many = madeWheels(drive).length;
  return read.value > many ? error('noWheel', text, { path: '--wheel', limit: String(many) }) : read;
}

function written(drive: Drive, as: string | undefined, wheel: number | undefined): Result<string> {
  if (as === 'svg' || as === 'dxf') {
    if (wheel === undefined) return error('needsOption', '--wheel', { example: '--wheel 3' });
    return exportDrive(drive, as, { of: `wheel-${wheel}` });
  }
  const wheels = wheelRows(drive, wheel);
  const belts = wheel === undefined ? beltRows(drive) : [];
  if (wheels.length + belts.length === 0) return error('nothingToExport', 'wheels to cut');
  const parts = [
    ...(wheels.length > 0 ? [[WHEEL_HEAD, wheels] as const] : []),
    ...(belts.length > 0 ? [[BELT_HEAD, belts] as const] : []),
  ];
  return ok(
    as === 'csv'
      ? parts.map(([head, rows]) => writeCsv(head, rows)).join('\n')
      : parts.map(([head, rows]) => table(head, rows)).join('\n\n'),
  );
}
