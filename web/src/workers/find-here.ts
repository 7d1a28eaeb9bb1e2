import {
  findAfter,
  findOthers,
  findShare,
  requestFor,
  run,
  type FindAnswer,
  type FindRequest,
  type Progress,
  type Search,
} from '@pendrix/core';
import type { FindTask, FindWork, Told } from './find-work.ts';

/** A Stop is heard this often, ms. */
const BREATH_MS = 12;
/** Progress is told this often, ms. */
const TELL_MS = 80;

let signal = { aborted: false };

/** Gives way to messages, a Stop among them. */
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

function go<T>(search: Search<T>, told: Told): Promise<T> {
  let [breathed, tells] = [performance.now(), 0];
  return run(search, signal, (progress: Progress) => {
    const now = performance.now();
    if (now - tells > TELL_MS) {
      tells = now;
      told(progress);
    }
    if (now - breathed < BREATH_MS) return null;
    return breathe().then(() => {
      breathed = performance.now();
    });
  });
}

function requestOf({ drive, shelf, used }: FindTask): FindRequest {
  const request = requestFor(drive, shelf, (id) => used[id] ?? 0);
  if (!request.ok) throw new Error(request.refusal.code);
  return request.value;
}

/** The search itself, as a worker does it. */
export const findHere: FindWork = {
  async share(task, told, found) {
    signal = { aborted: false };
    const request = requestOf(task);
    let answer: FindAnswer | null = null;
    // fewer stages first, so that there are rows at once; doing them again with more costs little beside that
    for (let stages = 1; stages <= request.maxStages; stages++) {
      const next = await go(findShare({ ...request, maxStages: stages }, task.share), told);
      if (signal.aborted) return stopped(answer, next, request.maxStages);
      answer = next;
      if (stages < request.maxStages) found(answer);
    }
    return answer!;
  },
  after(task, answer, told) {
    signal = { aborted: false };
    return go(findAfter(requestOf(task), answer), told);
  },
  others: (task, row, count) => findOthers(requestOf(task), row, count),
  stop() {
    signal.aborted = true;
  },
};

/** What was proven before the Stop stays proven; what was found beyond it is provisional. */
function stopped(before: FindAnswer | null, now: FindAnswer, maxStages: number): FindAnswer {
  const proven = before?.gone ?? [];
  const rest = Array.from({ length: maxStages - proven.length }, (_, i) => ({
    ...(now.gone[proven.length + i] ?? {
      products: 0,
      looked: 0,
      refused: 0,
      trains: null,
      steps: null,
    }),
    stages: proven.length + i + 1,
    proven: false,
  }));
  return {
    proven: false,
    rows: [...(before?.rows ?? []), ...now.rows],
    gone: [...proven, ...rest],
    reason: null,
  };
}
