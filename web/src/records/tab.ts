import { newId } from './new-id.ts';

/** This tab, told from the others: it keeps its name over a reload, so that it finds its own steps again. */
export interface Tab {
  readonly id: string;
  /** tabs of this browser that are open; null when the browser does not tell */
  readonly alive: () => Promise<ReadonlySet<string> | null>;
}

const KEY = 'pendrix.tab';
const LOCK = 'pendrix-tab-';

/** How long a reload may take to let its lock go, ms. A tab that was duplicated finds it taken for good. */
const PATIENCE_MS = 400;

/** Opens this tab under the name it had before a reload, or a new one. The lock on its name lasts as long as the page. */
export async function openTab(
  session: Pick<Storage, 'getItem' | 'setItem'> | null = sessionOf(),
  locks: LockManager | null = globalThis.navigator?.locks ?? null,
): Promise<Tab> {
  const kept = quietly(() => session?.getItem(KEY) ?? null);
  const id = kept !== null && (await isFree(locks, kept)) ? kept : newId();
  if (id !== kept) await isFree(locks, id);
  quietly(() => session?.setItem(KEY, id));
  return {
    id,
    alive: async () => {
      const held = (await locks?.query())?.held;
      if (!held) return null;
      return new Set(held.flatMap((l) => (l.name?.startsWith(LOCK) ? [l.name.slice(LOCK.length)] : [])));
    },
  };
}

/** Takes the lock on a name and keeps it; false when another tab has it. */
function isFree(locks: LockManager | null, id: string): Promise<boolean> {
  if (!locks) return Promise.resolve(true);
  return new Promise((answer) => {
    const given = new AbortController();
    const waiting = setTimeout(() => given.abort(), PATIENCE_MS);
    locks
      .request(LOCK + id, { signal: given.signal }, () => {
        clearTimeout(waiting);
        answer(true);
        return new Promise<void>(() => undefined);
      })
      .catch(() => answer(false));
  });
}

const quietly = <R>(act: () => R): R | null => {
  try {
    return act();
  } catch {
    return null;
  }
};

function sessionOf(): Storage | null {
  try {
    return globalThis.sessionStorage ?? null;
  } catch {
    return null;
  }
}
