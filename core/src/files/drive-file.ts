import { error, ok, type Result } from '../numbers/index.ts';
import { amendDrive, type Drive } from '../drive/index.ts';
import { readJson } from './json.ts';
import { migrate, type Unchecked } from './migrate.ts';
import { driveSchema, refusalFrom } from './schema.ts';

/** Checks an unchecked drive of the current version. Unknown keys are kept; numbers where exact text is meant become text. */
export function checkDrive(file: Unchecked): Result<Drive> {
  const checked = driveSchema.validate(amendDrive(file), { convert: false, abortEarly: true });
  return checked.error ? { ok: false, refusal: refusalFrom(checked.error) } : ok(checked.value as Drive);
}

/** Reads the text of a `*.pendrix.json` drive file. One refusal names the first place that is wrong. */
export function readDrive(text: string): Result<Drive> {
  const json = readJson(text);
  if (!json.ok) return json;
  const file = migrate(json.value);
  if (!file.ok) return file;
  if (file.value.format !== 'pendrix-drive')
    return error('wrongFormat', file.value.format, { path: 'format', limit: 'pendrix-drive' });
  return checkDrive(file.value.file);
}

/** Known keys first, in this order; unknown ones after them as they came. */
const ORDER: readonly string[] = [
  'format',
  'version',
  'name',
  'job',
  'train',
  'encoder',
  'timer',
  'plates',
  'find',
  'dismissed',
  'parts',
  'id',
  'divisions',
  'rates',
  'sweeps',
  'spins',
  'toleranceArcsec',
  'toleranceMm',
  'radiusMm',
  'camera',
  'load',
  'notes',
  'source',
  'stages',
  'output',
  'kind',
  'fullSteps',
  'modes',
  'mode',
  'lines',
  'decode',
  'shaft',
  'z1',
  'z2',
  'starts',
  'wheel',
  'sun',
  'ring',
  'planets',
  'fixed',
  'in',
  'out',
  'planetFixed',
  'planetOut',
  'meshFixed',
  'meshOut',
  'pairs',
  'ratio',
  'value',
  'provenance',
];

/** An object with its keys in a fixed order, so that the same drive is always the same bytes. Lists keep theirs. */
export function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (typeof value !== 'object' || value === null) return value;
  const rank = (key: string): number => {
    const at = ORDER.indexOf(key);
    return at < 0 ? ORDER.length : at;
  };
  const entries = Object.entries(value).sort(([a], [b]) => rank(a) - rank(b) || (a < b ? -1 : a > b ? 1 : 0));
  return Object.fromEntries(entries.map(([k, v]) => [k, ordered(v)]));
}

/** The text of a drive file: UTF-8, LF, deterministic. */
export const writeDrive = (drive: Drive): string => `${JSON.stringify(ordered(drive), null, 2)}\n`;

/** "Orrery wheel cutter" → "orrery-wheel-cutter.pendrix.json" */
export const driveFileName = (drive: Drive): string =>
  `${
    drive.name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'drive'
  }.pendrix.json`;
