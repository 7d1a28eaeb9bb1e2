import { getCurrentInstance, onScopeDispose, render, type VNode } from 'vue';

/** Rows of a sheet that are printed at most: some eighty pages. The file has them all. */
export const MAX_PRINTED = 5000;

/**
 * What is printed while this page is open, from its key and from the browser's: a sheet of its own, made when the printing begins and
 * laid before the printer instead of the screen, so that what scrolls or is not in view is there too. Gives back the key's act.
 */
export function usePrintSheet(sheet: () => VNode | null): () => void {
  const context = getCurrentInstance()?.appContext ?? null;
  let host: HTMLElement | null = null;

  function begin(): void {
    end();
    const made = sheet();
    if (!made) return;
    made.appContext = context;
    host = document.createElement('div');
    host.className = 'print-sheet';
    render(made, host);
    document.body.append(host);
    document.documentElement.dataset['printing'] = 'sheet';
  }
  function end(): void {
    if (!host) return;
    render(null, host);
    host.remove();
    host = null;
    delete document.documentElement.dataset['printing'];
  }
  window.addEventListener('beforeprint', begin);
  window.addEventListener('afterprint', end);
  onScopeDispose(() => {
    end();
    window.removeEventListener('beforeprint', begin);
    window.removeEventListener('afterprint', end);
  });
  return () => window.print();
}
