import type { Words } from './refusal-told.ts';

/** The refusals of rates, timers, sweeps and plates, in words. */
export const dutyWords = {
  noRateToFollow: {
    message: () => 'nothing is followed: the job asks for no rate, or nothing says when to step',
    cure: () => 'give the job a rate and the drive a timer, or simulate a division with --divisions 73',
  },
  notPeriod: {
    message: (t) => `${t.given} cannot be read as a rate`,
    cure: () => 'write the time of one turn or a speed, for example 24 h, 0.5 rpm, 15 °/h or 15.041 ″/s',
  },
  notClock: {
    message: (t) => `${t.given} cannot be read as a clock`,
    cure: () => 'write its ticks a second, for example 250 kHz, or 16 MHz / 64 behind a prescaler',
  },
  piSpeed: {
    message: (t) => `${t.given} is a speed along a travel that has π in it`,
    cure: () => 'write the time of one turn or a speed of turning instead, so that it stays exact',
  },
  notTravelling: {
    message: (t) => `${t.given} is a speed along a travel, and the work turns`,
    cure: () => 'write the time of one turn or a speed of turning, for example 24 h or 0.5 rpm',
  },
  nothingToExport: {
    message: (t) => `this drive has no ${t.given}`,
    cure: () => 'ask for it in the job first',
  },
  notFigure: {
    message: (t) => `${t.given} is not a figure with its name`,
    cure: (t) => `write a name, a value and a unit: ${t.example ?? 'play 40 ″'}`,
  },
  sameDesign: {
    message: (t) => `the design is that of revision ${t.given} already`,
    cure: () => 'change it first; a measurement or a remark is an entry of the log',
  },
  noRevision: {
    message: (t) => `there is no revision ${t.given}`,
    cure: (t) => `choose one from 1 to ${t.limit ?? 'the last'}`,
  },
  noColumn: {
    message: (t) => `there is no column of readings in "${t.given}"`,
    cure: (t) => `write ${t.limit ?? 'error_arcsec'} over the column, or say which column is what`,
  },
  noCamera: {
    message: () => 'readings in pixels need a camera',
    cure: () => 'give the job a camera with its pixel and focal length, or write error_arcsec',
  },
  tooFewReadings: {
    message: (t) => (t.given === '1' ? '1 reading says nothing' : `${t.given} readings say nothing`),
    cure: (t) => `read ${t.limit ?? '8'} or more, not all at one time`,
  },
  notEmptyFolder: {
    message: (t) => `the folder ${t.given} is not empty`,
    cure: () => 'name a new one: a pack does not write over what is there',
  },
  cannotWrite: {
    message: (t) => `the file cannot be written (${t.given})`,
    cure: () => 'choose a folder that is there and that you may write in',
  },
  twoSweeps: {
    message: (t) => `${t.given} and ${t.limit ?? 'another train'} both sweep what one source turns`,
    cure: () => 'take one of the two sweeps away',
  },
  notCircles: {
    message: (t) => `${t.given} cannot be read as hole circles`,
    cure: () => 'write the holes of each circle, plates set apart by a slash, for example 15-20 / 21 23 27',
  },
  tooManyDuties: {
    message: (t) => `there are ${t.limit ?? '20'} of these already`,
    cure: () => 'take one away, or make another drive',
  },
  noSuchDuty: {
    message: (t) => `there is no number ${t.given}`,
    cure: () => 'choose one that is there',
  },
  listTooLong: {
    message: (t) => `the list of ${t.unit ?? 'these'} holds more than ${t.limit ?? 'is allowed'}`,
    cure: () => 'take some of them away, or make another drive',
  },
  noCircle: {
    message: (t) => `no circle of these plates makes ${t.given}`,
    cure: (t) => `make one of ${t.limit ?? 'more'} holes, or a multiple`,
  },
  noTurn: {
    message: () => 'a tangent arm opens a little way and back, it does not divide a turn',
    cure: () => 'choose an output that turns round',
  },
  noSteps: {
    message: (t) => `a ${t.given} has no steps, so it goes to no place by itself`,
    cure: () => 'choose a source that counts, or a wheel that locks',
  },
  passesLimits: {
    message: (t) =>
      `${t.given} gaps need ${t.example ?? 'more'} of a turn, but the work may turn only ${t.limit ?? 'less'}${t.unit ? ` (${t.unit})` : ''}`,
    cure: () => 'widen the limits in the Train, or cut the wheel in two settings',
  },
  noShot: {
    message: () => 'the job asks for no sweep in frames',
    cure: () => 'write one in the Job, with its frames and its interval',
  },
  noSlide: {
    message: () => 'this output turns, and makes no marks along a slide',
    cure: () => 'choose an output that travels, or ask for divisions',
  },
  scaleLimits: {
    message: (t) =>
      `${t.given} marks need ${t.example ?? 'more'} turns, but the limits leave ${t.limit ?? 'less'}`,
    cure: () => 'make fewer marks, or widen the limits in the Train',
  },
  notShared: {
    message: (t) => `one shot has one clock, and ${t.given} is not ${t.limit ?? 'the first sweep’s'}`,
    cure: () => 'give all its sweeps the same frames, interval, exposure and writing',
  },
  shotTooShort: {
    message: (t) => `the interval is ${t.given} too short, and ${t.limit ?? 'moving'} breaks it first`,
    cure: () => 'take a longer interval, or a faster motor',
  },
  axisLetter: {
    message: (t) => `${t.given} is not an axis and a letter`,
    cure: (t) =>
      `write names and letters, ${t.limit ? `the axes are ${t.limit}, ` : ''}for example slide=X,pan=A`,
  },
  axisTwice: {
    message: (t) => `the letter ${t.given} is given twice`,
    cure: () => 'give each axis a letter of its own',
  },
  tableTooLong: {
    message: (t) => `the table would have ${t.given} intervals`,
    cure: (t) => `at most ${t.limit ?? '1000000'} are made: take a lower top speed, or more acceleration`,
  },
  shortStages: {
    message: () => 'speeding up and slowing down together take more than the whole sweep',
    cure: () => 'make the two shares add up to 100 % at most',
  },
} as const satisfies Record<string, Words>;
