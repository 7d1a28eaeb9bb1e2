import { onScopeDispose, ref, shallowRef, toRaw, type Ref, type ShallowRef } from 'vue';
import { wrap } from 'comlink';
import type { WheelsWork } from '../workers/wheels-work.ts';

interface Searched<Asked, Row> {
  /** what stood last; null before the first search */
  readonly rows: ShallowRef<readonly Row[] | null>;
  readonly busy: Ref<boolean>;
  readonly failed: Ref<boolean>;
  readonly search: (asked: Asked) => Promise<void>;
  readonly stop: () => void;
  readonly clear: () => void;
}

/** A small search in a worker. A new one ends the one before; Stop leaves what stood. */
export function useWheels<K extends keyof WheelsWork>(
  what: K,
): Searched<Parameters<WheelsWork[K]>[0], ReturnType<WheelsWork[K]>[number]> {
  type Asked = Parameters<WheelsWork[K]>[0];
  type Row = ReturnType<WheelsWork[K]>[number];
  const rows = shallowRef<readonly Row[] | null>(null);
  const busy = ref(false);
  const failed = ref(false);
  let worker: Worker | null = null;

  function stop(): void {
    worker?.terminate();
    worker = null;
    busy.value = false;
  }
  async function search(asked: Asked): Promise<void> {
    stop();
    const mine = new Worker(new URL('../workers/wheels.worker.ts', import.meta.url), { type: 'module' });
    worker = mine;
    busy.value = true;
    failed.value = false;
    try {
      const work = wrap<WheelsWork>(mine);
      const ask = work[what] as (asked: Asked) => Promise<readonly Row[]>;
      const found = await ask(toRaw(asked));
      if (worker === mine) rows.value = found;
    } catch {
      if (worker === mine) failed.value = true;
    }
    if (worker === mine) stop();
  }
  const clear = (): void => {
    stop();
    rows.value = null;
  };
  onScopeDispose(stop);
  return { rows, busy, failed, search, stop, clear };
}
