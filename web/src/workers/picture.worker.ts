import { expose } from 'comlink';
import { pictureOf } from '@pendrix/core';
import type { PictureWork } from './picture-work.ts';

/** Told no oftener than this, ms. */
const OFTEN = 40;

const work: PictureWork = {
  make: (drive, key, seed, told) => {
    const run = pictureOf(drive, key, seed);
    let last = performance.now();
    for (;;) {
      const step = run.next();
      if (step.done) return step.value;
      if (performance.now() - last < OFTEN) continue;
      last = performance.now();
      told(step.value);
    }
  },
};
expose(work);
