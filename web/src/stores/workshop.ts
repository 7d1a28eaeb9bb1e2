import { defineStore } from 'pinia';
import { computed } from 'vue';
import {
  applyEdit,
  editLabel,
  newDrive,
  error,
  ok,
  type Drive,
  type Edit,
  type Result,
  type AnyRun,
} from '@pendrix/core';
import type { Workshop } from '@pendrix/core/files/index';
import type { Step } from '../records/history.ts';
import type { DriveRecord, RunRecord } from '../records/kinds.ts';
import { newId } from '../records/new-id.ts';
import { useRecords, type Change } from '../records/records.ts';

/** A name that no other has yet: "Tide dial", "Tide dial 2". */
export function freeName(wanted: string, names: readonly string[]): string {
  const known = new Set(names);
  if (!known.has(wanted)) return wanted;
  for (let i = 2; ; i++) if (!known.has(`${wanted} ${i}`)) return `${wanted} ${i}`;
}

/** What came of a move of a run. */
export type Moved = 'stored' | 'failed' | { readonly newer: RunRecord | null };

/** All drives and their runs, on the one store of records: every edit is a step there. */
export const useWorkshop = defineStore('workshop', () => {
  const store = useRecords();
  const records = computed(() => store.tables.drive);
  const runs = computed(() => store.tables.run);
  const drives = computed(() =>
    [...records.value.values()].sort(
      (a, b) => b.touchedAt - a.touchedAt || a.drive.name.localeCompare(b.drive.name),
    ),
  );
  const names = (): string[] => [...records.value.values()].map((r) => r.drive.name);

  const rowOf = (
    drive: Drive,
    id = newId(),
    createdAt = Date.now(),
  ): Change & { readonly kind: 'drive' } => ({
    kind: 'drive',
    id,
    row: { id, drive, createdAt, touchedAt: createdAt },
  });
  const added = (change: Change): DriveRecord => records.value.get(change.id)!;

  /** A new drive, which asks first what it shall do. */
  function create(name = 'New drive'): DriveRecord {
    const row = rowOf({ ...newDrive(freeName(name, names())), start: {} });
    store.change(`new drive ${row.row!.drive.name}`, [row]);
    return added(row);
  }

  function duplicate(id: string): DriveRecord | null {
    const from = records.value.get(id);
    if (!from) return null;
    const row = rowOf({ ...from.drive, name: freeName(`${from.drive.name} copy`, names()) });
    store.change(`duplicate of ${from.drive.name}`, [row]);
    return added(row);
  }

  /** Deletes a drive with its runs, in one step: brought back, it has them again. */
  function remove(id: string): Step | null {
    const from = records.value.get(id);
    if (!from) return null;
    const its = [...runs.value.values()].filter((r) => r.driveId === id);
    return store.change(`delete ${from.drive.name}`, [
      { kind: 'drive', id, row: null },
      ...its.map((r) => ({ kind: 'run', id: r.id, row: null }) as const),
    ]);
  }

  /** What adds drives that were read from a file, with their runs; a name that is taken gets a number, unless they are to stand alone. */
  function additions(
    { drives: list, runs: kept }: Pick<Workshop, 'drives' | 'runs'>,
    alone = false,
  ): readonly Change[] {
    const known = new Set(alone ? [] : names());
    const rows = list.map((drive) => {
      const name = freeName(drive.name, [...known]);
      known.add(name);
      return rowOf(name === drive.name ? drive : { ...drive, name });
    });
    return [...rows, ...kept.map((run) => runRow(rows[run.drive]!.id, run))];
  }

  /** The one way to edit a drive, as seen from one of its outputs. A refusal changes nothing. */
  function edit(id: string, e: Edit, editSession: string | null = null, output = 0): Result<DriveRecord> {
    const record = records.value.get(id);
    if (!record) return error('unknownEdit', e.do);
    const result = applyEdit(record.drive, e, output);
    if (!result.ok) return result;
    if (JSON.stringify(result.value) === JSON.stringify(record.drive)) return ok(record);
    store.change(
      editLabel(e, record.drive, output),
      [{ kind: 'drive', id, row: { ...record, drive: result.value } }],
      editSession,
    );
    return ok(records.value.get(id)!);
  }

  const runRow = (driveId: string, { name, state, ended }: RunOf): Change & { readonly kind: 'run' } => {
    const id = newId();
    return { kind: 'run', id, row: { id, driveId, name, state, ended, touchedAt: Date.now() } };
  };

  /** Begins a run; null when it could not be stored. */
  async function startRun(driveId: string, name: string, state: AnyRun): Promise<RunRecord | null> {
    const { id, row } = runRow(driveId, { name, state, ended: false });
    const stored = await store.store('run', row!, 0);
    return stored.ok ? (runs.value.get(id) ?? null) : null;
  }

  /** Stores what became of a run; it is shown only once it is on the disk, and never over what another tab made of it. */
  async function putRun(from: RunRecord, to: Partial<RunOf>): Promise<Moved> {
    const stored = await store.store('run', { ...from, ...to }, from.rev);
    if (stored.ok) return 'stored';
    return stored.fault ? 'failed' : { newer: stored.newer as RunRecord | null };
  }

  const removeRun = (run: RunRecord): Step =>
    store.change(`delete the run of ${run.name}`, [{ kind: 'run', id: run.id, row: null }]);

  /** The runs of a drive, the last one worked on first. */
  const runsOf = (driveId: string): readonly RunRecord[] =>
    [...runs.value.values()].filter((r) => r.driveId === driveId).sort((a, b) => b.touchedAt - a.touchedAt);

  return {
    records,
    drives,
    runs,
    create,
    duplicate,
    remove,
    additions,
    edit,
    startRun,
    putRun,
    removeRun,
    runsOf,
  };
});

/** What a run is, apart from whose it is and when it was written. */
export type RunOf = Pick<RunRecord, 'name' | 'state' | 'ended'>;
