import type { DriveRecord } from './storage.ts';

/** What the journal needs of the browser's synchronous storage. */
export type SyncStorage = Pick<globalThis.Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/**
 * Changes on their way to the database. The database writes in its own time, and a page that is reloaded at that very
 * moment takes its unfinished writes with it; a note made here in the same tick outlives it and is taken up at the next start.
 */
export interface Journal {
  /** null is a deletion */
  readonly note: (id: string, record: DriveRecord | null) => void;
  /** the database has it */
  readonly done: (id: string) => void;
  readonly waiting: () => ReadonlyMap<string, DriveRecord | null>;
}

const PREFIX = 'pendrix.journal.';

/** A journal on the given storage; without one, or when it is shut or full, nothing is noted and nothing fails. */
export function openJournal(storage: SyncStorage | null = browserStorage()): Journal {
  const quietly = <T>(act: (s: SyncStorage) => T, otherwise: T): T => {
    try {
      return storage ? act(storage) : otherwise;
    } catch {
      return otherwise;
    }
  };
  return {
    note: (id, record) => quietly((s) => s.setItem(PREFIX + id, JSON.stringify(record)), undefined),
    done: (id) => quietly((s) => s.removeItem(PREFIX + id), undefined),
    waiting: () =>
      quietly((s) => {
        const out = new Map<string, DriveRecord | null>();
        for (let i = 0; i < s.length; i++) {
          const key = s.key(i);
          if (!key?.startsWith(PREFIX)) continue;
          const note = readNote(s.getItem(key));
          if (note !== undefined) out.set(key.slice(PREFIX.length), note);
        }
        return out;
      }, new Map<string, DriveRecord | null>()),
  };
}

function readNote(text: string | null): DriveRecord | null | undefined {
  try {
    const value = JSON.parse(text ?? '') as DriveRecord | null;
    return value === null || (typeof value.rev === 'number' && typeof value.drive?.name === 'string')
      ? value
      : undefined;
  } catch {
    return undefined;
  }
}

function browserStorage(): SyncStorage | null {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
}
