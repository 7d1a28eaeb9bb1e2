import { equal, merge } from './merge.ts';
import { kindOfRow, type KindId, type Row } from './kinds.ts';

/** What one step made of one record; null is "not there". */
export interface RowChange {
  readonly kind: KindId;
  readonly id: string;
  readonly before: Row | null;
  readonly after: Row | null;
}

/** One step: one record or many that changed together, and are undone and redone together. Plain data; it is stored. */
export interface Step {
  /** names the tab that made it and its place among that tab's */
  readonly id: string;
  readonly tab: string;
  /** counts the steps of this browser */
  readonly order: number;
  readonly label: string;
  readonly changes: readonly RowChange[];
  /** edits of one burst of typing are one step */
  readonly editSession: string | null;
  readonly undone: boolean;
}

/** Steps that are kept. */
export const MAX_STEPS = 200;

/** Whose steps are meant: those that touch one record of a kind, or any of it with null. */
export interface Scope {
  readonly kind: KindId;
  readonly id: string | null;
  /** making and deleting too, as in the list; inside a drive only its edits are undone */
  readonly whole: boolean;
}

const touches = (step: Step, { kind, id }: Scope): boolean =>
  step.changes.some((c) => c.kind === kind && (id === null || c.id === id));

const isEdit = (step: Step): boolean => step.changes.every((c) => c.before && c.after);

/** Typed and put back again: there is nothing to take back. */
const changed = (step: Step): boolean =>
  step.changes.some((c) => !c.before || !c.after || !isSameContent(c.before, c.after));

const meant = (step: Step | undefined, scope: Scope): Step | null =>
  step && (scope.whole || isEdit(step)) ? step : null;

/** What undo would take back: the last step in the scope. */
export const undoable = (steps: readonly Step[], scope: Scope): Step | null =>
  meant(
    steps.findLast((s) => !s.undone && touches(s, scope) && changed(s)),
    scope,
  );

/** What redo would do again: the first of those that were undone. */
export const redoable = (steps: readonly Step[], scope: Scope): Step | null =>
  meant(
    steps.find((s) => s.undone && touches(s, scope) && changed(s)),
    scope,
  );

/** What a step wants of one record now. */
export interface Wanted {
  readonly kind: KindId;
  readonly id: string;
  readonly row: Row | null;
}

/** What undoing or redoing a step comes to: the records as they are to stand, and how much of it somebody else has changed since. */
export interface Outcome {
  readonly wanted: readonly Wanted[];
  readonly clashes: number;
}

const STAMPS = ['rev', 'touchedAt', 'createdAt'];

/** A record without what each write stamps on it. */
const contentOf = (row: Row): Record<string, unknown> =>
  Object.fromEntries(Object.entries(row).filter(([key]) => !STAMPS.includes(key)));

/** Do two records say the same, whenever they were written? */
export const isSameContent = (a: Row, b: Row): boolean => equal(contentOf(a), contentOf(b));

/**
 * What `ours` made of `base`, brought to `theirs`, with the stamps of `theirs`. Null when it would be no record that can be read.
 */
export function mergeRows(
  kind: KindId,
  base: Row,
  ours: Row,
  theirs: Row,
  keep: 'ours' | 'theirs',
): { readonly row: Row; readonly clashes: number } | null {
  const { value, clashes } = merge(contentOf(base), contentOf(ours), contentOf(theirs), keep);
  const stamps = Object.fromEntries(Object.entries(theirs).filter(([key]) => STAMPS.includes(key)));
  const row = { ...value, ...stamps } as unknown as Row;
  return kindOfRow(kind).read(row as unknown as Readonly<Record<string, unknown>>).ok
    ? { row, clashes }
    : null;
}

/**
 * A step taken back or done again on the records as they stand: only what it changed itself, so that nothing is lost that another tab
 * or a later step wrote. What would leave a record that cannot be read is left alone.
 */
export function outcome(
  step: Step,
  which: 'undo' | 'redo',
  now: (kind: KindId, id: string) => Row | null,
): Outcome {
  const wanted: Wanted[] = [];
  let clashes = 0;
  for (const { kind, id, before, after } of step.changes) {
    const [from, to] = which === 'undo' ? [after, before] : [before, after];
    const standing = now(kind, id);
    const row = towards(kind, from, to, standing);
    if (row === undefined) clashes++;
    else if (row.row !== standing) wanted.push({ kind, id, row: row.row });
    clashes += row?.clashes ?? 0;
  }
  return { wanted, clashes };
}

/** The record as it is to stand; undefined when somebody else's change would be lost. */
function towards(
  kind: KindId,
  from: Row | null,
  to: Row | null,
  standing: Row | null,
): { readonly row: Row | null; readonly clashes: number } | undefined {
  if (to === null)
    return standing === null || (from && isSameContent(from, standing))
      ? { row: null, clashes: 0 }
      : undefined;
  if (from === null) return standing === null ? { row: to, clashes: 0 } : undefined;
  if (standing === null) return undefined;
  const merged = mergeRows(kind, from, to, standing, 'theirs');
  if (!merged) return undefined;
  if (!isSameContent(merged.row, standing)) return merged;
  return merged.clashes > 0 ? undefined : { row: standing, clashes: 0 };
}
