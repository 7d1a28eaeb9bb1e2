import { onScopeDispose, ref, shallowRef } from 'vue';
import { wrap, type Remote } from 'comlink';
import { toText, type Interval, type Teeth } from '@pendrix/core';
import type { RatioWork, TextTrain } from '../../workers/ratio-work.ts';

const COUNT = 20;

/** The wheel trains of an interval, searched in a worker. A new search ends the one before; Stop keeps what stands. */
export function useTrains() {
  const trains = shallowRef<readonly TextTrain[] | null>(null);
  const busy = ref(false);
  const failed = ref(false);
  let worker: Worker | null = null;

  function stop(): void {
    worker?.terminate();
    worker = null;
    busy.value = false;
  }

  async function search({ low, high }: Interval, teeth: Teeth, pairs: number): Promise<void> {
    stop();
    const mine = new Worker(new URL('../../workers/ratio.worker.ts', import.meta.url), { type: 'module' });
    worker = mine;
    busy.value = true;
    failed.value = false;
    const work: Remote<RatioWork> = wrap<RatioWork>(mine);
    try {
      const found = await work.trains(
        toText(low),
        toText(high),
        { from: teeth.from, to: teeth.to },
        pairs,
        COUNT,
      );
      if (worker === mine) trains.value = found;
    } catch {
      if (worker === mine) failed.value = true;
    }
    if (worker === mine) stop();
  }

  const clear = (): void => {
    stop();
    trains.value = null;
  };
  onScopeDispose(stop);
  return { trains, busy, failed, search, stop, clear };
}
