import { at, error, ok, type Refusal, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { isAnyRun, type AnyRun } from '../run/index.ts';
import { runName } from '../words/index.ts';
import { MAX_PARTS, type ShelfPart } from '../shelf/index.ts';
import { driveForm, driveFrom, ordered } from './drive-file.ts';
import { readJson } from './json.ts';
import { migrate, type Unchecked } from './migrate.ts';
import { checkLine } from './shelf-file.ts';

/** A run at the machine, of one of the drives in the same file. */
export interface KeptRun {
  /** which of them, from 0 */
  readonly drive: number;
  readonly name: string;
  readonly state: AnyRun;
  /** put aside before its last gap */
  readonly ended: boolean;
}

/** Everything of a workshop: a backup, or one to hand on. */
export interface Workshop {
  readonly drives: readonly Drive[];
  readonly parts: readonly ShelfPart[];
  readonly runs: readonly KeptRun[];
}

/** What was read, and what in the same file is not good, each with its name and why. */
export interface WorkshopRead extends Workshop {
  readonly left: readonly { readonly name: string; readonly refusal: Refusal }[];
}

const MAX_DRIVES = 2000;
const MAX_RUNS = 10_000;
const MAX_RUN_NAME = 60;

/**
 * What a drive file, a workshop file or a shelf file holds. Of a workshop whatever is good is read, and the rest is named; a file that
 * is none of them, or a single drive that is not good, is refused as a whole. (docs: formats)
 */
export function readWorkshop(text: string): Result<WorkshopRead> {
  const json = readJson(text);
  if (!json.ok) return json;
  const file = migrate(json.value);
  if (!file.ok) return file;
  const { format, file: value } = file.value;
  if (format === 'pendrix-drive') {
    const drive = driveFrom(json.value);
    return drive.ok ? ok({ drives: [drive.value], parts: [], runs: [], left: [] }) : drive;
  }
  if (format !== 'pendrix-workshop' && format !== 'pendrix-shelf')
    return error('wrongFormat', format, { path: 'format', limit: 'pendrix-drive' });
  const asked = format === 'pendrix-shelf' ? 'parts' : 'drives';
  if (value[asked] === undefined) return error('missing', '', { path: asked, example: '[]' });
  const left: { name: string; refusal: Refusal }[] = [];
  const lists: Record<string, readonly unknown[]> = {};
  for (const [key, limit] of [
    ['drives', MAX_DRIVES],
    ['parts', MAX_PARTS],
    ['runs', MAX_RUNS],
  ] as const) {
    const list = value[key] ?? [];
    if (!Array.isArray(list)) return error('notList', '', { path: key, example: '[]' });
    if (list.length > limit)
      return error('tooMany', String(list.length), { path: key, limit: String(limit), unit: key });
    lists[key] = list as readonly unknown[];
  }
  const places = new Map<number, number>();
  const drives: Drive[] = [];
  for (const [i, drive] of lists['drives']!.entries()) {
    const path = `drives[${i}]`;
    const checked = isData(drive) ? driveFrom(drive) : error('notObject', JSON.stringify(drive) ?? '');
    if (checked.ok) {
      places.set(i, drives.length);
      drives.push(checked.value);
    } else left.push({ name: nameOf(drive) ?? path, refusal: at(path, checked.refusal) });
  }
  const parts: ShelfPart[] = [];
  const ids = new Set<string>();
  for (const [i, part] of lists['parts']!.entries()) {
    const checked = checkLine(part, ids);
    if (checked.ok) parts.push(checked.value);
    else left.push({ name: nameOf(part) ?? `parts[${i}]`, refusal: at(`parts[${i}]`, checked.refusal) });
  }
  const runs: KeptRun[] = [];
  for (const [i, run] of lists['runs']!.entries()) {
    const { drive, name, state, ended } = isData(run) ? run : {};
    const its = places.get(Number(drive));
    if (its !== undefined && isAnyRun(state))
      runs.push({
        drive: its,
        name: (typeof name === 'string' ? name : '').slice(0, MAX_RUN_NAME) || runName(state),
        state,
        ended: ended === true,
      });
    else
      left.push({
        name: nameOf(run) ?? `runs[${i}]`,
        refusal: error('badValue', its === undefined ? `drive ${String(drive)}` : 'the run', {
          path: `runs[${i}]`,
        }).refusal,
      });
  }
  return ok({ drives, parts, runs, left });
}

const isData = (value: unknown): value is Unchecked =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A name that stands in what cannot be read. */
function nameOf(value: unknown): string | null {
  const name = isData(value) ? value['name'] : null;
  return typeof name === 'string' && name !== '' ? name : null;
}

/** A workshop as text; deterministic. What is empty is left out. */
export function writeWorkshop({ drives, parts, runs }: Workshop): string {
  const file = {
    format: 'pendrix-workshop',
    version: 1,
    drives: drives.map(driveForm),
    ...(parts.length > 0 && { parts: parts.map(ordered) }),
    ...(runs.length > 0 && { runs: runs.map(ordered) }),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}
