import type { DriveRecord, PartRecord } from './storage.ts';

/** What the journal needs of the browser's synchronous storage. */
export type SyncStorage = Pick<globalThis.Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/**
 * Changes on their way to the database. The database writes in its own time, and a page that is reloaded at that very
 * moment takes its unfinished writes with it; a note made here in the same tick outlives it and is taken up at the next start.
 */
export interface Journal<T = DriveRecord> {
  /** null is a deletion */
  readonly note: (id: string, record: T | null) => void;
  /** the database has it */
  readonly done: (id: string) => void;
  readonly waiting: () => ReadonlyMap<string, T | null>;
}

/** What a note of one kind of record is called, and when it is one. */
interface NoteKind<T> {
  readonly prefix: string;
  readonly isRecord: (value: T) => boolean;
}

const DRIVE_NOTES: NoteKind<DriveRecord> = {
  prefix: 'pendrix.journal.',
  isRecord: (r) => typeof r.rev === 'number' && typeof r.drive?.name === 'string',
};

const PART_NOTES: NoteKind<PartRecord> = {
  prefix: 'pendrix.shelf-journal.',
  isRecord: (r) => typeof r.rev === 'number' && typeof r.part?.kind === 'string',
};

/** A journal of drives on the given storage; without one, or when it is shut or full, nothing is noted and nothing fails. */
export const openJournal = (storage: SyncStorage | null = browserStorage()): Journal =>
  journalOf(storage, DRIVE_NOTES);

/** The same for lines of the shelf. */
export const openShelfJournal = (storage: SyncStorage | null = browserStorage()): Journal<PartRecord> =>
  journalOf(storage, PART_NOTES);

function journalOf<T>(storage: SyncStorage | null, { prefix, isRecord }: NoteKind<T>): Journal<T> {
  const quietly = <R>(act: (s: SyncStorage) => R, otherwise: R): R => {
    try {
      return storage ? act(storage) : otherwise;
    } catch {
      return otherwise;
    }
  };
  return {
    note: (id, record) => quietly((s) => s.setItem(prefix + id, JSON.stringify(record)), undefined),
    done: (id) => quietly((s) => s.removeItem(prefix + id), undefined),
    waiting: () =>
      quietly((s) => {
        const out = new Map<string, T | null>();
        for (let i = 0; i < s.length; i++) {
          const key = s.key(i);
          if (!key?.startsWith(prefix)) continue;
          const note = readNote(s.getItem(key), isRecord);
          if (note !== undefined) out.set(key.slice(prefix.length), note);
        }
        return out;
      }, new Map<string, T | null>()),
  };
}

function readNote<T>(text: string | null, isRecord: (value: T) => boolean): T | null | undefined {
  try {
    const value = JSON.parse(text ?? '') as T | null;
    return value === null || isRecord(value) ? value : undefined;
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
