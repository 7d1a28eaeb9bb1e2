import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { proxy, wrap, type Remote } from 'comlink';
import type { Drive, Progress, Refusal } from '@pendrix/core';
import { chooseRequestFor, type ChooseAnswer, type ChooseRequest } from '@pendrix/core/choose/index';
import type { ChooseTask, ChooseWork } from '../workers/choose-work.ts';
import { plain } from './crossing.ts';
import { useSearching } from './searching.ts';
import { useShelf } from './shelf.ts';

/** A choice of whole drives for one drive's job, under way or done. */
interface Choosing {
  readonly driveId: string;
  readonly key: string;
  readonly request: ChooseRequest;
  readonly answer: ChooseAnswer | null;
  readonly stopped: boolean;
}

/** Chooses whole drives, in a worker. It goes on while another station is looked at. */
export const useChoosing = defineStore('choosing', () => {
  const shelf = useShelf();
  const choosing = shallowRef<Choosing | null>(null);
  const refusal = shallowRef<Refusal | null>(null);
  const failed = ref(false);
  const progress = shallowRef<Progress | null>(null);
  const running = ref(false);
  let worker: Worker | null = null;
  let work: Remote<ChooseWork> | null = null;
  let run = 0;

  function end(): void {
    worker?.terminate();
    worker = work = null;
    running.value = false;
    progress.value = null;
  }

  /** Chooses for what a drive asks, unless that is what stands here already. */
  async function search(driveId: string, drive: Drive): Promise<void> {
    const used: Record<string, number> = {};
    for (const p of shelf.parts) {
      const count = shelf.usedBeside(p.id, drive.name);
      if (count > 0) used[p.id] = count;
    }
    const task: ChooseTask = { drive: plain(drive), shelf: plain(shelf.parts), used };
    const { find, job, train, timer } = drive;
    const key = JSON.stringify([driveId, { find, job, train, timer }, shelf.parts, used]);
    if (choosing.value?.key === key) return;
    const request = chooseRequestFor(drive, shelf.parts, (id) => used[id] ?? 0);
    const mine = ++run;
    end();
    failed.value = false;
    refusal.value = request.ok ? null : request.refusal;
    if (!request.ok) {
      choosing.value = null;
      return;
    }
    worker = new Worker(new URL('../workers/choose.worker.ts', import.meta.url), { type: 'module' });
    work = wrap<ChooseWork>(worker);
    running.value = true;
    choosing.value = { driveId, key, request: request.value, answer: null, stopped: false };
    const put = (answer: ChooseAnswer, stopped = false): void => {
      if (run === mine && choosing.value) choosing.value = { ...choosing.value, answer, stopped };
    };
    try {
      const told = (p: Progress): void => {
        if (run === mine) progress.value = p;
      };
      const answer = await work.choose(
        task,
        proxy(told),
        proxy((a: ChooseAnswer) => put(a)),
      );
      put(answer, !answer.proven);
    } catch {
      if (run === mine) failed.value = true;
    }
    if (run === mine) end();
  }

  /** Ends it and keeps what it has. */
  const stop = (): void => void work?.stop();

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
  return { choosing, refusal, failed, running, search, stop, again };
});
