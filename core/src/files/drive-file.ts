import { error, ok, type Result } from '../numbers/index.ts';
import { amendDrive, show, type Drive } from '../drive/index.ts';
import { isDeeper, readJson } from './json.ts';
import { migrate, type Migrated, type Unchecked } from './migrate.ts';
import { driveSchema, refusalFrom } from './schema.ts';
import { keptForm, trainsForm } from './trains-form.ts';

/** Checks an unchecked drive as it is kept. Unknown keys stay; numbers where exact text is meant become text. */
function checkDrive(kept: Unchecked): Result<Drive> {
  const checked = driveSchema.validate(amendDrive(kept), { convert: false, abortEarly: true });
  return checked.error
    ? { ok: false, refusal: refusalFrom(checked.error) }
    : notTooDeep(checked.value as Drive);
}

/** How deep a drive may be nested as its file holds it, with its revisions and without: what one holds can be written, and read again. */
const MAX_DEPTH = 80;
const MAX_DESIGN_DEPTH = 60;

function notTooDeep(drive: Drive): Result<Drive> {
  const file = trainsForm(drive);
  const { revisions: _, ...design } = file;
  return isDeeper(design, MAX_DESIGN_DEPTH) || isDeeper(file, MAX_DEPTH)
    ? error('tooDeep', '', { limit: String(MAX_DESIGN_DEPTH) })
    : ok(drive);
}

/** A drive of a file that was brought to the current version. A refusal names the place as the file that was read calls it. */
function fromTrains({ file, from }: Migrated): Result<Drive> {
  const { trains } = file;
  const kept = keptForm(file);
  if (!kept) {
    if (from === 1) return checkDrive(file);
    if (trains === undefined) return error('missing', '', { path: 'trains', example: '[ … ]' });
    if (!Array.isArray(trains)) return error('notList', show(trains), { path: 'trains' });
    const wrong = trains.findIndex((t) => typeof t !== 'object' || t === null || Array.isArray(t));
    return wrong < 0
      ? error('missing', '', { path: 'trains[0]', example: '{ … }' })
      : error('notObject', show(trains[wrong]), { path: `trains[${wrong}]` });
  }
  const checked = checkDrive(kept.drive);
  if (checked.ok || from === 1) return checked;
  const { refusal } = checked;
  return { ok: false, refusal: { ...refusal, path: kept.placeInFile(refusal.path) } };
}

/** An object of a file that is to be a drive, of any version. */
export function driveFrom(value: unknown): Result<Drive> {
  const file = migrate(value);
  if (!file.ok) return file;
  return file.value.format === 'pendrix-drive'
    ? fromTrains(file.value)
    : error('wrongFormat', file.value.format, { path: 'format', limit: 'pendrix-drive' });
}

/** Reads the text of a `*.pendrix.json` drive file. One refusal names the first place that is wrong. */
export function readDrive(text: string): Result<Drive> {
  const json = readJson(text);
  if (!json.ok) return json;
  return driveFrom(json.value);
}

/** Known keys first, in this order; unknown ones after them as they came. */
const ORDER: readonly string[] = [
  'format',
  'version',
  'name',
  'job',
  'trains',
  'train',
  'from',
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

/** A drive as a file holds it, its keys in order. */
export const driveForm = (drive: Drive): unknown => ordered(trainsForm(drive));

/** The text of a drive file: UTF-8, LF, deterministic. */
export const writeDrive = (drive: Drive): string => `${JSON.stringify(driveForm(drive), null, 2)}\n`;

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
