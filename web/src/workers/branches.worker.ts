import { expose } from 'comlink';
import { exactly, mul, rational, runNow, toNumber, twoBranches } from '@pendrix/core';
import type { BranchesWork } from './branches-work.ts';

const work: BranchesWork = {
  search: ({ wanted, within, teeth, count }) =>
    runNow(
      twoBranches({
        wanted: [exactly(wanted[0]), exactly(wanted[1])],
        within: exactly(within),
        teeth,
        count,
      }),
    ).map(({ off, ...row }) => ({
      ...row,
      ppm: [toNumber(mul(off[0], rational(1_000_000))), toNumber(mul(off[1], rational(1_000_000)))],
    })),
};
expose(work);
