import { newPart, type ShelfPart } from '@pendrix/core';
import { createPinia, setActivePinia } from 'pinia';
import { useShelf } from '../stores/shelf.ts';
import { useWorkshop } from '../stores/workshop.ts';
import type { Channel } from './channel.ts';
import { openDatabase, type Database, type RowKey } from './database.ts';
import type { Scope } from './history.ts';
import { openJournal, type SyncStorage } from './journal.ts';
import { useRecords, type Opening } from './records.ts';

/** For tests: tabs of one browser, without a page. */

/** Synchronous storage as a browser has it. */
export function memory(): SyncStorage {
  const kept = new Map<string, string>();
  return {
    getItem: (k) => kept.get(k) ?? null,
    setItem: (k, v) => void kept.set(k, v),
    removeItem: (k) => void kept.delete(k),
    key: (i) => [...kept.keys()][i] ?? null,
    get length() {
      return kept.size;
    },
  };
}

/** A browser with its database, its synchronous storage and its tabs. */
export interface Browser {
  readonly notes: SyncStorage;
  /** opens a tab; one of the same name is that tab after a reload */
  readonly tab: (id: string, bent?: (database: Database) => Database, given?: Opening) => Promise<OpenTab>;
  /** until no tab is reading what another wrote */
  readonly quiet: () => Promise<void>;
  /** the tab is gone: it hears nothing, and others may have its steps */
  readonly close: (id: string) => void;
  readonly end: () => void;
}

export interface OpenTab {
  readonly records: ReturnType<typeof useRecords>;
  readonly workshop: ReturnType<typeof useWorkshop>;
  readonly shelf: ReturnType<typeof useShelf>;
  readonly database: Database;
  /** until everything is on the disk, or cannot be */
  readonly settled: () => Promise<void>;
}

let browsers = 0;

export function browser(name = `test-${++browsers}`): Browser {
  const notes = memory();
  const alive = new Set<string>();
  const ears = new Map<string, (keys: readonly RowKey[]) => Promise<void>>();
  /** what tabs are reading of each other's writes */
  const reading = new Set<Promise<void>>();
  const databases: Database[] = [];
  return {
    notes,
    tab: async (id, bent = (d) => d, given = {}) => {
      setActivePinia(createPinia());
      const records = useRecords();
      const workshop = useWorkshop();
      const shelf = useShelf();
      const database = openDatabase(name);
      databases.push(database);
      alive.add(id);
      const channel: Channel = {
        tell: (keys) => {
          for (const [other, told] of ears) {
            if (other === id) continue;
            const read = told(keys).catch(() => undefined);
            reading.add(read);
            void read.then(() => reading.delete(read));
          }
        },
        listen: (told) => void ears.set(id, told),
      };
      await records.open({
        ...given,
        database: bent(database),
        journal: openJournal(notes),
        tab: () => Promise.resolve({ id, alive: () => Promise.resolve(new Set(alive)) }),
        channel,
      });
      return {
        records,
        workshop,
        shelf,
        database,
        settled: async () => {
          // a trouble that stood before is not an answer: the write under way may end it
          const stood = records.trouble;
          for (let i = 0; i < 300 && records.unsaved > 0 && records.trouble === stood; i++)
            await new Promise((r) => setTimeout(r, 3));
          // what was told is read by the others in a transaction of their own, and may be told on
          while (reading.size > 0) await Promise.all(reading);
        },
      };
    },
    quiet: async () => {
      while (reading.size > 0) await Promise.all(reading);
    },
    close: (id) => {
      alive.delete(id);
      ears.delete(id);
    },
    end: () => {
      for (const database of databases.splice(0)) database.close();
    },
  };
}

/** What is undone inside one drive. */
export const inDrive = (id: string): Scope => ({ kind: 'drive', id, whole: false });

/** A wheel of the shelf. */
export const wheel = (id: string, teeth: number, more: object = {}): ShelfPart =>
  ({ ...newPart('wheel', id), teeth, ...more }) as unknown as ShelfPart;

export const divisions = (t: OpenTab, id: string): string | undefined =>
  t.workshop.records.get(id)?.drive.job.divisions;
