import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import {
  applyEdit,
  editSays,
  newDrive,
  type Drive,
  type Edit,
  type Refusal,
  type Result,
  taken,
  refused,
} from '@pendrix/core';
import { openJournal, type Journal } from '../storage/journal.ts';
import {
  openStorage,
  storageRefusal,
  type DriveRecord,
  type RunRecord,
  type Storage,
} from '../storage/storage.ts';
import {
  NO_HISTORY,
  recorded,
  redoable,
  redone,
  undoable,
  undone,
  type Change,
  type History,
  type Scope,
} from './history.ts';

const newId = (): string => crypto.randomUUID();

/** How long a query of the database may have been under way, ms. */
const SETTLES_MS = 2000;

/** A name that no drive has yet: "Tide dial", "Tide dial 2". */
export function freeName(wanted: string, names: readonly string[]): string {
  if (!names.includes(wanted)) return wanted;
  for (let i = 2; ; i++) if (!names.includes(`${wanted} ${i}`)) return `${wanted} ${i}`;
}

/** All drives and their runs. Every edit passes here: it is undoable, and written to the database in the same tick. */
export const useWorkshop = defineStore('workshop', () => {
  const records = shallowRef<ReadonlyMap<string, DriveRecord>>(new Map());
  const runs = shallowRef<ReadonlyMap<string, RunRecord>>(new Map());
  const history = shallowRef<History>(NO_HISTORY);
  const ready = ref(false);
  const savedAt = ref<number | null>(null);
  const pending = ref(0);
  const trouble = shallowRef<Refusal | null>(null);
  let storage: Storage | null = null;
  let journal: Journal | null = null;
  /** records whose last change is not on the disk yet */
  const unsaved = new Set<string>();
  /** records just stored, of which a query that was already under way may still know nothing */
  const settling = new Set<string>();

  const drives = computed(() =>
    [...records.value.values()].sort((a, b) => b.touchedAt - a.touchedAt || (a.id < b.id ? -1 : 1)),
  );
  const names = (): string[] => drives.value.map((r) => r.drive.name);

  /** Opens the database and follows what other tabs write. */
  async function open(given: Storage = openStorage(), notes: Journal = openJournal()): Promise<void> {
    storage = given;
    journal = notes;
    try {
      const [all, allRuns] = await Promise.all([given.drives(), given.runs()]);
      records.value = new Map(all.map((r) => [r.id, r]));
      takeUp(notes.waiting());
      runs.value = new Map(allRuns.map((r) => [r.id, r]));
      await Promise.all(
        allRuns.filter((r) => !records.value.has(r.driveId)).map((r) => given.removeRun(r.id)),
      );
      savedAt.value = all.reduce<number | null>((last, r) => Math.max(last ?? 0, r.touchedAt), null);
      given.watch(heard, failed);
    } catch (fault) {
      failed(fault);
    }
    ready.value = true;
  }

  /** Changes that were on their way to the disk when the page went. */
  function takeUp(waiting: ReadonlyMap<string, DriveRecord | null>): void {
    for (const [id, record] of waiting) {
      if (record === null || record.rev > (records.value.get(id)?.rev ?? 0)) set(id, record);
      else journal?.done(id);
    }
  }

  /** What another tab wrote takes the place of what stands here when it is newer; what could not be stored yet stays. */
  function heard(all: readonly DriveRecord[], allRuns: readonly RunRecord[]): void {
    const next = new Map(all.map((r) => [r.id, r]));
    const ours = (id: string): boolean => unsaved.has(id) || settling.has(id);
    for (const [id, r] of records.value) {
      const stored = next.get(id);
      if (stored ? stored.rev <= r.rev : ours(id)) next.set(id, r);
    }
    for (const id of [...next.keys()]) if (!records.value.has(id) && ours(id)) next.delete(id);
    const same =
      next.size === records.value.size && [...next].every(([id, r]) => records.value.get(id) === r);
    if (!same) records.value = next;
    const newer =
      allRuns.some((r) => (runs.value.get(r.id)?.touchedAt ?? 0) < r.touchedAt) ||
      allRuns.length !== runs.value.size;
    if (newer && pending.value === 0) runs.value = new Map(allRuns.map((r) => [r.id, r]));
  }

  function failed(fault: unknown): void {
    trouble.value = storageRefusal(fault);
  }

  async function write(put: (s: Storage) => Promise<void>): Promise<boolean> {
    if (!storage) return false;
    pending.value++;
    try {
      await put(storage);
      savedAt.value = Date.now();
      return true;
    } catch (fault) {
      failed(fault);
      return false;
    } finally {
      pending.value--;
    }
  }

  function set(id: string, record: DriveRecord | null): void {
    const next = new Map(records.value);
    if (record) next.set(id, record);
    else next.delete(id);
    records.value = next;
    const failedBefore = trouble.value ? [...unsaved] : [];
    unsaved.add(id);
    journal?.note(id, record);
    for (const waiting of new Set([...failedBefore, id])) void store(waiting);
  }

  /** Stores a record as it stands; one that could not be stored is tried again with the next edit. */
  async function store(id: string): Promise<void> {
    const record = records.value.get(id);
    const done = await write((s) => (record ? s.put(record) : s.remove(id)));
    if (!done || (records.value.get(id) ?? null) !== (record ?? null)) return;
    unsaved.delete(id);
    journal?.done(id);
    settling.add(id);
    setTimeout(() => settling.delete(id), SETTLES_MS);
    if (unsaved.size === 0) trouble.value = null;
  }

  function change(id: string, after: DriveRecord | null, says: string, burst: string | null = null): void {
    const before = records.value.get(id) ?? null;
    history.value = recorded(history.value, { id, before, after, says, burst });
    set(id, after);
  }

  function add(drive: Drive, says: string): DriveRecord {
    const now = Date.now();
    const record = { id: newId(), drive, rev: 1, createdAt: now, touchedAt: now };
    change(record.id, record, says);
    return record;
  }

  const create = (name = 'New drive'): DriveRecord => {
    const free = freeName(name, names());
    return add(newDrive(free), `new drive ${free}`);
  };

  function duplicate(id: string): DriveRecord | null {
    const from = records.value.get(id);
    if (!from) return null;
    const name = freeName(`${from.drive.name} copy`, names());
    return add({ ...from.drive, name }, `duplicate of ${from.drive.name}`);
  }

  function remove(id: string): void {
    const from = records.value.get(id);
    if (from) change(id, null, `delete ${from.drive.name}`);
  }

  /** Adds drives that were read from a file; a name that is taken gets a number. */
  function importDrives(list: readonly Drive[]): readonly DriveRecord[] {
    return list.map((drive) => {
      const name = freeName(drive.name, names());
      return add(name === drive.name ? drive : { ...drive, name }, `import ${name}`);
    });
  }

  /** The one way to edit a drive. A refusal changes nothing. */
  function edit(id: string, e: Edit, burst: string | null = null): Result<DriveRecord> {
    const record = records.value.get(id);
    if (!record) return refused('unknownEdit', e.do);
    const result = applyEdit(record.drive, e);
    if (!result.ok) return result;
    if (JSON.stringify(result.value) === JSON.stringify(record.drive)) return taken(record);
    const after = { ...record, drive: result.value, rev: record.rev + 1, touchedAt: Date.now() };
    change(id, after, editSays(e, record.drive), burst);
    return taken(after);
  }

  function restore(c: Change, to: DriveRecord | null): void {
    const rev = Math.max(records.value.get(c.id)?.rev ?? 0, c.before?.rev ?? 0, c.after?.rev ?? 0) + 1;
    set(c.id, to && { ...to, rev, touchedAt: Date.now() });
  }

  /** Takes back the last change in the scope; tells what it was. */
  function undo(scope: Scope): string | null {
    const c = undoable(history.value, scope);
    if (!c) return null;
    history.value = undone(history.value, c);
    restore(c, c.before);
    return c.says;
  }

  function redo(scope: Scope): string | null {
    const c = redoable(history.value, scope);
    if (!c) return null;
    history.value = redone(history.value, c);
    restore(c, c.after);
    return c.says;
  }

  /** Stores a run; true once it is on the disk. The page moves only then. */
  async function putRun(run: RunRecord): Promise<boolean> {
    const stored = await write((s) => s.putRun(run));
    if (stored) runs.value = new Map(runs.value).set(run.id, run);
    return stored;
  }

  async function removeRun(id: string): Promise<void> {
    if (!(await write((s) => s.removeRun(id)))) return;
    const next = new Map(runs.value);
    next.delete(id);
    runs.value = next;
  }

  const runsOf = (driveId: string): readonly RunRecord[] =>
    [...runs.value.values()].filter((r) => r.driveId === driveId).sort((a, b) => b.touchedAt - a.touchedAt);

  return {
    records,
    drives,
    runs,
    ready,
    savedAt,
    pending,
    trouble,
    history,
    open,
    create,
    duplicate,
    remove,
    importDrives,
    edit,
    undo,
    redo,
    putRun,
    removeRun,
    runsOf,
  };
});
