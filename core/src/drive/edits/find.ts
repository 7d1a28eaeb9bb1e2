import { ok } from '../../numbers/index.ts';
import { findInputs, readFindInput, type FindSettings } from '../find-settings.ts';
import type { EditKind } from './edit.ts';

export interface SetFind {
  readonly do: 'find';
  readonly key: string;
  /** as typed; nothing for what the job says, or anything */
  readonly text: string;
}

/** One field of the search that is kept with the drive. */
export const find: EditKind<SetFind> = {
  id: 'find',
  apply: (drive, edit) => {
    const read = readFindInput(edit.key, edit.text);
    if (!read.ok) return read;
    const { [edit.key as keyof FindSettings]: _, ...rest } = drive.find ?? {};
    const after = read.value === undefined ? rest : { ...rest, [edit.key]: read.value };
    const { find: _old, ...without } = drive;
    return ok(Object.keys(after).length === 0 ? without : { ...without, find: after });
  },
  label: (edit) => {
    const label = findInputs.find((i) => i.key === edit.key)?.label.toLowerCase() ?? edit.key;
    return `find: ${label} ${edit.text.trim() || 'free'}`;
  },
};
