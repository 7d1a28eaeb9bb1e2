import type { KindId, Row } from './kinds.ts';
import type { Step } from './history.ts';

/** What the journal needs of the browser's synchronous storage. */
export type SyncStorage = Pick<globalThis.Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** One change on its way to the database: the records as they are to stand (null: gone), and the step that undoes it. */
export interface Note {
  readonly rows: readonly {
    readonly kind: KindId;
    readonly id: string;
    readonly rev: number;
    readonly row: Row | null;
  }[];
  readonly step: Step | null;
}

/**
 * Changes on their way to the database. The database writes in its own time, and a page that is reloaded at that very moment takes
 * its unfinished writes with it; a note made here in the same tick outlives it and is taken up at the next start.
 */
export interface Journal {
  /** false when it could not be noted: too large, or the storage is shut */
  readonly note: (key: string, note: Note) => boolean;
  /** the database has it */
  readonly done: (key: string) => void;
  /** what the page before left, oldest first; what cannot be read is not a note */
  readonly waiting: () => readonly (readonly [key: string, note: Note])[];
}

const PREFIX = 'pendrix.journal.';

/** Notes as versions up to 0.5 made them: one record under its id, null for a deletion. Read, never written. */
const OLD_NOTES: readonly (readonly [prefix: string, kind: KindId])[] = [
  ['pendrix.shelf-journal.', 'part'],
  [PREFIX, 'drive'],
];

/** Notes longer than this would fill the storage; the database is waited for instead. */
const MAX_TEXT = 400_000;

/** A journal on the given storage; without one, or when it is shut or full, nothing is noted and nothing fails. */
export function openJournal(storage: SyncStorage | null = browserStorage()): Journal {
  const quietly = <R>(act: (s: SyncStorage) => R, otherwise: R): R => {
    try {
      return storage ? act(storage) : otherwise;
    } catch {
      return otherwise;
    }
  };
  return {
    note: (key, note) =>
      quietly((s) => {
        const text = JSON.stringify(note);
        if (text.length > MAX_TEXT) return false;
        s.setItem(PREFIX + key, text);
        return true;
      }, false),
    done: (key) => quietly((s) => s.removeItem(key.startsWith('pendrix.') ? key : PREFIX + key), undefined),
    waiting: () =>
      quietly((s) => {
        const keys: string[] = [];
        for (let i = 0; i < s.length; i++) {
          const key = s.key(i);
          if (key !== null && OLD_NOTES.some(([prefix]) => key.startsWith(prefix))) keys.push(key);
        }
        return keys.sort().flatMap((key) => {
          const note = readNote(key, s.getItem(key));
          return note ? [[key, note] as const] : [];
        });
      }, []),
  };
}

function readNote(key: string, text: string | null): Note | null {
  try {
    const note = JSON.parse(text ?? '') as (Partial<Note> & { readonly rev?: number }) | null;
    if (Array.isArray(note?.rows)) return { rows: note.rows, step: note.step ?? null };
    const [prefix, kind] = OLD_NOTES.find(([p]) => key.startsWith(p))!;
    if (note !== null && typeof note.rev !== 'number') return null;
    const rev = note?.rev ?? Number.MAX_SAFE_INTEGER;
    return { rows: [{ kind, id: key.slice(prefix.length), rev, row: note as Row | null }], step: null };
  } catch {
    return null;
  }
}

function browserStorage(): SyncStorage | null {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
}
