import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { error, type Refusal } from '@pendrix/core';
import { channelOf, type Channel } from './channel.ts';
import { openDatabase, type Database, type RowKey, type Write } from './database.ts';
import { MAX_STEPS, outcome, redoable, undoable, type RowChange, type Scope, type Step } from './history.ts';
import { openJournal, type Journal } from './journal.ts';
import { isApart, kindOfRow, readRow, type KindId, type Row, type Rows } from './kinds.ts';
import { createSync, keyOf } from './sync.ts';
import { openTab, type Tab } from './tab.ts';

/** How long the database may take to answer before the page opens without it, ms. It is waited for all the same. */
const PATIENCE_MS = 5000;

/** A tab that was hidden for longer than this looks at everything again, ms. */
const ASLEEP_MS = 3000;

/** A record as it is to stand after a change, without its stamp; null is gone. */
export type Change = {
  readonly [K in KindId]: {
    readonly kind: K;
    readonly id: string;
    readonly row: Omit<Rows[K], 'rev'> | null;
  };
}[KindId];

/** What came of undo or redo. */
export interface Undone {
  readonly label: string;
  /** how much of it somebody else has changed since, and so was left */
  readonly kept: 'nothing' | 'some' | 'all';
}

/** What follows from changes in other records: a line of the shelf, and the drives that are linked to it. `now` sees the changes. */
export type Linked = (
  rows: readonly Write[],
  now: (kind: KindId, id: string) => Row | null,
) => readonly Write[];

/** What the store is opened on; for tests. What is absent is the browser's. */
export interface Opening {
  readonly database?: Database;
  readonly journal?: Journal;
  readonly tab?: () => Promise<Tab>;
  readonly channel?: Channel | null;
  /** does something after a while unless what it gives is called */
  readonly later?: (act: () => void, ms: number) => () => void;
}

const later = (act: () => void, ms: number): (() => void) => {
  const timer = setTimeout(act, ms);
  return () => clearTimeout(timer);
};

/**
 * The one store of records: drives, lines of the shelf, runs. Every change is a step of one record or many; it is shown, noted in the
 * journal and on its way to the database in the same tick, and it never writes over what another tab wrote.
 */
export const useRecords = defineStore('records', () => {
  const sync = createSync();
  const { rowOf, show } = sync;
  const steps = shallowRef<readonly Step[]>([]);
  const ready = ref(false);
  /** why it is not known what the database holds; null once it is. Until then nothing is said of what is there. */
  const unread = shallowRef<Refusal | null>(error('storageSlow', '').refusal);
  /** nothing of what is unsaved would outlive this page now */
  const endangered = computed(
    () => sync.unsaved.value > 0 && (sync.trouble.value !== null || sync.notes.value.length === 0),
  );
  let journal: Journal = openJournal(null);
  let tab: Tab = { id: 'tab', alive: () => Promise.resolve(null) };
  let order = 0;
  let noted = 0;
  let hiddenAt = 0;
  let linked: Linked = () => [];
  /** what a burst of typing began with */
  let editSession: { readonly step: string; readonly before: ReadonlyMap<string, Row | null> } | null = null;

  /** Opens the database and follows what other tabs write. What goes wrong is told as `trouble`; the page opens all the same. */
  async function open(given: Opening = {}): Promise<void> {
    const { trouble } = sync;
    journal = given.journal ?? openJournal();
    const channel = given.channel === undefined ? channelOf('pendrix') : given.channel;
    const inTime = (given.later ?? later)(() => {
      trouble.value ??= unread.value;
      ready.value = true;
    }, PATIENCE_MS);
    try {
      const database = given.database ?? openDatabase();
      database.onHeld(() => {
        trouble.value = unread.value = error('storageHeld', '').refusal;
        ready.value = true;
      });
      database.onVanished(() => sync.vanished(steps.value));
      database.onClosed(() => void sync.wake().then(sync.flush));
      const [all, mine] = await Promise.all([database.all(), (given.tab ?? openTab)()]);
      tab = mine;
      sync.connect(database, journal, channel);
      trouble.value = null;
      sync.adopt(all);
      await adoptSteps(database);
      replayJournal();
      sync.savedAt.value =
        Math.max(0, ...[...sync.tables.value.drive.values()].map((r) => r.touchedAt)) || null;
      unread.value = null;
      void sync.flush();
    } catch (fault) {
      sync.fail(fault);
      unread.value = trouble.value;
    } finally {
      inTime();
    }
    ready.value = true;
  }

  /** This tab's own steps, and those of tabs that are closed. */
  async function adoptSteps(database: Database): Promise<void> {
    const alive = await tab.alive();
    const isMine = (owner: string): boolean => owner === tab.id || (alive !== null && !alive.has(owner));
    const all = await database.takeSteps(tab.id, isMine);
    steps.value = [...all.slice(-MAX_STEPS), ...steps.value];
    sync.dropSteps(all.slice(0, -MAX_STEPS).map((s) => s.id));
    order = all.reduce((most, s) => Math.max(most, s.order), order);
  }

  /** Changes that were on their way to the disk when the page went. */
  function replayJournal(): void {
    for (const [key, { rows, step }] of journal.waiting()) {
      const good = rows.filter(({ kind, id, row, rev }) => {
        if (row !== null && isApart(readRow(kind, row))) return false;
        return rev > (rowOf(kind, id)?.rev ?? (row === null ? Infinity : 0));
      });
      if (good.length === 0) {
        journal.done(key);
        continue;
      }
      show(good);
      sync.mark(good, step);
      if (step) keep(step);
      sync.notes.value = [...sync.notes.value, key];
    }
  }

  const keep = (step: Step): void => {
    const others = steps.value.filter((s) => s.id !== step.id);
    const all = [...others, step].sort((a, b) => a.order - b.order);
    steps.value = all.slice(-MAX_STEPS);
    sync.dropSteps(all.slice(0, -MAX_STEPS).map((s) => s.id));
  };

  /** Puts records as they are to stand, notes them, and sends them on their way. */
  function put(rows: readonly Write[], step: Step): void {
    show(rows);
    keep(step);
    sync.mark(rows, step);
    const key = `${tab.id}.${String(++noted).padStart(9, '0')}.${Date.now().toString(36)}`;
    const withRev = rows.map((w) => ({ ...w, rev: w.row?.rev ?? sync.diskRev(w) + 1 }));
    if (journal.note(key, { rows: withRev, step })) sync.notes.value = [...sync.notes.value, key];
    void sync.flush();
  }

  /** The record with the stamp of one write more than any that is known. */
  function stamped({ kind, id }: RowKey, row: Omit<Row, 'rev'> | null): Row | null {
    const rev = Math.max(rowOf(kind, id)?.rev ?? 0, sync.diskRev({ kind, id })) + 1;
    return row && kindOfRow(kind).stamped(row as Row, rev, Date.now());
  }

  /** These changes with what follows from them, as one. */
  function withLinked(rows: readonly Write[]): readonly Write[] {
    const now = new Map(rows.map((w) => [keyOf(w), w.row]));
    const more = linked(rows, (kind, id) => {
      const row = now.get(keyOf({ kind, id }));
      return row === undefined ? rowOf(kind, id) : row;
    });
    if (more.length === 0) return rows;
    const over = new Set(more.map(keyOf));
    return [
      ...rows.filter((w) => !over.has(keyOf(w))),
      ...more.map((w) => ({ ...w, row: stamped(w, w.row) })),
    ];
  }

  /**
   * One step: every record in it changes now, and is undone and redone together. Changes of the same burst of typing join the last
   * step. Gives back the step, to be undone by its id.
   */
  function change(label: string, changes: readonly Change[], typing: string | null = null): Step {
    const rows = withLinked(
      changes.map(({ kind, id, row }) => ({ kind, id, row: stamped({ kind, id }, row as Row | null) })),
    );
    const last = steps.value.findLast((s) => !s.undone);
    const joined =
      typing !== null && last?.editSession === typing && editSession?.step === last.id ? last : null;
    const before = new Map(joined ? editSession!.before : []);
    const touched = new Map<string, RowKey>(
      [...(joined?.changes ?? []), ...rows].map(({ kind, id }) => [keyOf({ kind, id }), { kind, id }]),
    );
    for (const [key, { kind, id }] of touched) if (!before.has(key)) before.set(key, rowOf(kind, id));
    const now = new Map(rows.map((w) => [keyOf(w), w.row]));
    const made: RowChange[] = [...touched].map(([key, { kind, id }]) => ({
      kind,
      id,
      before: before.get(key) ?? null,
      after: now.has(key) ? (now.get(key) ?? null) : rowOf(kind, id),
    }));
    const step: Step = {
      id: joined?.id ?? `${tab.id}.${order + 1}`,
      tab: tab.id,
      order: joined?.order ?? ++order,
      label,
      changes: made,
      editSession: typing,
      undone: false,
    };
    editSession = typing === null ? null : { step: step.id, before };
    forgetUndone(touched);
    put(rows, step);
    return step;
  }

  /** What was undone of these records cannot be done again after a new change of them. */
  function forgetUndone(keys: ReadonlyMap<string, RowKey>): void {
    const gone = steps.value.filter((s) => s.undone && s.changes.some((c) => keys.has(keyOf(c))));
    if (gone.length === 0) return;
    steps.value = steps.value.filter((s) => !gone.includes(s));
    sync.dropSteps(gone.map((s) => s.id));
  }

  /** Takes a step back, or does it again: what it changed itself, and nothing that was written since. */
  function turn(step: Step, which: 'undo' | 'redo'): Undone {
    editSession = null;
    const { wanted, clashes } = outcome(step, which, rowOf);
    const rows = withLinked(
      wanted.map(({ kind, id, row }) => ({ kind, id, row: stamped({ kind, id }, row) })),
    );
    put(rows, { ...step, undone: which === 'undo', editSession: null });
    return { label: step.label, kept: clashes === 0 ? 'nothing' : rows.length > 0 ? 'some' : 'all' };
  }

  const turned = (step: Step | null | undefined, which: 'undo' | 'redo'): Undone | null =>
    step ? turn(step, which) : null;

  /** Told by the page when it is hidden and shown again: a tab that slept looks at everything anew. */
  function visible(now: boolean): void {
    if (!now) hiddenAt = Date.now();
    else if (hiddenAt > 0 && Math.abs(Date.now() - hiddenAt) > ASLEEP_MS) void sync.wake();
  }

  return {
    tables: sync.tables,
    apart: sync.apart,
    steps,
    ready,
    unread,
    savedAt: sync.savedAt,
    trouble: sync.trouble,
    unsaved: sync.unsaved,
    endangered,
    news: sync.news,
    open,
    /** tells what follows from changes; it is part of their step */
    link: (by: Linked) => void (linked = by),
    change,
    undo: (scope: Scope) => turned(undoable(steps.value, scope), 'undo'),
    redo: (scope: Scope) => turned(redoable(steps.value, scope), 'redo'),
    /** takes back one step, whatever came after it */
    undoStep: (id: string) =>
      turned(
        steps.value.find((s) => s.id === id && !s.undone),
        'undo',
      ),
    store: sync.store,
    discard: sync.discard,
    retry: sync.flush,
    wake: sync.wake,
    visible,
  };
});
