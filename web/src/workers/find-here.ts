import {
  findAfter,
  findOthers,
  findShare,
  requestFor,
  type FindAnswer,
  type FindRequest,
} from '@pendrix/core';
import type { FindTask, FindWork } from './find-work.ts';
import { Going } from './going.ts';

function requestOf({ drive, shelf, used }: FindTask): FindRequest {
  const request = requestFor(drive, shelf, (id) => used[id] ?? 0);
  if (!request.ok) throw new Error(request.refusal.code);
  return request.value;
}

const going = new Going();

/** The search itself, as a worker does it. */
export const findHere: FindWork = {
  async share(task, told, found) {
    going.begin();
    const request = requestOf(task);
    let answer: FindAnswer | null = null;
    // fewer stages first, so that there are rows at once; doing them again with more costs little beside that
    for (let stages = 1; stages <= request.maxStages; stages++) {
      const next = await going.go(findShare({ ...request, maxStages: stages }, task.share), told);
      if (going.stopped) return stopped(answer, next, request.maxStages);
      answer = next;
      if (stages < request.maxStages) found(answer);
    }
    return answer!;
  },
  after(task, answer, told) {
    going.begin();
    return going.go(findAfter(requestOf(task), answer), told);
  },
  others: (task, row, count) => findOthers(requestOf(task), row, count),
  stop() {
    going.stop();
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
