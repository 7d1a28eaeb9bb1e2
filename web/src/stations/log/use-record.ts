import { onScopeDispose, ref, shallowRef } from 'vue';
import { proxy, wrap } from 'comlink';
import { error, type Drive } from '@pendrix/core';
import type { RecordRead, RecordWork } from '../../workers/record-work.ts';

/** A record read in a worker; Stop ends it at once and leaves what was read before. */
export function useRecord(drive: () => Drive, rate: () => string | undefined) {
  const read = shallowRef<RecordRead | null>(null);
  const name = ref('');
  const progress = ref<number | null>(null);
  let worker: Worker | null = null;

  function stop(): void {
    worker?.terminate();
    worker = null;
    progress.value = null;
  }
  async function work<T>(
    of: (remote: ReturnType<typeof wrap<RecordWork>>, mine: Worker) => Promise<T>,
  ): Promise<T | null> {
    stop();
    const mine = new Worker(new URL('../../workers/record.worker.ts', import.meta.url), { type: 'module' });
    worker = mine;
    progress.value = 0;
    try {
      const answer = await of(wrap<RecordWork>(mine), mine);
      return worker === mine ? answer : null;
    } catch {
      return null;
    } finally {
      if (worker === mine) stop();
    }
  }
  /** the text that was read last: it is read anew by another rate */
  let last: { readonly file: string; readonly text: string } | null = null;
  async function load(file: string, text: string): Promise<void> {
    last = { file, text };
    const told = (mine: Worker) =>
      proxy((done: number) => {
        if (worker === mine) progress.value = done;
      });
    const answer = await work<RecordRead>((remote, mine) => remote.read(drive(), text, rate(), told(mine)));
    if (!answer) return;
    name.value = file;
    read.value = answer;
  }
  /** the next one is another */
  let seed = 7;
  async function sample(): Promise<void> {
    const text = await work((remote) => remote.sample(drive(), seed));
    if (text === null) read.value = { is: 'refused', refusal: error('noRateToFollow', '').refusal };
    else await load(`sample ${seed++}`, text);
  }
  const again = async (): Promise<void> => {
    if (last) await load(last.file, last.text);
  };
  onScopeDispose(stop);
  return { read, name, progress, load, again, sample, stop };
}
