import { expose } from 'comlink';
import { answerOf, choose, chooseRequestFor, type ChooseAnswer } from '@pendrix/core/choose/index';
import { FIRST_STAGES, propose } from '@pendrix/core/start/index';
import type { ChooseWork } from './choose-work.ts';
import { Going } from './going.ts';

const going = new Going();

const work: ChooseWork = {
  async choose({ drive, shelf, used }, told, found) {
    going.begin();
    const request = chooseRequestFor(drive, shelf, (id) => used[id] ?? 0);
    if (!request.ok) throw new Error(request.refusal.code);
    const ask = (stages: number): Promise<ChooseAnswer> =>
      going.go(choose({ ...request.value, maxStages: stages }), told).then(answerOf);
    let answer = await ask(1);
    // fewer stages first, so that there are drives at once; doing them again costs little beside what comes
    for (let stages = 2; stages <= request.value.maxStages && !going.stopped; stages++) {
      found({ ...answer, proven: false });
      const next = await ask(stages);
      // stopped early in it: what stood is more
      answer = going.stopped && next.considered < answer.considered ? { ...answer, proven: false } : next;
    }
    return answer;
  },
  async propose({ drive, shelf, used }, told, found) {
    going.begin();
    const free = (part: (typeof shelf)[number]): number => Math.max(0, part.own - (used[part.id] ?? 0));
    for (let stages = 0; ; stages++) {
      const next = await going.go(propose(drive, shelf, free, stages), told);
      if (stages === FIRST_STAGES || going.stopped) return next;
      found({ ...next, done: false });
    }
  },
  stop: going.stop,
};
expose(work);
