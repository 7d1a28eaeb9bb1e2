import { expose } from 'comlink';
import { answerOf, choose, chooseRequestFor } from '@pendrix/core/choose/index';
import { FIRST_STAGES, propose } from '@pendrix/core/start/index';
import type { ChooseWork } from './choose-work.ts';
import { Going } from './going.ts';

/** Drives are shown for the first time after so long, ms; then each time after twice as long. */
const FIRST_MS = 300;
const going = new Going();

const work: ChooseWork = {
  async choose({ drive, shelf, used }, told, found) {
    going.begin();
    const request = chooseRequestFor(drive, shelf, (id) => used[id] ?? 0);
    if (!request.ok) throw new Error(request.refusal.code);
    // the first ones at once, then seldomer: comparing all of them again takes longer the more there are
    let due = performance.now() + FIRST_MS;
    let wait = FIRST_MS;
    const search = choose(request.value, (soFar) => {
      if (performance.now() < due) return;
      const some = soFar();
      if (some.best.length > 0) found(answerOf(some));
      wait *= 2;
      due = performance.now() + wait;
    });
    return answerOf(await going.go(search, told));
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
