import Dexie from 'dexie';
import { error, type Refusal } from '@pendrix/core';
import { isApart, kindIds, kinds, readRow, type Apart, type KindId, type Row } from './kinds.ts';
import type { Step } from './history.ts';
import { newId } from './new-id.ts';
import { declareVersions, NEWEST } from './versions.ts';

/** A record by its kind and identity. */
export interface RowKey {
  readonly kind: KindId;
  readonly id: string;
}

/** One record to be written: as it is to stand here, or gone. */
export interface Write extends RowKey {
  readonly row: Row | null;
}

/** What a table holds: records, and what cannot be read. */
export type Found = RowKey & { readonly row: Row | Apart | null };

/** What is to stand in the database, once it is seen what stands there now; 'leave' writes nothing. */
export type Decide = (write: Write, stored: Row | Apart | null) => Row | null | 'leave';

/** The browser's database, behind one door: checked records in and out. */
export interface Database {
  readonly all: () => Promise<readonly Found[]>;
  readonly get: (keys: readonly RowKey[]) => Promise<readonly Found[]>;
  /** all in one transaction, on the disk when it answers; tells what stands there then */
  readonly write: (
    writes: readonly Write[],
    steps: readonly Step[],
    decide: Decide,
  ) => Promise<readonly Found[]>;
  /** the steps of these tabs, oldest first, made over to `tab`; others' stay theirs */
  readonly takeSteps: (tab: string, isMine: (owner: string) => boolean) => Promise<readonly Step[]>;
  readonly dropSteps: (ids: readonly string[]) => Promise<void>;
  /** removes a record whatever it is */
  readonly remove: (key: RowKey) => Promise<void>;
  /** called when another tab holds an older database open */
  readonly onHeld: (tell: () => void) => void;
  /** called before anything is read of a database that was made anew in the place of the one that stood here */
  readonly onVanished: (tell: () => void) => void;
  /** called when the browser closed the database by itself */
  readonly onClosed: (tell: () => void) => void;
  readonly close: () => void;
}

/** What a database says of itself. */
interface About {
  readonly id: string;
  readonly made: string;
}
const THIS = 'this';

/** Dexie counts in tenths. */
const NATIVE = NEWEST * 10;

/** Refused an older version, Dexie asks for whatever stands there, and would mend its tables: it gets the refusal again. */
const notNewer = (factory: IDBFactory) => ({
  open: (name: string, version = NATIVE) => factory.open(name, version),
  deleteDatabase: (name: string) => factory.deleteDatabase(name),
  databases: () => factory.databases(),
});

/** Opens the database `name`; one that a newer Pendrix made is left as it is. Each write is on the disk before it counts as saved. */
export function openDatabase(name = 'pendrix'): Database {
  const db = new Dexie(name, { chromeTransactionDurability: 'strict', indexedDB: notNewer(indexedDB) });
  declareVersions(db);
  let standing: string | null = null;
  let vanished: () => void = () => undefined;
  // asked at every opening: the browser may close a database, and a person empty it, under an open page
  db.on(
    'ready',
    async () => {
      const about = db.table<About, string>('about');
      const known = await about.get(THIS);
      const { made } = known ?? { made: newId() };
      if (!known) await about.put({ id: THIS, made });
      const other = standing !== null && standing !== made;
      standing = made;
      if (other) vanished();
    },
    true,
  );
  const table = (kind: KindId) => db.table<unknown, string>(kinds[kind].table);
  const steps = db.table<Step, string>('steps');
  const tables = kindIds.map(table);
  const read = (kind: KindId, id: string, raw: unknown): Found => ({
    kind,
    id,
    row: raw === undefined ? null : readRow(kind, raw),
  });
  return {
    all: async () => {
      const lists = await Promise.all(tables.map((t) => t.toArray()));
      return lists.flatMap((list, i) =>
        list.map((raw) => read(kindIds[i]!, String((raw as { id?: unknown }).id), raw)),
      );
    },
    get: (keys) =>
      db.transaction('r', tables, () =>
        Promise.all(keys.map(async ({ kind, id }) => read(kind, id, await table(kind).get(id)))),
      ),
    write: (writes, newSteps, decide) =>
      db.transaction('rw', [...tables, steps], async () => {
        const out: Found[] = [];
        for (const kind of kindIds) {
          const mine = writes.filter((w) => w.kind === kind);
          if (mine.length === 0) continue;
          const stored = await table(kind).bulkGet(mine.map((w) => w.id));
          const put: Row[] = [];
          const gone: string[] = [];
          mine.forEach((write, i) => {
            const found = read(kind, write.id, stored[i]).row;
            const wanted = decide(write, found);
            if (wanted === null) gone.push(write.id);
            else if (wanted !== 'leave') put.push(wanted);
            out.push({ kind, id: write.id, row: wanted === 'leave' ? found : wanted });
          });
          if (gone.length > 0) await table(kind).bulkDelete(gone);
          if (put.length > 0) await table(kind).bulkPut(put);
        }
        if (newSteps.length > 0) await steps.bulkPut([...newSteps]);
        return out;
      }),
    takeSteps: (tab, isMine) =>
      db.transaction('rw', steps, async () => {
        const mine = (await steps.toArray()).filter((s) => isStep(s) && isMine(s.tab));
        const over = mine.filter((s) => s.tab !== tab).map((s) => ({ ...s, tab }));
        await steps.bulkPut(over);
        return mine.map((s) => ({ ...s, tab })).sort((a, b) => a.order - b.order);
      }),
    dropSteps: (ids) => steps.bulkDelete([...ids]),
    remove: ({ kind, id }) => table(kind).delete(id),
    onHeld: (tell) => void db.on('blocked', tell),
    onVanished: (tell) => void (vanished = tell),
    onClosed: (tell) => {
      db.on('close', tell);
      // no version at all: it is being deleted
      db.on('versionchange', (e) => {
        if (e.newVersion === null) setTimeout(tell);
      });
    },
    close: () => db.close(),
  };
}

/** A step that can be undone: every record in it can still be read. */
function isStep({ changes }: { readonly changes: unknown }): boolean {
  const good = (kind: KindId, row: Row | null): boolean => row === null || !isApart(readRow(kind, row));
  return (
    Array.isArray(changes) &&
    (changes as Step['changes']).every(
      (c) => kindIds.includes(c.kind) && good(c.kind, c.before) && good(c.kind, c.after),
    )
  );
}

/** The names of a fault and of all that is inside it. */
function namesOf(fault: unknown): readonly string[] {
  const names: string[] = [];
  let at = fault as { name?: unknown; inner?: unknown } | null | undefined;
  for (let depth = 0; at && depth < 5; depth++) {
    if (typeof at.name === 'string') names.push(at.name);
    at = at.inner as typeof at;
  }
  return names;
}

/** A fault of the database in the words of our refusals: what lies deepest says most. */
export function databaseRefusal(fault: unknown): Refusal {
  const names = namesOf(fault);
  const has = (...known: readonly string[]): boolean => names.some((n) => known.includes(n));
  if (has('QuotaExceededError')) return error('storageFull', '').refusal;
  if (has('MissingAPIError', 'SecurityError', 'InvalidStateError', 'OpenFailedError') && !has('VersionError'))
    return error('storageBlocked', '').refusal;
  if (has('VersionError') || names[0] === 'DatabaseClosedError') return error('storageNewer', '').refusal;
  return error('storageFailed', names.at(-1) ?? '').refusal;
}
