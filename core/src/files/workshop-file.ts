import { at, refused, taken, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { checkDrive, ordered } from './drive-file.ts';
import { readJson } from './json.ts';
import { migrate, type Unchecked } from './migrate.ts';

/** Everything in one file: a backup, or the demo workshop. */
export interface Workshop {
  readonly format: 'pendrix-workshop';
  readonly version: 1;
  readonly name?: string;
  readonly drives: readonly Drive[];
}

const MOST_DRIVES = 2000;

/** The drives of a drive file or of a workshop file. All of them, or none and the place that is wrong. */
export function readDrives(text: string): Result<readonly Drive[]> {
  const json = readJson(text);
  if (!json.ok) return json;
  const file = migrate(json.value);
  if (!file.ok) return file;
  if (file.value.format === 'pendrix-drive') {
    const drive = checkDrive(file.value.file);
    return drive.ok ? taken([drive.value]) : drive;
  }
  const { drives } = file.value.file;
  if (!Array.isArray(drives))
    return refused(drives === undefined ? 'missing' : 'notList', '', { path: 'drives', example: '[]' });
  if (drives.length > MOST_DRIVES)
    return refused('tooMany', String(drives.length), { path: 'drives', limit: String(MOST_DRIVES) });
  const out: Drive[] = [];
  for (const [i, drive] of drives.entries()) {
    if (typeof drive !== 'object' || drive === null)
      return refused('notObject', JSON.stringify(drive), { path: `drives[${i}]` });
    const checked = checkDrive(drive as Unchecked);
    if (!checked.ok) return { ok: false, refusal: at(`drives[${i}]`, checked.refusal) };
    out.push(checked.value);
  }
  return taken(out);
}

/** A backup of these drives as text; deterministic. */
export const writeWorkshop = (drives: readonly Drive[]): string =>
  `${JSON.stringify({ format: 'pendrix-workshop', version: 1, drives: drives.map(ordered) }, null, 2)}\n`;
