import type { Words } from './refusal-told.ts';

/** The refusals of rates, timers, sweeps and plates, in words. */
export const dutyWords = {
  notPeriod: {
    says: (t) => `${t.given} cannot be read as a rate`,
    cure: () => 'write the time of one turn or a speed, for example 24 h, 0.5 rpm, 15 °/h or 15.041 ″/s',
  },
  notClock: {
    says: (t) => `${t.given} cannot be read as a clock`,
    cure: () => 'write its ticks a second, for example 250 kHz, or 16 MHz / 64 behind a prescaler',
  },
  piSpeed: {
    says: (t) => `${t.given} is a speed along a travel that has π in it`,
    cure: () => 'write the time of one turn or a speed of turning instead, so that it stays exact',
  },
  notTravelling: {
    says: (t) => `${t.given} is a speed along a travel, and the work turns`,
    cure: () => 'write the time of one turn or a speed of turning, for example 24 h or 0.5 rpm',
  },
  nothingToExport: {
    says: (t) => `this drive has no ${t.given}`,
    cure: () => 'ask for it in the job first',
  },
  cannotWrite: {
    says: (t) => `the file cannot be written (${t.given})`,
    cure: () => 'choose a folder that is there and that you may write in',
  },
  notCircles: {
    says: (t) => `${t.given} cannot be read as hole circles`,
    cure: () => 'write the holes of each circle, plates set apart by a slash, for example 15-20 / 21 23 27',
  },
  tooManyDuties: {
    says: (t) => `there are ${t.limit ?? '20'} of these already`,
    cure: () => 'take one away, or make another drive',
  },
  noSuchDuty: {
    says: (t) => `there is no number ${t.given}`,
    cure: () => 'choose one that is there',
  },
  shortStages: {
    says: () => 'speeding up and slowing down together take more than the whole sweep',
    cure: () => 'make the two shares add up to 100 % at most',
  },
} as const satisfies Record<string, Words>;
