import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { proxy, wrap, type Remote } from 'comlink';
import {
  joined,
  requestFor,
  searchMessage,
  workersFor,
  type Drive,
  type FindAnswer,
  type FindRequest,
  type FoundRow,
  type Progress,
  type Refusal,
} from '@pendrix/core';
import type { FindTask, FindWork } from '../workers/find-work.ts';
import { plain } from './crossing.ts';
import { useSearching } from './searching.ts';
import { useShelf } from './shelf.ts';

/** A search of one drive, under way or done. */
interface Finding {
  readonly driveId: string;
  readonly key: string;
  readonly request: FindRequest;
  readonly task: FindTask;
  readonly answer: FindAnswer | null;
  /** stages that are still checked; null when it is done or was stopped */
  readonly open: number | null;
  readonly stopped: boolean;
}

interface Hand {
  readonly worker: Worker;
  readonly work: Remote<FindWork>;
}

/** Searches for trains, in workers. One is under way at a time; it goes on while another station is looked at. */
export const useFinding = defineStore('finding', () => {
  const shelf = useShelf();
  const finding = shallowRef<Finding | null>(null);
  const refusal = shallowRef<Refusal | null>(null);
  const failed = ref(false);
  const progress = shallowRef<readonly Progress[]>([]);
  let pool: readonly Hand[] = [];
  let run = 0;

  const running = computed(() => finding.value !== null && finding.value.open !== null);
  /** the part that is behind, 0 to 1, while something is under way */
  const part = computed(() => {
    if (!running.value) return 0;
    const all = progress.value;
    const behind = all.reduce((n, p) => n + Math.min(1, p.done / Math.max(1, p.of)), 0);
    return Math.max(0.01, behind / Math.max(1, all.length));
  });
  const message = computed(() => {
    const f = finding.value;
    const p = progress.value[0];
    return f && p && f.open !== null ? searchMessage(f.request, p) : 'searching';
  });

  function end(): void {
    for (const { worker } of pool) worker.terminate();
    pool = [];
    progress.value = [];
  }

  function start(request: FindRequest): readonly Hand[] {
    end();
    pool = Array.from({ length: workersFor(request, navigator.hardwareConcurrency || 2) }, () => {
      const worker = new Worker(new URL('../workers/find.worker.ts', import.meta.url), { type: 'module' });
      return { worker, work: wrap<FindWork>(worker) };
    });
    progress.value = pool.map(() => ({ stages: 1, done: 0, of: 1 }));
    return pool;
  }

  /** Searches for what a drive asks, unless that is what stands here already. */
  async function search(driveId: string, drive: Drive): Promise<void> {
    // one worker must not wait for what only the page knows: the task is the whole of it
    const used = shelf.usedElsewhere(drive.name);
    const asked = { find: drive.find, job: drive.job, train: drive.train, timer: drive.timer };
    const key = JSON.stringify([driveId, asked, shelf.parts, used]);
    if (finding.value?.key === key) return;
    const request = requestFor(drive, shelf.parts, (id) => used[id] ?? 0);
    const mine = ++run;
    end();
    failed.value = false;
    if (!request.ok) {
      refusal.value = request.refusal;
      finding.value = null;
      return;
    }
    refusal.value = null;
    const workers = start(request.value);
    const whole: FindTask = {
      drive: plain(drive),
      shelf: plain(shelf.parts),
      used,
      share: { index: 0, of: workers.length },
    };
    finding.value = {
      driveId,
      key,
      request: request.value,
      task: whole,
      answer: null,
      open: 1,
      stopped: false,
    };
    const task = (index: number): FindTask => ({ ...whole, share: { index, of: workers.length } });
    const told = (i: number) => (p: Progress) => {
      if (run === mine) progress.value = progress.value.map((old, j) => (j === i ? p : old));
    };
    const partial: FindAnswer[][] = [];
    const found = (answer: FindAnswer): void => {
      if (run !== mine || !finding.value) return;
      const stages = answer.gone.length;
      const level = (partial[stages] ??= []);
      level.push(answer);
      if (level.length === workers.length)
        finding.value = { ...finding.value, answer: joined(request.value, level), open: stages + 1 };
    };
    try {
      const all = await Promise.all(
        workers.map(({ work }, i) => work.share(task(i), proxy(told(i)), proxy(found))),
      );
      if (run !== mine) return;
      const answer = joined(request.value, all);
      if (!answer.proven) {
        finding.value = { ...finding.value, answer, open: null, stopped: true };
        end();
        return;
      }
      finding.value = { ...finding.value, answer };
      const after = await workers[0]!.work.after(whole, answer, proxy(told(0)));
      if (run !== mine) return;
      finding.value = { ...finding.value, answer: after, open: null };
      end();
    } catch {
      if (run !== mine) return;
      failed.value = true;
      finding.value = { ...finding.value, open: null };
      end();
    }
  }

  /** Ends the search and keeps what it has. */
  function stop(): void {
    for (const { work } of pool) void work.stop();
  }

  /** Other trains of a row's ratio, asked of a worker of its own. */
  async function others(row: FoundRow, count: number): Promise<readonly FoundRow[]> {
    const f = finding.value;
    if (!f) return [];
    const worker = new Worker(new URL('../workers/find.worker.ts', import.meta.url), { type: 'module' });
    try {
      return await wrap<FindWork>(worker).others(f.task, plain(row), count);
    } finally {
      worker.terminate();
    }
  }

  /** The same again, as when it was stopped half way. */
  function again(driveId: string, drive: Drive): Promise<void> {
    finding.value = null;
    return search(driveId, drive);
  }

  useSearching().follow({ running, part, message, stop });
  return { finding, refusal, failed, running, part, message, search, stop, again, others };
});
