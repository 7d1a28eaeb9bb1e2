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
