import { expose } from 'comlink';
import { answerOf, choose, chooseRequestFor, type ChooseAnswer } from '@pendrix/core/choose/index';
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
  stop: going.stop,
};
expose(work);
