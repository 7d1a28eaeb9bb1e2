import { error, ok } from '../../numbers/index.ts';
import { MAX_NAME } from '../drive.ts';
import type { EditKind } from './edit.ts';

export interface Rename {
  readonly do: 'rename';
  readonly name: string;
}

/** A drive has a name of 1 to 120 characters, without blanks around it. */
export const rename: EditKind<Rename> = {
  id: 'rename',
  apply: (drive, edit) => {
    const name = edit.name.trim().replace(/\s+/g, ' ');
    if (name === '') return error('noName', edit.name);
    if (name.length > MAX_NAME) return error('tooLong', name, { limit: String(MAX_NAME) });
    return ok({ ...drive, name });
  },
  label: (edit) => `name ${edit.name.trim()}`,
};
