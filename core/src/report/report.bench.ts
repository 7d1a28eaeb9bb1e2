import type { Drive } from '../drive/index.ts';
import { wheelCutter } from '../testing/samples.ts';
import { report } from './report.ts';

/** Cutters that differ in a wheel, so that nothing is known of the next one. */
const cutters = (divisions: string): readonly Drive[] =>
  Array.from({ length: 41 }, (_, i) => {
    const drive = wheelCutter(divisions, { toleranceArcsec: '30' });
    const [belt, ...rest] = drive.train.stages;
    return {
      ...drive,
      train: { ...drive.train, stages: [{ ...belt!, z2: 60 + i } as typeof belt & object, ...rest] },
    };
  });
const many = cutters('40-239');
const SLIDE: Drive = {
  ...wheelCutter(''),
  job: {
    divisions: '',
    sweeps: [0, 1].map(() => ({
      from: '0',
      to: '90',
      unit: 'deg',
      frames: 100_000,
      easing: 'cosine',
      intervalSeconds: 8,
    })),
  },
};
let next = 0;

export const reportBenches = [
  {
    name: 'verdict and marks after an edit, 200 divisions',
    wanted: 6,
    run: (): unknown => {
      const made = report(many[next++ % many.length]!);
      return [made.verdict, made.marks(0)];
    },
  },
  {
    name: 'the same of two sweeps of 100 000 frames, known',
    wanted: 1,
    run: (): unknown => {
      const made = report({ ...SLIDE, name: `slide ${next++}` });
      return [made.verdict, made.marks(0)];
    },
  },
] as const;
