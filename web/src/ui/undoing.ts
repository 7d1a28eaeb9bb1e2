import { computed, type ComputedRef } from 'vue';
import { redoable, undoable, type Scope } from '../records/history.ts';
import { useRecords, type Undone } from '../records/records.ts';
import { useNotices } from '../stores/notices.ts';

/** Undo and redo of what is open: what would be undone, and the keys for it. */
export interface Undoing {
  readonly undo: ComputedRef<string | null>;
  readonly redo: ComputedRef<string | null>;
  readonly takeBack: () => void;
  readonly doAgain: () => void;
}

/** What undo came to, in a sentence; another tab's changes are never undone. */
export function undoneMessage(verb: 'Undone' | 'Redone', { label, kept }: Undone): string {
  if (kept === 'nothing') return `${verb}: ${label}`;
  return kept === 'some'
    ? `${verb}: ${label}. What was changed in the same place since, here or in another tab, stays.`
    : `${label} was changed again since, here or in another tab, so it stays.`;
}

export function useUndoing(scope: () => Scope): Undoing {
  const records = useRecords();
  const notices = useNotices();
  const tell = (verb: 'Undone' | 'Redone', done: Undone | null): void => {
    if (!done) return;
    const act = verb === 'Undone' ? { act: { label: 'Redo', do: doAgain } } : {};
    notices.tell({ message: undoneMessage(verb, done), tone: 'plain', ...act });
  };
  const takeBack = (): void => tell('Undone', records.undo(scope()));
  const doAgain = (): void => tell('Redone', records.redo(scope()));
  return {
    undo: computed(() => undoable(records.steps, scope())?.label ?? null),
    redo: computed(() => redoable(records.steps, scope())?.label ?? null),
    takeBack,
    doAgain,
  };
}
