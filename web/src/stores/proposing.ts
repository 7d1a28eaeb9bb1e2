import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { proxy } from 'comlink';
import type { Drive } from '@pendrix/core';
import type { Proposals } from '@pendrix/core/start/index';
import type { ChooseWork } from '../workers/choose-work.ts';
import { chooseWorker } from './choosing.ts';
import { plain } from './crossing.ts';
import { useSearching } from './searching.ts';
import { useShelf } from './shelf.ts';
import { workerRun } from './worker-run.ts';

/** Proposes first drives for what was answered, in a worker: the newest answers take the place of those before. */
export const useProposing = defineStore('proposing', () => {
  const shelf = useShelf();
  const run = workerRun<ChooseWork>(chooseWorker);
  const proposals = shallowRef<Proposals | null>(null);
  let asked = '';

  async function propose(drive: Drive): Promise<void> {
    const task = { drive: plain(drive), shelf: plain(shelf.parts), used: shelf.usedElsewhere(drive.name) };
    const key = JSON.stringify(task);
    if (key === asked) return;
    asked = key;
    proposals.value = null;
    const put = (found: Proposals): void => {
      if (asked === key) proposals.value = found;
    };
    const done = await run.go((work, told) => work.propose(task, told, proxy(put)));
    if (done) put(done);
  }
  const { running, progress, stop } = run;
  const part = computed(() => (progress.value ? progress.value.done / Math.max(1, progress.value.of) : 0));
  useSearching().follow({ running, part, message: ref('looking for drives'), stop });
  return { proposals, running: run.running, failed: run.failed, propose };
});
