import { defineStore } from 'pinia';
import { computed } from 'vue';
import {
  editPart,
  editPartInput,
  followedDrive,
  left,
  newPart,
  partLabel,
  usesOf,
  type PartColumn,
  type PartKindId,
  type Result,
  type ShelfPart,
} from '@pendrix/core';
import type { Step } from '../records/history.ts';
import { equal } from '../records/merge.ts';
import type { DriveRecord, PartRecord } from '../records/kinds.ts';
import { newId } from '../records/new-id.ts';
import { useRecords, type Change } from '../records/records.ts';
import { useWorkshop } from './workshop.ts';

/** Lines of the shelf as they are to stand, by id; null is gone. */
export type Lines = ReadonlyMap<string, Omit<PartRecord, 'rev'> | null>;

/** The shelf that all drives share, on the one store of records: a line and the drives that are linked to it change in one step. */
export const useShelf = defineStore('shelf', () => {
  const store = useRecords();
  const workshop = useWorkshop();
  const records = computed(() => store.tables.part);

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

  /** of each line in use by other drives than one, how many: as it crosses to a worker */
  const usedElsewhere = (drive: string): Readonly<Record<string, number>> =>
    Object.fromEntries(
      parts.value.flatMap(({ id }) => {
        const count = usedBeside(id, drive);
        return count > 0 ? [[id, count] as const] : [];
      }),
    );

  /** The drives that follow from changes: those linked to a changed line, and those that were changed themselves. */
  store.link((rows, now) => {
    const lines = rows.filter((w) => w.kind === 'part');
    const shelf = new Map(byId.value);
    for (const { id, row } of lines) {
      if (row) shelf.set(id, (row as PartRecord).part);
      else shelf.delete(id);
    }
    const ids = new Set(rows.flatMap((w) => (w.kind === 'drive' ? [w.id] : [])));
    if (lines.length > 0) for (const id of store.tables.drive.keys()) ids.add(id);
    return [...ids].flatMap((id) => {
      const record = now('drive', id) as DriveRecord | null;
      if (!record) return [];
      const drive = followedDrive(record.drive, shelf);
      return drive === record.drive ? [] : [{ kind: 'drive', id, row: { ...record, drive } } as const];
    });
  });

  function change(label: string, lines: Lines, editSession: string | null = null): Step {
    const changes: Change[] = [...lines].map(([id, row]) => ({ kind: 'part', id, row }));
    return store.change(label, changes, editSession);
  }

  const withPart = (record: Omit<PartRecord, 'rev'>, part: ShelfPart): Omit<PartRecord, 'rev'> => ({
    ...record,
    part,
  });

  /** What is typed into a cell; refused, nothing changes. */
  function edit(
    id: string,
    column: PartColumn,
    text: string,
    editSession: string | null = null,
  ): Result<ShelfPart> | null {
    const record = records.value.get(id);
    if (!record) return null;
    return settle(record, editPart(record.part, column, text), column, editSession);
  }

  /** The same for one of its inputs. */
  function setInput(
    id: string,
    key: string,
    text: string,
    editSession: string | null = null,
  ): Result<ShelfPart> | null {
    const record = records.value.get(id);
    return record ? settle(record, editPartInput(record.part, key, text), key, editSession) : null;
  }

  function settle(
    record: PartRecord,
    read: Result<ShelfPart>,
    what: string,
    editSession: string | null,
  ): Result<ShelfPart> {
    if (!read.ok || JSON.stringify(read.value) === JSON.stringify(record.part)) return read;
    change(
      `${partLabel(record.part)}: ${what}`,
      new Map([[record.id, withPart(record, read.value)]]),
      editSession,
    );
    return read;
  }

  const nextPlace = (): number => 1 + Math.max(0, ...[...records.value.values()].map((r) => r.place));

  function added(list: readonly ShelfPart[]): Map<string, Omit<PartRecord, 'rev'>> {
    const place = nextPlace();
    return new Map(list.map((part, i) => [part.id, { id: part.id, part, place: place + i }]));
  }

  function add(kind: PartKindId): ShelfPart {
    const part = newPart(kind, newId());
    change(`new ${partLabel(part)}`, added([part]));
    return part;
  }

  /** What adds lines read from a table or a file: new ones come last, `more` are owned of those that are there, the same ids take the place of old ones. */
  function additions(list: readonly ShelfPart[], more: ReadonlyMap<string, number> = new Map()): Lines {
    const after = new Map<string, Omit<PartRecord, 'rev'>>(
      added(list.filter((p) => !records.value.has(p.id))),
    );
    for (const part of list) {
      const old = records.value.get(part.id);
      if (old && !equal(old.part, part)) after.set(part.id, withPart(old, part));
    }
    for (const [id, count] of more) {
      const old = after.get(id) ?? records.value.get(id);
      if (old) after.set(id, withPart(old, { ...old.part, own: old.part.own + count }));
    }
    return after;
  }

  function take(list: readonly ShelfPart[], more: ReadonlyMap<string, number>, label: string): Step | null {
    const lines = additions(list, more);
    return lines.size > 0 ? change(label, lines) : null;
  }

  function remove(ids: readonly string[]): Step | null {
    const known = ids.filter((id) => records.value.has(id));
    if (known.length === 0) return null;
    const first = partLabel(records.value.get(known[0]!)!.part);
    return change(
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
    const after = new Map<string, Omit<PartRecord, 'rev'>>();
    for (const id of ids) {
      const record = records.value.get(id);
      const read = record && editPart(record.part, column, text);
      if (record && read?.ok) after.set(id, withPart(record, read.value));
    }
    if (after.size > 0) change(`${column} of ${after.size} lines`, after);
    return after.size;
  }

  return {
    parts,
    byId,
    uses,
    usedBeside,
    usedElsewhere,
    edit,
    setInput,
    editMany,
    add,
    additions,
    take,
    remove,
    duplicate,
  };
});
