import { computed, ref, shallowRef } from 'vue';
import type { Refusal } from '@pendrix/core';
import type { Channel } from './channel.ts';
import { databaseRefusal, type Database, type Found, type RowKey, type Write } from './database.ts';
import { isSameContent, mergeRows, type Step } from './history.ts';
import { openJournal, type Journal } from './journal.ts';
import { isApart, kindOfRow, type Apart, type KindId, type Row, type Rows, type Table } from './kinds.ts';

export const keyOf = ({ kind, id }: RowKey): string => `${kind}/${id}`;

type Tables = { readonly [K in KindId]: Table<K> };
const NO_TABLES: Tables = { drive: new Map(), part: new Map(), run: new Map() };

/** What came of a write that must not go over another tab's. */
export type Stored =
  { readonly ok: true } | { readonly ok: false; readonly newer: Row | null; readonly fault: boolean };

/**
 * What stands here beside what stands on the disk. A change is shown at once and is dirty until it is written; a write never goes over
 * what another tab wrote, both are merged in the transaction that writes.
 */
export function createSync() {
  const tables = shallowRef<Tables>(NO_TABLES);
  const apart = shallowRef<readonly Apart[]>([]);
  const savedAt = ref<number | null>(null);
  const trouble = shallowRef<Refusal | null>(null);
  /** records whose last change is not on the disk yet */
  const dirty = shallowRef<ReadonlyMap<string, RowKey>>(new Map());
  /** the last thing another tab did that a person should know */
  const news = shallowRef<string | null>(null);
  /** journal entries of changes that are not on the disk yet */
  const notes = shallowRef<readonly string[]>([]);
  let database: Database | null = null;
  let journal: Journal = openJournal(null);
  let channel: Channel | null = null;
  /** what is known to be on the disk, the base of every merge */
  const disk = new Map<string, Row>();
  const dirtySteps = new Map<string, Step>();
  let writing: Promise<void> | null = null;
  /** how often the database was made anew under this page */
  let anew = 0;

  const rowOf = (kind: KindId, id: string): Row | null =>
    (tables.value[kind] as ReadonlyMap<string, Row>).get(id) ?? null;
  const diskRev = (key: RowKey): number => disk.get(keyOf(key))?.rev ?? 0;
  const fail = (fault: unknown): void => void (trouble.value = databaseRefusal(fault));

  function show(
    list: readonly { readonly kind: KindId; readonly id: string; readonly row: Row | null }[],
  ): void {
    if (list.length === 0) return;
    const next: Record<KindId, Map<string, Row>> = {
      ...(tables.value as unknown as Record<KindId, Map<string, Row>>),
    };
    for (const kind of new Set(list.map((w) => w.kind))) next[kind] = new Map(next[kind]);
    for (const { kind, id, row } of list) {
      if (row) next[kind].set(id, row);
      else next[kind].delete(id);
    }
    tables.value = next as unknown as Tables;
  }

  function connect(db: Database, notesOf: Journal, told: Channel | null): void {
    database = db;
    journal = notesOf;
    channel = told;
    channel?.listen((keys) => onRemoteChange(keys));
  }

  /** These are to be written, with the step that made them. */
  function mark(rows: readonly RowKey[], step: Step | null): void {
    dirty.value = new Map([
      ...dirty.value,
      ...rows.map(({ kind, id }) => [keyOf({ kind, id }), { kind, id }] as const),
    ]);
    if (step) dirtySteps.set(step.id, step);
  }

  function dropSteps(ids: readonly string[]): void {
    for (const id of ids) dirtySteps.delete(id);
    if (ids.length > 0) void database?.dropSteps(ids).catch(() => undefined);
  }

  /** Takes in what the database holds, except where a change of this tab is on its way: there the write settles it. */
  function adopt(found: readonly Found[]): void {
    const shown: { kind: KindId; id: string; row: Row | null }[] = [];
    const unread = new Map(apart.value.map((a) => [keyOf(a), a]));
    for (const { kind, id, row } of found) {
      const key = keyOf({ kind, id });
      unread.delete(key);
      if (row && isApart(row)) unread.set(key, row);
      else {
        if (dirty.value.has(key)) continue;
        const known = disk.get(key);
        if (row && known && row.rev <= known.rev) continue;
        if (row) disk.set(key, row);
        else disk.delete(key);
        if (rowOf(kind, id) !== row) shown.push({ kind, id, row });
      }
    }
    show(shown);
    if (unread.size > 0 || apart.value.length > 0) apart.value = [...unread.values()];
  }

  /** Another tab wrote these. */
  async function onRemoteChange(keys: readonly RowKey[]): Promise<void> {
    if (!database) return;
    const before = keys.map((k) => disk.get(keyOf(k)));
    try {
      const found = await database.get(keys);
      // what this tab has written meanwhile is newer than what was read
      adopt(found.filter((f, i) => disk.get(keyOf(f)) === before[i]));
    } catch (fault) {
      fail(fault);
    }
  }

  /** The database was emptied under this page, and another stands in its place: everything that is here is to be written into it. */
  function vanished(steps: readonly Step[]): void {
    anew++;
    disk.clear();
    const all = Object.entries(tables.value).flatMap(([kind, rows]) =>
      [...(rows as ReadonlyMap<string, Row>).keys()].map((id) => ({ kind: kind as KindId, id })),
    );
    mark(all, null);
    for (const step of steps) mark([], step);
    if (all.length > 0)
      news.value = 'The storage of this browser was emptied; everything that stood here is written again.';
  }

  /** Looks at everything again: this tab may have slept. */
  async function wake(): Promise<void> {
    if (!database) return;
    try {
      const found = await database.all();
      const there = new Set(found.map(keyOf));
      const gone = [...disk.keys()].filter((key) => !there.has(key) && !dirty.value.has(key));
      adopt([...found, ...gone.map((key) => goneKey(key))]);
    } catch (fault) {
      fail(fault);
    }
  }
  const goneKey = (key: string): Found => {
    const at = key.indexOf('/');
    return { kind: key.slice(0, at) as KindId, id: key.slice(at + 1), row: null };
  };

  /** What is to stand in the database: this tab's change, on top of what another tab wrote meanwhile. */
  function decide(write: Write, stored: Row | Apart | null): Row | null | 'leave' {
    if (stored && isApart(stored)) return 'leave';
    const base = disk.get(keyOf(write)) ?? null;
    const { row, kind } = write;
    if ((stored?.rev ?? 0) === (base?.rev ?? 0) || stored === null) {
      if (stored === null && base !== null && row !== null)
        news.value = `${kindOfRow(kind).nameOf(row)} was deleted in another tab; your change has kept it.`;
      return row;
    }
    if (row === null) {
      news.value = `${kindOfRow(kind).nameOf(stored)} was changed in another tab, so it is not deleted.`;
      return stored;
    }
    if (isSameContent(row, stored)) return stored;
    const merged = base && mergeRows(kind, base, row, stored, 'ours');
    const name = kindOfRow(kind).nameOf(row);
    if (!merged)
      news.value = `${name} was changed in another tab at the same time; what you wrote here stands.`;
    else if (merged.clashes > 0)
      news.value = `${name} was changed in another tab too; where both changed the same, what you wrote here stands.`;
    return kindOfRow(kind).stamped(merged?.row ?? row, stored.rev + 1, Date.now());
  }

  /** Writes what is not on the disk yet until nothing is left, one transaction at a time. */
  function flush(): Promise<void> {
    writing ??= (async () => {
      while (database && (dirty.value.size > 0 || dirtySteps.size > 0)) {
        const writes: Write[] = [...dirty.value.values()].map((k) => ({ ...k, row: rowOf(k.kind, k.id) }));
        const made = [...dirtySteps.values()];
        const journaled = notes.value;
        try {
          const found = await database.write(writes, made, decide);
          settle(writes, found, made);
          for (const key of journaled) journal.done(key);
          notes.value = notes.value.filter((key) => !journaled.includes(key));
          savedAt.value = Date.now();
          trouble.value = null;
          channel?.tell(writes.map(({ kind, id }) => ({ kind, id })));
        } catch (fault) {
          fail(fault);
          break;
        }
      }
    })().finally(() => (writing = null));
    return writing;
  }

  /** After a write: what stands on the disk is shown, with what was typed meanwhile on top. */
  function settle(writes: readonly Write[], found: readonly Found[], made: readonly Step[]): void {
    const left = new Map(dirty.value);
    const shown: { kind: KindId; id: string; row: Row | null }[] = [];
    const sent = new Map(writes.map((w) => [keyOf(w), w.row]));
    for (const { kind, id, row } of found) {
      const key = keyOf({ kind, id });
      const ours = rowOf(kind, id);
      if (row && isApart(row)) {
        left.delete(key);
        apart.value = [...apart.value.filter((a) => keyOf(a) !== key), row];
        shown.push({ kind, id, row: null });
        continue;
      }
      const before = sent.get(key) ?? null;
      if (row) disk.set(key, row);
      else disk.delete(key);
      if (ours === before) {
        left.delete(key);
        if (ours !== row) shown.push({ kind, id, row });
      } else if (ours && before && row && row !== before) {
        const rebased = mergeRows(kind, before, ours, row, 'ours')?.row ?? ours;
        shown.push({ kind, id, row: kindOfRow(kind).stamped(rebased, row.rev + 1, Date.now()) });
      }
    }
    dirty.value = left;
    show(shown);
    for (const step of made) if (dirtySteps.get(step.id) === step) dirtySteps.delete(step.id);
  }

  /** Stores a record that is shown only once it is on the disk, and never over what another tab wrote. `over` is what the caller stood on. */
  async function store<K extends KindId>(kind: K, row: Omit<Rows[K], 'rev'>, over: number): Promise<Stored> {
    if (!database) return { ok: false, newer: null, fault: true };
    const { id } = row;
    const next = kindOfRow(kind).stamped(row as unknown as Row, over + 1, Date.now());
    const before = anew;
    try {
      const [found] = await database.write([{ kind, id, row: next }], [], (_, stored) => {
        if (stored && isApart(stored)) return 'leave';
        return (stored?.rev ?? (anew === before ? 0 : over)) === over ? next : 'leave';
      });
      const standing = found!.row && !isApart(found!.row) ? found!.row : null;
      const key = keyOf({ kind, id });
      if (standing) disk.set(key, standing);
      else disk.delete(key);
      show([{ kind, id, row: standing }]);
      if (standing !== next) return { ok: false, newer: standing, fault: false };
      savedAt.value = Date.now();
      channel?.tell([{ kind, id }]);
      return { ok: true };
    } catch (fault) {
      fail(fault);
      return { ok: false, newer: null, fault: true };
    }
  }

  /** Deletes a record that cannot be read. */
  async function discard(record: Apart): Promise<void> {
    if (!database) return;
    await database.remove(record);
    apart.value = apart.value.filter((a) => a !== record);
    channel?.tell([{ kind: record.kind, id: record.id }]);
  }

  return {
    tables,
    apart,
    savedAt,
    trouble,
    dirty,
    news,
    notes,
    unsaved: computed(() => dirty.value.size),
    rowOf,
    diskRev,
    fail,
    show,
    connect,
    mark,
    dropSteps,
    adopt,
    vanished,
    wake,
    flush,
    store,
    discard,
  };
}
