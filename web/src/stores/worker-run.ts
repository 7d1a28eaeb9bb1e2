import { ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { proxy, wrap, type Remote } from 'comlink';
import type { Progress } from '@pendrix/core';
import type { Stoppable } from '../workers/going.ts';

/** One long work in a worker of its own: a new one ends the one before. */
export interface WorkerRun<W extends Stoppable> {
  readonly running: Readonly<Ref<boolean>>;
  readonly failed: Readonly<Ref<boolean>>;
  readonly progress: Readonly<ShallowRef<Progress | null>>;
  /** `ask` is handed the worker, and what it tells its progress; null where it failed, or another took its place */
  readonly go: <A>(ask: (work: Remote<W>, told: (p: Progress) => void) => Promise<A>) => Promise<A | null>;
  /** ends it and keeps what it has */
  readonly stop: () => void;
  /** ends it, whatever it has */
  readonly end: () => void;
}

export function workerRun<W extends Stoppable>(make: () => Worker): WorkerRun<W> {
  const running = ref(false);
  const failed = ref(false);
  const progress = shallowRef<Progress | null>(null);
  let worker: Worker | null = null;
  let work: Remote<Stoppable> | null = null;
  let run = 0;

  function end(): void {
    run++;
    worker?.terminate();
    worker = work = null;
    running.value = failed.value = false;
    progress.value = null;
  }
  return {
    running,
    failed,
    progress,
    async go(ask) {
      end();
      const mine = run;
      worker = make();
      const remote = wrap<W>(worker);
      work = remote;
      running.value = true;
      const told = (p: Progress): void => {
        if (run === mine) progress.value = p;
      };
      try {
        const answer = await ask(remote, proxy(told));
        if (run !== mine) return null;
        end();
        return answer;
      } catch {
        if (run !== mine) return null;
        end();
        failed.value = true;
        return null;
      }
    },
    stop: () => void work?.stop(),
    end,
  };
}
