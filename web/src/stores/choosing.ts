import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { proxy } from 'comlink';
import type { Drive, Refusal } from '@pendrix/core';
import { chooseRequestFor, type ChooseAnswer, type ChooseRequest } from '@pendrix/core/choose/index';
import type { ChooseTask, ChooseWork } from '../workers/choose-work.ts';
import { plain } from './crossing.ts';
import { useSearching } from './searching.ts';
import { useShelf } from './shelf.ts';
import { workerRun } from './worker-run.ts';

/** A choice of whole drives for one drive's job, under way or done. */
interface Choosing {
  readonly driveId: string;
  readonly key: string;
  readonly request: ChooseRequest;
  readonly answer: ChooseAnswer | null;
  readonly stopped: boolean;
}

/** What chooses whole drives, and proposes first ones. */
export const chooseWorker = (): Worker =>
  new Worker(new URL('../workers/choose.worker.ts', import.meta.url), { type: 'module' });

/** Chooses whole drives, in a worker. It goes on while another station is looked at. */
export const useChoosing = defineStore('choosing', () => {
  const shelf = useShelf();
  const choosing = shallowRef<Choosing | null>(null);
  const refusal = shallowRef<Refusal | null>(null);
  const run = workerRun<ChooseWork>(chooseWorker);
  const { running, progress, stop } = run;

  /** Chooses for what a drive asks, unless that is what stands here already. */
  async function search(driveId: string, drive: Drive): Promise<void> {
    const used = shelf.usedElsewhere(drive.name);
    const task: ChooseTask = { drive: plain(drive), shelf: plain(shelf.parts), used };
    const { find, job, train, timer } = drive;
    const key = JSON.stringify([driveId, { find, job, train, timer }, shelf.parts, used]);
    if (choosing.value?.key === key) return;
    const request = chooseRequestFor(drive, shelf.parts, (id) => used[id] ?? 0);
    run.end();
    refusal.value = request.ok ? null : request.refusal;
    if (!request.ok) {
      choosing.value = null;
      return;
    }
    choosing.value = { driveId, key, request: request.value, answer: null, stopped: false };
    const put = (answer: ChooseAnswer, stopped = false): void => {
      if (choosing.value?.key === key) choosing.value = { ...choosing.value, answer, stopped };
    };
    const answer = await run.go((work, told) =>
      work.choose(
        task,
        told,
        proxy((a: ChooseAnswer) => put(a)),
      ),
    );
    if (answer) put(answer, !answer.proven);
  }

  /** The same again, as when it was stopped half way. */
  function again(driveId: string, drive: Drive): Promise<void> {
    choosing.value = null;
    return search(driveId, drive);
  }

  const message = computed(() =>
    progress.value
      ? `judging drives of ${progress.value.stages} ${progress.value.stages === 1 ? 'stage' : 'stages'}`
      : 'judging drives',
  );
  const part = computed(() => (progress.value ? progress.value.done / Math.max(1, progress.value.of) : 0));
  useSearching().follow({ running, part, message, stop });
  return { choosing, refusal, failed: run.failed, running, search, stop, again };
});
