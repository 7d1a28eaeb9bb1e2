import { onScopeDispose } from 'vue';

/** What the keys do, for the list that ? shows. */
export const keyList: readonly {
  readonly keys: readonly string[];
  /** one of them, not one after the other */
  readonly or?: true;
  readonly message: string;
}[] = [
  { keys: ['g', 'd'], message: 'the list of drives' },
  { keys: ['g', 'j'], message: 'Job' },
  { keys: ['g', 's'], message: 'Shelf' },
  { keys: ['g', 't'], message: 'Train' },
  { keys: ['g', 'f'], message: 'Find' },
  { keys: ['g', 'c'], message: 'Check' },
  { keys: ['g', 'r'], message: 'Run' },
  { keys: ['/'], message: 'search drives, counts and stations' },
  { keys: ['Ctrl', 'Z'], message: 'undo' },
  { keys: ['Ctrl', 'Shift', 'Z'], message: 'redo' },
  { keys: ['Esc'], message: 'close what is open; in a field, take the last good value back' },
  { keys: ['?'], message: 'this list' },
  { keys: ['↑', '↓'], or: true, message: 'in a table, the line before or after' },
  { keys: ['Enter', 'F2'], or: true, message: 'on the shelf, write in the cell' },
  { keys: ['Delete'], message: 'on the shelf, take the chosen lines off' },
  { keys: ['Alt', '←', '→'], message: 'on a stage card, move it along the train' },
  {
    keys: ['+', '−', 'W', '0'],
    or: true,
    message: 'on the drawing: larger, smaller, the whole train, over its columns again',
  },
  { keys: ['Space'], message: 'in Run, on to the next gap; on the shelf, choose the line or let it go' },
  { keys: ['Backspace'], message: 'in Run, back to the gap before' },
  { keys: ['P'], message: 'in Run, pause and go on' },
];

const typing = (e: KeyboardEvent): boolean =>
  e.target instanceof HTMLElement &&
  (e.target.isContentEditable ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName) &&
      !/^(radio|checkbox)$/.test((e.target as HTMLInputElement).type)));

interface KeyActions {
  readonly undo: () => void;
  readonly redo: () => void;
  readonly search: () => void;
  readonly list: () => void;
  /** the letter after g */
  readonly go: (letter: string) => void;
  /** a dialog is open: only undo and redo get through */
  readonly busy: () => boolean;
}

/** How long g waits for its letter, ms. */
const PATIENCE = 1500;

/** The keys that work everywhere. */
export function useKeys(actions: KeyActions): void {
  let waiting = 0;
  const onKey = (e: KeyboardEvent): void => {
    if (e.isComposing || e.defaultPrevented) return;
    const key = e.key.toLowerCase();
    if ((e.ctrlKey || e.metaKey) && !e.altKey && (key === 'z' || key === 'y')) {
      e.preventDefault();
      if (key === 'y' || e.shiftKey) actions.redo();
      else actions.undo();
      return;
    }
    if (e.ctrlKey || e.metaKey || e.altKey || typing(e) || actions.busy()) return;
    if (Date.now() - waiting < PATIENCE && key.length === 1) {
      waiting = 0;
      actions.go(key);
      e.preventDefault();
    } else if (key === 'g') waiting = Date.now();
    else if (key === '/') {
      e.preventDefault();
      actions.search();
    } else if (key === '?') actions.list();
  };
  document.addEventListener('keydown', onKey);
  onScopeDispose(() => document.removeEventListener('keydown', onKey));
}

/** Keys of one page while it is shown; not while something is typed, a key is held, or a control takes the key itself. */
export function usePageKeys(keys: Readonly<Record<string, () => void>>): void {
  const onKey = (e: KeyboardEvent): void => {
    if (e.repeat || e.ctrlKey || e.metaKey || e.altKey || typing(e) || e.defaultPrevented) return;
    const act = keys[e.key.length === 1 ? e.key.toLowerCase() : e.key];
    if (!act || document.querySelector('[role=dialog]')) return;
    const control = e.target instanceof Element ? e.target.closest('button, a, summary') : null;
    // A focused control is worked by Space itself.
    if (e.key === ' ' && control) return;
    e.preventDefault();
    act();
  };
  document.addEventListener('keydown', onKey);
  onScopeDispose(() => document.removeEventListener('keydown', onKey));
}
