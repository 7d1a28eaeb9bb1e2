import type { DriveRecord } from '../storage/storage.ts';

/** One change of one record, with what stood before and after; null is "not there". */
export interface Change {
  readonly id: string;
  readonly before: DriveRecord | null;
  readonly after: DriveRecord | null;
  readonly says: string;
  /** edits of one burst of typing are one change */
  readonly burst: string | null;
  readonly order: number;
}

/** Undo and redo for all drives: changes of one record are undone in their own order. Earlier drives are kept whole. */
export interface History {
  readonly past: readonly Change[];
  readonly future: readonly Change[];
}

export const NO_HISTORY: History = { past: [], future: [] };

/** Enough for an evening; drives are small. */
const MOST = 500;

/** The history after a change. A change of the same burst joins the last one of its record; what was undone of that record is gone. */
export function recorded(history: History, change: Omit<Change, 'order'>): History {
  const last = lastOf(history.past, change.id);
  const future = history.future.filter((c) => c.id !== change.id);
  if (last && change.burst !== null && last.burst === change.burst) {
    const joined = { ...change, before: last.before, order: last.order };
    return { past: history.past.map((c) => (c === last ? joined : c)), future };
  }
  const order = 1 + Math.max(0, ...history.past.map((c) => c.order));
  return { past: [...history.past, { ...change, order }].slice(-MOST), future };
}

const lastOf = (changes: readonly Change[], id: string | null): Change | undefined =>
  changes.findLast((c) => id === null || c.id === id);

/** Whose changes are meant: one drive's edits, or everything that happened to it, or to any drive with null. */
export interface Scope {
  readonly id: string | null;
  /** its making and its deletion too, as in the list; inside a drive only its edits are undone */
  readonly whole: boolean;
}

const meant = (change: Change | undefined, scope: Scope): Change | null =>
  change && (scope.whole || (change.before && change.after)) ? change : null;

/** What undo would take back: the last change in the scope. */
export const undoable = (history: History, scope: Scope): Change | null =>
  meant(lastOf(history.past, scope.id), scope);

/** What redo would do again. */
export const redoable = (history: History, scope: Scope): Change | null =>
  meant(lastOf(history.future, scope.id), scope);

export const undone = (history: History, change: Change): History => ({
  past: history.past.filter((c) => c !== change),
  future: [...history.future, change],
});

export const redone = (history: History, change: Change): History => ({
  past: [...history.past, { ...change, burst: null }],
  future: history.future.filter((c) => c !== change),
});
