import { newDrive, type Stage } from '../drive/index.ts';
import type { Bench } from '../divide/divide.bench.ts';
import { budget, type ErrorTerm } from '../errors/index.ts';
import { rational } from '../numbers/index.ts';
import { report } from '../report/index.ts';
import { driveOf } from '../testing/samples.ts';
import { shares, simulateTracking } from './index.ts';

const HOUR = 360_001;
const end = <T>(run: Generator<number, T, boolean | undefined>): T => {
  for (;;) {
    const r = run.next();
    if (r.done) return r.value;
  }
};
const twelve = Array.from({ length: 12 }, (_, i): ErrorTerm => ({
  id: String(i),
  cause: 'a',
  stage: 0,
  shaft: 0,
  kind: 'periodic',
  arcsec: 5,
  turnsPerOutputTurn: rational(40 + 37 * i),
  known: 'typed',
  value: null,
}));
const { rows } = budget({ drive: newDrive('x'), terms: twelve, divisions: null, toleranceArcsec: null });
const hour = (stepSeconds: number) =>
  end(
    simulateTracking({
      rows,
      seed: 7,
      steps: { perTurn: 86_400, mode: 16, pattern: 200 },
      turnSeconds: 86_164.0905,
      driftArcsecPerSecond: 0.001,
      seconds: 3600,
      stepSeconds,
    }),
  );
const record = hour(0.1);
const plain = new Float64Array(HOUR);

const spur: Stage = { kind: 'spur', z1: 20, z2: 61, moduleMm: 1 };
const eight = {
  ...driveOf(200, 16, [
    { kind: 'belt', z1: 20, z2: 76, pitchMm: 2 },
    spur,
    spur,
    { kind: 'planetary', sun: 13, ring: 47, planets: 4, fixed: 'ring', in: 'sun', out: 'carrier' },
    spur,
    { kind: 'internal', z1: 16, z2: 80, moduleMm: 1 },
    spur,
    { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 },
  ]),
  job: { divisions: '73', toleranceArcsec: '30' },
};

/** Of errors and what is simulated of them. (the first is the plain pass that the others are measured by) */
export const simulateBenches: readonly Bench[] = [
  {
    name: 'one plain pass over an hour at 10 ms',
    run: () => {
      for (let i = 0; i < HOUR; i++) plain[i] = i * 0.01;
    },
  },
  {
    name: 'error budget of eight stages',
    run: () => void report(eight).judged.errors.of('divide.73')!.rows.length,
    wanted: 16,
  },
  { name: 'an hour of following at 10 ms, twelve terms', run: () => void hour(0.01).length, wanted: 1000 },
  {
    name: 'share of round exposures, 600 lengths',
    run: () =>
      void end(
        shares({
          values: record,
          stepSeconds: 0.1,
          exposures: Array.from({ length: 600 }, (_, i) => i + 1),
          allowed: 6,
          acrossPerSecond: 0.001,
        }),
      ).length,
    wanted: 2000,
  },
];
