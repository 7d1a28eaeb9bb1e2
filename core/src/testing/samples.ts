import { type Drive, newDrive } from '../drive/index.ts';
import type { Stage } from '../drive/index.ts';

/** The wheel cutter of the worked examples: 200 steps at 1/16, belt 20:76, worm 1:90; N = 1 094 400. */
export const wheelCutter = (divisions = '60, 73, 95, 97', job: Partial<Drive['job']> = {}): Drive => ({
  ...newDrive('Orrery wheel cutter'),
  job: { divisions, ...job },
  train: {
    source: { kind: 'stepper', fullSteps: 200, modes: [1, 2, 4, 8, 16, 32], mode: 16 },
    stages: [
      { kind: 'belt', z1: 20, z2: 76, pitchMm: 2 },
      { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 },
    ],
    output: { kind: 'rotary' },
  },
});

/** A drive of one motor and these stages, one mode. */
export const driveOf = (
  fullSteps: number,
  mode: number,
  stages: readonly Stage[],
  divisions = '',
): Drive => ({
  ...newDrive('sample'),
  job: { divisions },
  train: {
    source: { kind: 'stepper', fullSteps, modes: [...new Set([1, mode])], mode },
    stages,
    output: { kind: 'rotary' },
  },
});

export const plainRatio = (value: string): Stage => ({ kind: 'ratio', value });

/** One drive that is asked everything. */
export const allDuties: Drive = {
  ...wheelCutter('60, 73', {
    rates: [{ kind: 'stars' }, { kind: 'period', seconds: '43200', name: 'hour wheel', reverse: true }],
    sweeps: [
      {
        from: '0',
        to: '90',
        unit: 'deg',
        frames: 5,
        easing: 'linear',
        exposureSeconds: 2,
        settleSeconds: 0.5,
      },
    ],
    spins: [{ minRpm: '0.2', maxRpm: '4' }],
    camera: { focalMm: 135, pixelUm: 3.9 },
    altAz: { latitudeDeg: 50, hourAngleDeg: -30, declinationDeg: 20, hours: 4 },
    knob: { turnsOut: '1', marks: 72 },
  }),
  timer: { tickHz: '250000', bits: 16, tolerancePpm: 30 },
  plates: {
    wormRatio: '40',
    plates: [
      [15, 16],
      [21, 33],
    ],
    gears: [24, 48],
  },
};
