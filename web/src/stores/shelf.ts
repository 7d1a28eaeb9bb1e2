import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import {
  editPart,
  editPartInput,
  followed,
  left,
  newPart,
  partLabel,
  usesOf,
  type PartColumn,
  type PartKindId,
  type Refusal,
  type Result,
  type ShelfPart,
} from '@pendrix/core';
import { openShelfJournal, type Journal } from '../storage/journal.ts';
import { storageRefusal, type PartRecord, type Storage } from '../storage/storage.ts';
import { newer, withStep, type PartChange, type Step } from './shelf-steps.ts';
import { useWorkshop } from './workshop.ts';

/** Beyond so many lines at once the database is waited for instead of noting each. */
const MOST_NOTES = 100;

/** How long a query of the database may have been under way, ms. */
const SETTLES_MS = 2000;

const newId = (): string => crypto.randomUUID();

/** The shelf that all drives share. Every edit passes here: it is undoable, stored in the same tick, and followed by the drives. */
export const useShelf = defineStore('shelf', () => {
  const workshop = useWorkshop();
  const records = shallowRef<ReadonlyMap<string, PartRecord>>(new Map());
  const past = shallowRef<readonly Step[]>([]);
  const future = shallowRef<readonly Step[]>([]);
  const ready = ref(false);
  const pending = ref(0);
  const savedAt = ref<number | null>(null);
  const trouble = shallowRef<Refusal | null>(null);
  let storage: Storage | null = null;
  let journal: Journal<PartRecord> | null = null;
  /** lines whose last change is not on the disk yet */
  const unsaved = new Set<string>();
  /** lines just stored, of which a query that was already under way may still know nothing */
  const settling = new Set<string>();

  const parts = computed<readonly ShelfPart[]>(() =>
    [...records.value.values()]
      .sort((a, b) => a.place - b.place || (a.id < b.id ? -1 : 1))
      .map((r) => r.part),
  );
  const byId = computed(() => new Map([...records.value].map(([id, r]) => [id, r.part])));
  const uses = computed(() => usesOf(workshop.drives.map((d) => d.drive)));
  /** how many of a line are in use by all drives but one */
  const usedBeside = (id: string, drive: string | null): number =>
    left(
      { id, kind: '', own: 0 },
      (uses.value.get(id) ?? []).filter((u) => u.drive !== drive),
    ).used;

  async function open(given: Storage, notes: Journal<PartRecord> = openShelfJournal()): Promise<void> {
    storage = given;
    journal = notes;
    try {
      records.value = new Map((await given.parts()).map((r) => [r.id, r]));
      const waiting = [...notes.waiting()].filter(
        ([id, r]) => r === null || r.rev > (records.value.get(id)?.rev ?? 0),
      );
      for (const id of notes.waiting().keys()) if (!waiting.some(([w]) => w === id)) notes.done(id);
      if (waiting.length > 0) put(new Map(waiting));
      given.watchParts(heard, (fault) => (trouble.value = storageRefusal(fault)));
    } catch (fault) {
      trouble.value = storageRefusal(fault);
    }
    ready.value = true;
  }

  /** What another tab wrote takes the place of what stands here when it is newer; what could not be stored yet stays. */
  function heard(all: readonly PartRecord[]): void {
    if (pending.value > 0) return;
    const ours = (id: string): boolean => unsaved.has(id) || settling.has(id);
    const next = new Map(all.map((r) => [r.id, r]));
    for (const [id, r] of records.value) {
      const stored = next.get(id);
      if (stored ? stored.rev <= r.rev : ours(id)) next.set(id, r);
    }
    for (const id of [...next.keys()]) if (!records.value.has(id) && ours(id)) next.delete(id);
    const same =
      next.size === records.value.size && [...next].every(([id, r]) => records.value.get(id) === r);
    if (!same) records.value = next;
  }

  /** Puts lines as they are to stand, stores them, and lets the drives follow. */
  function put(changed: PartChange): void {
    const next = new Map(records.value);
    for (const [id, record] of changed) {
      if (record) next.set(id, record);
      else next.delete(id);
      if (changed.size <= MOST_NOTES) journal?.note(id, record);
    }
    records.value = next;
    void store(changed.keys());
    follow();
  }

  /** Stores lines as they stand; those that could not be stored are tried again with the next edit. */
  async function store(changed: Iterable<string>): Promise<void> {
    if (!storage) return;
    for (const id of changed) unsaved.add(id);
    const ids = [...unsaved];
    const standing = new Map(ids.map((id) => [id, records.value.get(id) ?? null]));
    pending.value++;
    try {
      await storage.changeParts(
        [...standing.values()].filter((r) => r !== null),
        ids.filter((id) => standing.get(id) === null),
      );
      for (const [id, record] of standing) {
        if ((records.value.get(id) ?? null) !== record) continue;
        unsaved.delete(id);
        journal?.done(id);
        settling.add(id);
      }
      setTimeout(() => {
        for (const id of standing.keys()) settling.delete(id);
      }, SETTLES_MS);
      savedAt.value = Date.now();
      trouble.value = null;
    } catch (fault) {
      trouble.value = storageRefusal(fault);
    } finally {
      pending.value--;
    }
  }

  /** Drives whose stages follow a line say what it says now. */
  function follow(): void {
    for (const { id, drive } of workshop.drives) {
      const train = followed(drive.train, byId.value);
      if (train !== drive.train) workshop.edit(id, { do: 'train', train, says: 'follow the shelf' });
    }
  }

  function change(says: string, after: PartChange, burst: string | null = null): void {
    const before = new Map([...after.keys()].map((id) => [id, records.value.get(id) ?? null]));
    past.value = withStep(past.value, { says, before, after, burst });
    future.value = [];
    put(after);
  }

  const withPart = (record: PartRecord, part: ShelfPart): PartRecord => ({
    ...record,
    part,
    rev: record.rev + 1,
  });

  /** What is typed into a cell; refused, nothing changes. */
  function edit(
    id: string,
    column: PartColumn,
    text: string,
    burst: string | null = null,
  ): Result<ShelfPart> | null {
    const record = records.value.get(id);
    if (!record) return null;
    return settle(record, editPart(record.part, column, text), column, burst);
  }

  /** The same for one of its inputs. */
  function setInput(
    id: string,
    key: string,
    text: string,
    burst: string | null = null,
  ): Result<ShelfPart> | null {
    const record = records.value.get(id);
    return record ? settle(record, editPartInput(record.part, key, text), key, burst) : null;
  }

  function settle(
    record: PartRecord,
    read: Result<ShelfPart>,
    what: string,
    burst: string | null,
  ): Result<ShelfPart> {
    if (!read.ok || JSON.stringify(read.value) === JSON.stringify(record.part)) return read;
    change(`${partLabel(record.part)}: ${what}`, new Map([[record.id, withPart(record, read.value)]]), burst);
    return read;
  }

  const nextPlace = (): number => 1 + Math.max(0, ...[...records.value.values()].map((r) => r.place));

  function added(list: readonly ShelfPart[]): Map<string, PartRecord> {
    const place = nextPlace();
    return new Map(list.map((part, i) => [part.id, { id: part.id, part, place: place + i, rev: 1 }]));
  }

  function add(kind: PartKindId): ShelfPart {
    const part = newPart(kind, newId());
    change(`new ${partLabel(part)}`, added([part]));
    return part;
  }

  /** Lines read from a table or a file: new ones are added, `more` are owned of those that are there, the same ids take the place of old ones. */
  function take(list: readonly ShelfPart[], more: ReadonlyMap<string, number>, says: string): void {
    const after = new Map<string, PartRecord | null>(added(list.filter((p) => !records.value.has(p.id))));
    for (const part of list) {
      const old = records.value.get(part.id);
      if (old) after.set(part.id, withPart(old, part));
    }
    for (const [id, count] of more) {
      const old = after.get(id) ?? records.value.get(id);
      if (old) after.set(id, withPart(old, { ...old.part, own: old.part.own + count }));
    }
    if (after.size > 0) change(says, after);
  }

  function remove(ids: readonly string[]): void {
    const known = ids.filter((id) => records.value.has(id));
    if (known.length === 0) return;
    const first = partLabel(records.value.get(known[0]!)!.part);
    change(
      known.length === 1 ? `delete ${first}` : `delete ${known.length} lines`,
      new Map(known.map((id) => [id, null])),
    );
  }

  function duplicate(ids: readonly string[]): readonly string[] {
    const copies = ids.flatMap((id) => {
      const record = records.value.get(id);
      return record ? [{ ...record.part, id: newId() }] : [];
    });
    if (copies.length > 0)
      change(copies.length === 1 ? 'duplicate a line' : `duplicate ${copies.length} lines`, added(copies));
    return copies.map((p) => p.id);
  }

  /** The same text into one column of many lines; those that cannot take it are left as they were. Gives how many took it. */
  function editMany(ids: readonly string[], column: PartColumn, text: string): number {
    const after = new Map<string, PartRecord>();
    for (const id of ids) {
      const record = records.value.get(id);
      const read = record && editPart(record.part, column, text);
      if (record && read?.ok) after.set(id, withPart(record, read.value));
    }
    if (after.size > 0) change(`${column} of ${after.size} lines`, after);
    return after.size;
  }

  function undo(): string | null {
    const step = past.value.at(-1);
    if (!step) return null;
    past.value = past.value.slice(0, -1);
    future.value = [...future.value, step];
    put(newer(step.before, records.value));
    return step.says;
  }

  function redo(): string | null {
    const step = future.value.at(-1);
    if (!step) return null;
    future.value = future.value.slice(0, -1);
    past.value = [...past.value, { ...step, burst: null }];
    put(newer(step.after, records.value));
    return step.says;
  }

  const undoSays = computed(() => past.value.at(-1)?.says ?? null);
  const redoSays = computed(() => future.value.at(-1)?.says ?? null);

  return {
    parts,
    byId,
    uses,
    usedBeside,
    ready,
    pending,
    savedAt,
    trouble,
    open,
    edit,
    setInput,
    editMany,
    add,
    take,
    remove,
    duplicate,
    undo,
    redo,
    undoSays,
    redoSays,
  };
});
