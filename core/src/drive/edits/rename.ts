import { refused, taken } from '../../numbers/index.ts';
import { MOST_NAME } from '../drive.ts';
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
    if (name === '') return refused('noName', edit.name);
    if (name.length > MOST_NAME) return refused('tooLong', name, { limit: String(MOST_NAME) });
    return taken({ ...drive, name });
  },
  says: (edit) => `name ${edit.name.trim()}`,
};
