import { onScopeDispose } from 'vue';
import { createKeybindingsHandler } from 'tinykeys';
import { keyTable, type KeyId } from './key-table.ts';

/** What each key of the table does, where it is bound. */
export type KeyActs = Partial<Readonly<Record<KeyId, (e: KeyboardEvent) => void>>>;

const typing = (e: KeyboardEvent): boolean =>
  e.target instanceof HTMLElement &&
  (e.target.isContentEditable ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName) &&
      !/^(radio|checkbox)$/.test((e.target as HTMLInputElement).type)));

/** How long g waits for its letter, ms. */
const PATIENCE_MS = 1500;

/** A handler of keydown for these keys of the table. What is bound takes the key from the browser. */
export function keyHandler(acts: KeyActs): (e: KeyboardEvent) => void {
  const map = Object.entries(acts).flatMap(([id, act]) =>
    keyTable[id as KeyId].keys.map((keys) => [
      keys,
      (e: KeyboardEvent) => {
        e.preventDefault();
        act(e);
      },
    ]),
  );
  return createKeybindingsHandler(Object.fromEntries(map) as Record<string, (e: KeyboardEvent) => void>, {
    timeout: PATIENCE_MS,
    ignore: () => false,
  });
}

function listen(handler: (e: KeyboardEvent) => void, takes: (e: KeyboardEvent) => boolean): void {
  const onKey = (e: KeyboardEvent): void => {
    if (!e.isComposing && !e.defaultPrevented && takes(e)) handler(e);
  };
  document.addEventListener('keydown', onKey);
  onScopeDispose(() => document.removeEventListener('keydown', onKey));
}

/** The keys that work everywhere: those with Ctrl in a field too, the others not while something is typed or a dialog is open. */
export function useKeys(acts: KeyActs, busy: () => boolean): void {
  listen(keyHandler(acts), (e) => e.ctrlKey || e.metaKey || (!typing(e) && !busy()));
}

/**
 * Keys of one page while it is shown; not while something is typed, a key is held, or a control takes the key itself. At the machine Space goes
 * on `always`, whatever was clicked last: fingers there do not see the focus.
 */
export function usePageKeys(acts: KeyActs, { always = false }: { readonly always?: boolean } = {}): void {
  listen(keyHandler(acts), (e) => {
    if (e.repeat || typing(e) || document.querySelector('[role=dialog]')) return false;
    // A focused control is worked by Space itself.
    if (e.key !== ' ' || !(e.target instanceof Element)) return true;
    // what lies open over the page is worked by Space itself, and so is a focused control elsewhere
    if (e.target.closest('[role=menu], [role=listbox], .v-overlay')) return false;
    return always || !e.target.closest('button, a, summary, label, [role=checkbox]');
  });
}
