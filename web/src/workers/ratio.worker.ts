import { expose } from 'comlink';
import { exactly, pairTrains, runNow, toText } from '@pendrix/core';
import type { RatioWork } from './ratio-work.ts';

const work: RatioWork = {
  trains: (low, high, teeth, pairs, count) =>
    runNow(pairTrains(exactly(low), exactly(high), teeth, pairs, count)).map((t) => ({
      ratio: toText(t.ratio),
      driven: t.driven,
      drivers: t.drivers,
    })),
};
expose(work);
