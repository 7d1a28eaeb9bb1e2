import { describe, expect, test } from '@jest/globals';
import { kinematicsOf, newDrive, type Drive, type Stage } from '../../drive/index.ts';
import { reachOf } from '../../errors/index.ts';
import { checkAnswer } from '../../files/index.ts';
import { startRun } from '../../run/index.ts';
import { driveOf } from '../../testing/samples.ts';
import { benchError } from '../run/bench-error.ts';
import { contextOf } from '../context.ts';
import { report } from '../report.ts';
import { drivenReport, windowMeaning } from '../run/driven.ts';
import { planRun, sheet } from '../../plans/index.ts';

const train = (source: object, stages: readonly object[], more: Partial<Drive> = {}): Drive => ({
  ...newDrive('one step'),
  ...more,
  job: { divisions: '', ...more.job },
  train: {
    ...newDrive('x').train,
    source: source as never,
    stages: stages as readonly Stage[],
    ...more.train,
  },
});
const stepper = (mode: number, more: object = {}): object => ({
  kind: 'stepper',
  fullSteps: 200,
  modes: [1, mode],
  mode,
  ...more,
});
const stars = [{ kind: 'stars' as const }];
const timer = { tickHz: '16000000', bits: 32 };
const camera = (focalMm: number, exposureSeconds: number): object => ({
  focalMm,
  pixelUm: 3.9,
  exposureSeconds,
});
const seen = (d: Drive) => report(d).duties.one('camera')!;
const row = (d: Drive, id: string, key = 'track') =>
  contextOf(d)
    .errors.budgets.all.find((b) => b.key === key)!
    .terms.find((t) => t.id === id)!;

describe('one step at the work, on every page', () => {
  test('worm 1 : 140 at 1/16 before 400 mm: a microstep of 2.893″ is 1.44 px, and nothing is round', () => {
    const d = train(
      stepper(16, { detentNm: 0.01, holdingNm: 0.4 }),
      [{ kind: 'worm', starts: 1, wheel: 140, moduleMm: 1 }],
      {
        job: { divisions: '', rates: stars, camera: camera(400, 600) as never },
        timer,
      },
    );
    expect(row(d, 'job.rounding').arcsec! * 2).toBeCloseTo(2.893, 3);
    expect(seen(d).graded).toEqual({ grade: 'misses', word: 'Never round: a step is 1.44 px' });
  });

  test('a motor alone before 100 mm: no green word', () => {
    const d = train(stepper(16), [], {
      job: { divisions: '', rates: stars, camera: camera(100, 120) as never },
    });
    expect(seen(d).graded!.grade).toBe('misses');
  });

  test('what nobody knows is named, and is never a plain yes', () => {
    const d = train(stepper(16), [{ kind: 'worm', starts: 1, wheel: 360, moduleMm: 1, quality: 'precise' }], {
      job: { divisions: '', rates: stars, camera: camera(50, 1) as never },
      timer,
    });
    expect(seen(d).graded!.grade).toBe('unknown');
    expect(seen(d).graded!.word).toContain('microstep wave');
  });

  const barn = (job: Partial<Drive['job']> = {}): Drive =>
    train(stepper(16), [{ kind: 'belt', z1: 20, z2: 60, pitchMm: 2 }], {
      job: { divisions: '', rates: stars, ...job },
      timer,
      train: {
        ...newDrive('x').train,
        source: stepper(16) as never,
        stages: [{ kind: 'belt', z1: 20, z2: 60, pitchMm: 2 }],
        output: {
          kind: 'tangentArm',
          leadMm: '1',
          armMm: '228.557',
          geometry: 'isosceles',
          sessionMinutes: 10,
        },
      },
    });
  test('a tangent arm: ½ · 1 296 000/13 786 233 = ±0.047″ at the hinge, the same in the terminal', () => {
    const d = barn({ toleranceArcsec: '20' });
    const half = (0.5 * 1_296_000) / 13_786_233;
    expect(row(d, 'job.rounding').arcsec).toBeCloseTo(half, 6);
    const answer = checkAnswer(d) as { errors: { rows: { cause: string; outputArcsec: number }[] } };
    expect(answer.errors.rows.find((r) => r.cause === 'half a microstep')!.outputArcsec).toBeCloseTo(half, 6);
    expect(report(d).verdict.find((c) => c.cell === 'error')!.graded!.grade).toBe('rounded');
  });
  test('without a tolerance nothing misses what nobody asked', () => {
    const d = barn();
    for (const cell of report(d).verdict)
      expect([cell.cell, cell.graded?.grade]).not.toEqual([cell.cell, 'misses']);
    expect(report(d).duties.one('arm')!.graded!.grade).toBe('rounded');
  });

  test('following has a budget without a timer; the timer only adds its own row', () => {
    const without = train(stepper(16), [{ kind: 'worm', starts: 1, wheel: 360, moduleMm: 1 }], {
      job: { divisions: '', rates: stars },
    });
    const bare = contextOf(without).errors.budgets.tracking!;
    const timed = contextOf({ ...without, timer: { ...timer, tolerancePpm: 20 } }).errors.budgets.tracking!;
    // by hand: half a microstep, 5 % of a full step, worm and wheel of 0.02 mm each
    expect(bare.budget.worst).toBeCloseTo(0.5625 + 0.9 + 2 * ((0.01 / 180) * (648_000 / Math.PI)), 6);
    const ids = (b: typeof bare): readonly string[] => b.terms.map((t) => t.id);
    expect(
      ids(timed)
        .filter((id) => !ids(bare).includes(id))
        .sort(),
    ).toEqual(['job.clock', 'job.drift']);
  });

  test('a run keeps the half step that it began with, whatever the source became', () => {
    const d = driveOf(200, 16, [], '8');
    const run = startRun(planRun(d, 8)!, 0);
    const crank = { ...d, train: { ...d.train, source: { kind: 'crank', marks: 48 } as never } };
    for (const now of [d, crank]) {
      const at = benchError(report(now), run, sheet(run.plan).row(0), null);
      expect(at.limit).toBeCloseTo(1_296_000 / 3200 / 2, 9);
      expect(at.allowed).toBe('half a microstep ±3.38′');
    }
  });
});

describe('the motor as it is driven now', () => {
  const friction = { frictionNm: 0.05 };
  const of = (more: object): Drive =>
    train(
      stepper(16, { holdingNm: 0.4, currentA: 2, ...more }),
      [{ kind: 'spur', z1: 20, z2: 60, moduleMm: 1 }],
      {
        job: { divisions: '73', load: friction },
      },
    );
  const band = (d: Drive): number => row(d, 'motor.deadBand', 'divide.73').arcsec!;
  test('at half its current it holds half: the dead band is that of 0.2 N·m', () => {
    const asin = (held: number): number =>
      ((Math.asin(0.05 / 3 / 0.97 / held) / 50) * (1_296_000 / (2 * Math.PI))) / 3;
    expect(band(of({}))).toBeCloseTo(asin(0.4), 6);
    expect(band(of({ currentLimitA: 1 }))).toBeCloseTo(asin(0.2), 6);
    expect(band(of({ count: 2 }))).toBeCloseTo(asin(0.72), 6);
    expect(report(of({ currentLimitA: 1 })).judged.errors.finest).not.toBe(
      report(of({})).judged.errors.finest,
    );
  });
});

test('more ratio no longer helps: the stop window counts, 500 × 4, window 6, belt 18 : 63, worm 110: 13 times as much', () => {
  const of = (windowCounts: number): number => {
    const d = train(
      { kind: 'encoderMotor', lines: 500, decode: 4, windowCounts },
      [
        { kind: 'belt', z1: 18, z2: 63, pitchMm: 2 },
        { kind: 'worm', starts: 1, wheel: 110, moduleMm: 1 },
      ],
      { job: { divisions: '73' } },
    );
    const k = kinematicsOf(d);
    return reachOf(d, k, contextOf(d).errors.budgets.dividing!.terms)!.from!;
  };
  // half a count is 324″ of the motor, six of them ±3 888″
  expect(of(6) / of(0)).toBeCloseTo((324 + 3888) / 324, 0);
  expect(of(6)).toBeGreaterThan(400);
});

test('backlash typed in mm counts at what it is measured at: friction 22 : 89, 0.02 mm is 92.70″; a belt’s by its pitch', () => {
  const lost = (stage: object): number | null =>
    (
      checkAnswer(train(stepper(16), [stage], { job: { divisions: '9' } })) as {
        lostMotionArcsec: number | null;
      }
    ).lostMotionArcsec;
  expect(lost({ kind: 'friction', d1: '22', d2: '89', playMm: 0.02 })).toBeCloseTo(92.7, 1);
  expect(lost({ kind: 'belt', z1: 20, z2: 60, pitchMm: 2, playMm: 0.02 })).toBeCloseTo(
    ((0.02 / ((2 * 60) / (2 * Math.PI))) * 1_296_000) / (2 * Math.PI),
    6,
  );
  // nobody said the pitch: not 0
  expect(lost({ kind: 'belt', z1: 20, z2: 60, playMm: 0.02 })).toBeNull();
});

describe('an encoder that corrects is what is divided by', () => {
  const of = (more: Partial<Drive> = {}): Drive =>
    train(
      { kind: 'stepper', fullSteps: 512, modes: [1], mode: 1 },
      [
        {
          kind: 'planetary',
          sun: 12,
          ring: 54,
          planets: 3,
          fixed: 'ring',
          in: 'sun',
          out: 'carrier',
          moduleMm: 1,
        },
      ],
      { job: { divisions: '29' }, encoder: { lines: 2500, decode: 4, shaft: 1, corrects: true }, ...more },
    );
  test('a motor coarser than one count decides itself', () => {
    // 512 · 5.5 = 2 816 steps are fewer than 10 000 counts
    expect(contextOf(of()).divider).toMatchObject({ by: 'step' });
  });
  const fine = of({
    train: {
      ...of().train,
      source: { kind: 'stepper', fullSteps: 512, modes: [1, 16], mode: 16 },
    },
  });
  test('counts, sheet, strip and budget: 10 000 a turn, half of one 64.8″', () => {
    const { divider } = contextOf(fine);
    expect(divider).toMatchObject({ by: 'count' });
    expect(Number(divider!.stepsPerTurn.n)).toBe(10_000);
    expect(sheet(planRun(fine, 29)!)).toMatchObject({ unit: 'counts' });
    const half = 1_296_000 / 10_000 / 2;
    const rounding = row(fine, 'job.rounding', 'divide.29').arcsec!;
    expect(rounding).toBeGreaterThan(half * 0.9);
    expect(rounding).toBeLessThanOrEqual(half);
    const strip = report(fine).verdict;
    expect(strip[0]!.figure!.key).toBe('encoder.counts');
    // motor and set lie before it: nothing of them is left in the sum
    const budgeted = contextOf(fine).errors.budgets.dividing!.budget;
    expect(budgeted.worst).toBeCloseTo(rounding, 9);
    expect(
      benchError(report(fine), startRun(planRun(fine, 29)!, 0), sheet(planRun(fine, 29)!).row(0), null).limit,
    ).toBeCloseTo(half, 9);
  });
});

test('a polar axis that is out is no error of the rate, and stands beside the sum', () => {
  const of = (polarArcmin?: number): Drive =>
    train(stepper(16), [{ kind: 'worm', starts: 1, wheel: 360, moduleMm: 1 }], {
      job: {
        divisions: '',
        rates: stars,
        camera: { focalMm: 100, pixelUm: 3.9, ...(polarArcmin && { polarArcmin }) },
      },
      timer: { ...timer, withinPpm: 5 },
    });
  const rate = (d: Drive) => report(d).verdict.find((c) => c.cell === 'rate')!;
  expect(rate(of(3)).graded).toEqual(rate(of()).graded);
  expect(rate(of(3)).figure!.text).toEqual(rate(of()).figure!.text);
  expect(contextOf(of(3)).errors.budgets.tracking!.budget.worst).toBeCloseTo(
    contextOf(of()).errors.budgets.tracking!.budget.worst,
    9,
  );
  expect(seen(of(3)).lines.some((l) => l.figure.key === 'camera.polar')).toBe(true);
});

test('behind a wheel that locks, counts that the motor is off by do not reach the work', () => {
  const d = train(stepper(16), [{ kind: 'geneva', slots: 6, centreMm: 30 }], { job: { divisions: '6' } });
  const run = startRun(planRun(d, 6)!, 0);
  const driven = {
    ...run,
    driven: { phase: 'clamp', zero: 0, boot: 'b', window: 4, holds: true, error: 3 } as const,
  };
  expect(drivenReport(driven, false, 'cut')!.error!.size).toBe(0);
  expect(windowMeaning(d, run.plan, 4)).toContain('±0″');
});
