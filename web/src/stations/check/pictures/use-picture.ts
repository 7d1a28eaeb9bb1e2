import { onScopeDispose, ref, shallowRef, watch } from 'vue';
import { proxy, wrap } from 'comlink';
import type { Drive, ResultPicture } from '@pendrix/core';
import { useSettled } from '../../../ui/settled.ts';
import type { PictureWork } from '../../../workers/picture-work.ts';

interface Asked {
  readonly drive: Drive;
  readonly key: string | null;
  readonly seed: number;
}

/**
 * The picture of a drive, simulated in a worker and made again whenever the drive rests after a change. What stood stays until the new one
 * is there; Stop ends the worker at once and leaves it.
 */
export function usePicture(asked: () => Asked) {
  const picture = shallowRef<ResultPicture | null>(null);
  const progress = ref<number | null>(null);
  const stopped = ref(false);
  const failed = ref(false);
  let worker: Worker | null = null;

  function end(): void {
    worker?.terminate();
    worker = null;
    progress.value = null;
  }
  function stop(): void {
    end();
    stopped.value = true;
  }

  async function make({ drive, key, seed }: Asked): Promise<void> {
    end();
    stopped.value = false;
    failed.value = false;
    if (key === null) {
      picture.value = null;
      return;
    }
    const mine = new Worker(new URL('../../../workers/picture.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker = mine;
    progress.value = 0;
    const told = proxy((done: number) => {
      if (worker === mine) progress.value = done;
    });
    try {
      const made = await wrap<PictureWork>(mine).make(drive, key, seed, told);
      if (worker === mine) picture.value = made;
    } catch {
      if (worker === mine) failed.value = true;
    }
    if (worker === mine) end();
  }

  const { settled } = useSettled(() => asked().drive);
  watch(
    [settled, () => asked().key, () => asked().seed],
    ([drive, key, seed]) => void make({ drive, key, seed }),
    { immediate: true },
  );
  onScopeDispose(end);
  return {
    picture,
    progress,
    stopped,
    failed,
    stop,
    again: () => make({ ...asked(), drive: settled.value }),
  };
}
