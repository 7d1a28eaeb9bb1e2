import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { exactly, rational, round, toNumber, toText } from '../numbers/index.ts';
import { kinematicsOf, type Easing, type Sweep } from '../drive/index.ts';
import { driveOf, wheelCutter } from '../testing/samples.ts';
import {
  eased,
  easedTargets,
  framesIn,
  knobReport,
  moveSeconds,
  placeTextOf,
  planSweep,
  rampTable,
  scheduleOf,
  spinReport,
  stepsOfSweep,
  stepTimes,
  tableBytes,
} from './index.ts';

const sweep = (more: Partial<Sweep> = {}): Sweep => ({
  from: '0',
  to: '90',
  unit: 'deg',
  frames: 240,
  easing: 'cosine',
  ...more,
});
const cutter = kinematicsOf(wheelCutter());

describe('sweeps', () => {
  test('a direct 200-step motor over 60° in 25 frames: uneven', () => {
    const k = kinematicsOf(driveOf(200, 1, []));
    const s = sweep({ to: '60', frames: 25, easing: 'linear' });
    const steps = stepsOfSweep(s, k)!;
    expect(toText(steps)).toBe('100/3');
    const plan = planSweep(s, steps);
    expect(plan.targets.slice(0, 5)).toEqual([0, 1, 3, 4, 6]);
    expect(plan.targets.at(-1)).toBe(33);
    expect(plan.ripple).toBeCloseTo(44, 0);
    expect([plan.least, plan.most, plan.still]).toEqual([1, 2, 0]);
  });

  test('90° in 240 frames, cosine: 12 to 1 798 a frame', () => {
    const plan = planSweep(sweep(), stepsOfSweep(sweep(), cutter)!);
    expect([plan.least, plan.most, plan.targets.at(-1)]).toEqual([12, 1798, 273_600]);
  });

  test('along a travel, in turns, on another axis, and what cannot be swept', () => {
    const screw = kinematicsOf({
      ...wheelCutter(),
      train: { ...wheelCutter().train, stages: [], output: { kind: 'screw', leadMm: '2' } },
    });
    expect(toText(stepsOfSweep(sweep({ unit: 'mm', to: '480' }), screw)!)).toBe('768000');
    expect(toText(stepsOfSweep(sweep({ unit: 'turns', to: '1/2' }), cutter)!)).toBe('547200');
    expect(toText(stepsOfSweep(sweep({ from: '10', to: '-10', stepsPerUnit: '80' }), cutter)!)).toBe('1600');
    expect(stepsOfSweep(sweep({ unit: 'mm' }), cutter)).toBeNull();
    const rack = kinematicsOf({
      ...wheelCutter(),
      train: { ...wheelCutter().train, stages: [], output: { kind: 'rack', teeth: 20, moduleMm: '1' } },
    });
    expect(toNumber(stepsOfSweep(sweep({ unit: 'mm', to: '100' }), rack)!)).toBeCloseTo(
      (100 / (20 * Math.PI)) * 3200,
      4,
    );
  });

  test.each<Easing>(['linear', 'cosine', 'smoothstep', 'trapezoid'])(
    '%s goes from 0 to 1, never back, evenly about its middle',
    (easing) => {
      const s = sweep({ easing });
      const way = Array.from({ length: 101 }, (_, i) => eased(s, i / 100));
      expect([way[0], way[50]!.toFixed(9), way[100]]).toEqual([0, '0.500000000', 1]);
      for (let i = 1; i <= 100; i++) expect(way[i]!).toBeGreaterThanOrEqual(way[i - 1]!);
    },
  );

  test('targets end on the total, whatever is swept', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 900 }),
        fc.integer({ min: 1, max: 5_000_000 }),
        fc.integer({ min: 1, max: 97 }),
        fc.constantFrom<Easing>('linear', 'cosine', 'smoothstep', 'trapezoid'),
        (frames, n, d, easing) => {
          const steps = rational(n, d);
          const plan = planSweep(sweep({ frames, easing }), steps);
          expect(plan.targets).toHaveLength(frames);
          expect(plan.targets[0]).toBe(0);
          expect(BigInt(plan.targets.at(-1)!)).toBe(round(steps));
          for (let i = 1; i < frames; i++)
            expect(plan.targets[i]!).toBeGreaterThanOrEqual(plan.targets[i - 1]!);
        },
      ),
    );
  });

  test('shoot, move, shoot: what an interval holds, and what breaks it', () => {
    const s = sweep({ intervalSeconds: 8, exposureSeconds: 2, settleSeconds: 0.5 });
    const schedule = scheduleOf(s, 1798)!;
    expect(schedule.slack).toBeCloseTo(8 - 2 - 0.5 - moveSeconds(1798, 4000, 8000), 9);
    expect([schedule.totalSeconds, schedule.filmSeconds, schedule.longest]).toEqual([1912, 9.6, 'exposure']);
    expect(scheduleOf({ ...s, exposureSeconds: 7.9 }, 1798)!.slack).toBeLessThan(0);
    expect(scheduleOf(sweep(), 1798)).toBeNull();
    expect(framesIn(1912, 8)).toBe(240);
    expect([moveSeconds(1000, 100, 100), moveSeconds(25, 100, 100)]).toEqual([11, 1]);
  });
});

describe('places from doubles', () => {
  const EASINGS: readonly Easing[] = ['linear', 'cosine', 'smoothstep', 'trapezoid'];

  test('are those of the exact rule, in small sweeps that meet halves and in ones too great for doubles', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...EASINGS),
        fc.integer({ min: 2, max: 90 }),
        fc.oneof(fc.bigInt({ min: 1n, max: 400n }), fc.bigInt({ min: 2n ** 45n, max: 2n ** 51n })),
        fc.bigInt({ min: 1n, max: 12n }),
        (easing, frames, n, d) => {
          const s = sweep({ easing, frames });
          const steps = rational(n, d);
          const exact = easedTargets(s, frames - 1, steps);
          const wanted = Array.from({ length: frames - 1 }, (_, i) => Number(exact(i)));
          expect(planSweep(s, steps).targets.slice(0, -1)).toEqual(wanted);
        },
      ),
      { numRuns: 400 },
    );
  });

  test('a sweep is planned once while it stands, and anew for other steps', () => {
    const s = sweep();
    expect(planSweep(s, rational(900))).toBe(planSweep(s, rational(900)));
    expect(planSweep(s, rational(901)).targets.at(-1)).toBe(901);
    expect(planSweep({ ...s, frames: 10 }, rational(900)).targets).toHaveLength(10);
  });

  test('where axes stand, over one denominator: as the plain sum has it', () => {
    const turns = {
      name: 'pan',
      sweep: sweep({ from: '-1/3', to: '0.5', unit: 'turns' }),
      steps: rational(1000, 3),
    };
    const place = placeTextOf(turns, 3);
    // −120° and 300°·t/(1000/3) = 0.9° a step
    expect([0, 1, 133, 134].map(place)).toEqual(['-120.000', '-119.100', '-0.300', '0.600']);
  });
});

describe('spins and knobs', () => {
  test('0.2 to 4 rpm by a ten-bit knob', () => {
    const r = spinReport({ minRpm: '0.2', maxRpm: '4', knobBits: 10, motorRpm: 600 }, cutter, exactly('30'));
    expect(r.knobPercent).toBeCloseTo(1.857, 3);
    expect(r.motorRpm.map(toText)).toEqual(['342/5', '1368']);
    expect(r.stepRate!.map(toText)).toEqual(['3648', '72960']);
    expect(r.reach).toEqual({ top: 600, wanted: 1368 });
    expect(r.rimUm).toBeCloseTo((2000 * Math.PI * 30) / 1_094_400, 9);
    expect(r.perTenth).toBe(304);
    const bare = spinReport({ minRpm: '1', maxRpm: '1' }, { ...cutter, stepsPerTurn: null }, null);
    expect([bare.stepRate, bare.knobPercent, bare.rimUm, bare.perTenth, bare.reach]).toEqual([
      null,
      null,
      null,
      null,
      null,
    ]);
  });
  test('a hand knob across a quarter turn', () => {
    const r = knobReport({ turnsOut: '1/4', marks: 72, windowArcsec: '60' }, cutter);
    expect([toText(r.turns), toText(r.markArcsec)]).toEqual(['171/2', '1000/19']);
    expect(toText(r.windowTurns!)).toBe('19/1200');
    expect(knobReport({ turnsOut: '1', marks: 1 }, cutter).windowTurns).toBeNull();
  });
});

describe('tables of intervals', () => {
  test('step k falls at √(2k/a), and sums are right to one tick', () => {
    const ramp = { shape: 'constant', topRate: 2000, accel: 4000, tickHz: 250_000 } as const;
    const times = stepTimes(ramp);
    expect(times).toHaveLength(500);
    expect(times[1]).toBeCloseTo(Math.sqrt(4 / 4000), 12);
    let sum = 0;
    for (const [i, ticks] of rampTable(ramp).entries()) {
      sum += ticks;
      expect(Math.abs(sum - times[i]! * 250_000)).toBeLessThanOrEqual(0.5);
    }
  });
  test('an S-curve ends at the top speed, and never passes its acceleration', () => {
    const ramp = { shape: 'sCurve', topRate: 2000, accel: 4000, tickHz: 1_000_000 } as const;
    const times = stepTimes(ramp);
    expect(times).toHaveLength(750);
    const speed = (i: number): number => 1 / (times[i]! - times[i - 1]!);
    expect(speed(749)).toBeGreaterThan(1990);
    for (let i = 60; i < 740; i += 20) {
      const accel = (speed(i + 10) - speed(i)) / (times[i + 10]! - times[i]!);
      expect(accel).toBeLessThan(4040);
    }
  });
  test('bytes: 16 bits while they do, runs of equal entries as one', () => {
    expect(tableBytes([5, 5, 5, 7])).toEqual({ bits: 16, plain: 8, runs: 6 });
    expect(tableBytes([70_000])).toEqual({ bits: 32, plain: 4, runs: 5 });
    expect(tableBytes(Array.from({ length: 600 }, () => 9)).runs).toBe(9);
  });
});
