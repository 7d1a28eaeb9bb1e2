import { onScopeDispose, ref, shallowRef } from 'vue';
import { proxy, wrap } from 'comlink';
import { error, type Drive } from '@pendrix/core';
import type { ColumnsSeen } from '@pendrix/core/files/record';
import { useSettings } from '../../stores/settings.ts';
import type { RecordRead, RecordWork } from '../../workers/record-work.ts';

/** A record read in a worker; Stop ends it at once and leaves what was read before. */
export function useRecord(drive: () => Drive, rate: () => string | undefined) {
  const settings = useSettings();
  /** columns of the record as they stand in its file; null while none is open */
  const columns = shallowRef<ColumnsSeen | null>(null);
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
    const answer = await work(async (remote, mine) => {
      const seen = await remote.columns(text);
      const heads = settings.columns[seen.key] ?? [];
      return { seen, read: await remote.read(drive(), text, heads, rate(), told(mine)) };
    });
    if (!answer) return;
    name.value = file;
    columns.value = answer.seen;
    read.value = answer.read;
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
  /** what one column holds, as a head; "" for by its own */
  async function say(index: number, head: string): Promise<void> {
    const seen = columns.value;
    if (!seen) return;
    const before = settings.columns[seen.key] ?? [];
    const heads = seen.columns.map((_, i) => (i === index ? head : (before[i] ?? '')));
    settings.columns = { ...settings.columns, [seen.key]: heads };
    await again();
  }
  onScopeDispose(stop);
  return { read, name, columns, say, progress, load, again, sample, stop };
}
