import { describe, expect, test } from '@jest/globals';
import { seeded } from '../simulate/index.ts';
import { many } from '../testing/many.ts';
import {
  asAmplitude,
  divisionSample,
  fitDividing,
  fitTracking,
  fitWaves,
  lombScargle,
  lostMotionOf,
  settlingSeconds,
  speedPpm,
  trackingSample,
  wilson,
  type DividedBy,
  type DivisionShape,
  type Period,
  type TrackingFit,
  type TrackingRecord,
} from './index.ts';

function fitted(record: TrackingRecord, periods: readonly Period[]): TrackingFit | null {
  const made = fitTracking(record, periods);
  for (;;) {
    const step = made.next(false);
    if (step.done) return step.value;
  }
}
const PERIODS = [
  { cause: 'worm', periodS: 598.36 },
  { cause: 'motor', periodS: 160 },
];
const sample = (seed: number, more: Partial<Parameters<typeof trackingSample>[0]> = {}): TrackingRecord =>
  trackingSample({
    seed,
    seconds: 3600,
    every: 10,
    noise: 0.6,
    driftPerHour: 5,
    waves: [
      { periodS: 598.36, arcsec: 8 },
      { periodS: 299.18, arcsec: 1.5 },
      { periodS: 160, arcsec: 2 },
    ],
    ...more,
  });

describe('a tracking record', () => {
  test('seeded records with noise, drift and a gap: amplitudes within 3 standard errors in 95 %', () => {
    let [within, all] = [0, 0];
    for (let seed = 1; seed <= many(200); seed++) {
      const fit = fitted(sample(seed), PERIODS)!;
      for (const [cause, truth] of [
        ['worm', 8],
        ['worm, second wave', 1.5],
        ['motor', 2],
      ] as const) {
        const c = fit.components.find((x) => x.cause === cause)!;
        all++;
        if (Math.abs(c.amplitudeArcsec! - truth) <= 3 * c.amplitudeError!) within++;
      }
    }
    expect(within / all).toBeGreaterThanOrEqual(0.95);
  });
  test('drift within 3 standard errors, shares add up to the whole, the rest is the noise', () => {
    const fit = fitted(sample(3), PERIODS)!;
    expect(Math.abs(fit.driftArcsecPerHour - 5)).toBeLessThan(3 * fit.driftError);
    const shares = fit.components.reduce((n, c) => n + (c.share ?? 0), 0);
    expect(shares).toBeGreaterThan(0.9);
    expect(shares).toBeLessThan(1.1);
    expect(fit.residualRmsArcsec).toBeGreaterThan(0.45);
    expect(fit.residualRmsArcsec).toBeLessThan(0.75);
    expect(fit.unexplained).toEqual([]);
  });
  test('a period that is not in the train is found, with the nearest that is', () => {
    const odd = sample(5, {
      waves: [
        { periodS: 598.36, arcsec: 8 },
        { periodS: 71.3, arcsec: 3 },
      ],
    });
    const [peak] = fitted(odd, PERIODS)!.unexplained;
    expect(peak!.periodS).toBeCloseTo(71.3, 0);
    expect(peak!.amplitudeArcsec).toBeGreaterThan(2.5);
    expect(peak!.amplitudeArcsec).toBeLessThan(3.5);
    expect(peak!.cause).toBe('motor, second wave');
  });
  test('noise alone has no peak in at least 97 of 100 records', () => {
    let peaks = 0;
    for (let seed = 1; seed <= 100; seed++)
      if (fitted(sample(seed, { waves: [] }), [])!.unexplained.length > 0) peaks++;
    expect(peaks).toBeLessThanOrEqual(3);
  });
  test('800 s of 598.36 s is 1.34 turns: too short; 10 s apart of 15 s: too coarse; two that lie close: not separable', () => {
    const of = (periods: readonly Period[], more: object = {}) =>
      new Map(fitted(sample(1, more), periods)!.components.map((c) => [c.cause, c]));
    expect(of(PERIODS, { seconds: 800 }).get('worm')).toMatchObject({
      state: 'tooShort',
      amplitudeArcsec: null,
    });
    expect(of([{ cause: 'mesh', periodS: 15 }]).get('mesh')!.state).toBe('tooCoarse');
    const close = of([
      { cause: 'a', periodS: 600 },
      { cause: 'b', periodS: 640 },
    ]);
    expect([close.get('a')!.state, close.get('b')!.state]).toEqual(['notSeparable', 'notSeparable']);
  });
  test('equal periods are one row with both causes', () => {
    const fit = fitted(sample(1), [...PERIODS, { cause: 'its pulley', periodS: 598.36 }])!;
    expect(fit.components[0]!.cause).toBe('worm, its pulley');
  });
  test('too few readings, or all at one time, say nothing', () => {
    const few = Float64Array.from([0, 1, 2]);
    expect(fitted({ times: few, values: few }, [])).toBeNull();
    const same = new Float64Array(20);
    expect(fitted({ times: same, values: same }, [])).toBeNull();
  });
});

describe('fitted waves', () => {
  test('amplitudes, phases, drift and rest of a record of two waves, at uneven times', () => {
    const times = Float64Array.from({ length: 900 }, (_, i) => i * 2 + 0.7 * Math.sin(i));
    const values = times.map(
      (t) => 3 + 0.01 * t + 8 * Math.sin((2 * Math.PI * t) / 300 + 1) + 2 * Math.cos((2 * Math.PI * t) / 71),
    );
    const fit = fitWaves(times, values, [300, 71])!;
    expect(fit.amplitudes[0]).toBeCloseTo(8, 6);
    expect(fit.amplitudes[1]).toBeCloseTo(2, 6);
    expect(fit.phases[0]).toBeCloseTo(1, 6);
    expect([fit.offset, fit.driftPerSecond * 100]).toEqual([expect.closeTo(3, 5), expect.closeTo(1, 6)]);
    expect(fit.rest).toBeLessThan(1e-6);
  });
  test('one period twice cannot be told apart; too few readings neither', () => {
    const times = Float64Array.from({ length: 50 }, (_, i) => i);
    expect(fitWaves(times, times, [10, 10])).toBeNull();
    expect(fitWaves(times.slice(0, 3), times.slice(0, 3), [10])).toBeNull();
  });
});

describe('a division record', () => {
  const by: DividedBy = {
    stepsPerTurn: 1_094_400,
    coarser: [1, 1 / 2, 1 / 4, 1 / 8, 1 / 16, 1 / 128],
    shafts: [
      { name: 'shaft 0', turns: 342 },
      { name: 'shaft 1', turns: 90 },
    ],
  };
  const FAULTS: readonly DivisionShape[] = [
    'repeated',
    'sawtooth',
    'offCentre',
    'shaft',
    'jump',
    'oneGap',
    'lostMotion',
    'twice',
  ];
  test('eight seeded faults are named right in 90 % of 200', () => {
    let right = 0;
    const wrong: string[] = [];
    for (let seed = 1; seed <= 200; seed++) {
      const fault = FAULTS[seed % FAULTS.length]!;
      const record = divisionSample({ seed, divisions: 73, fault, arcsec: 60, noise: 6, by });
      const { best } = fitDividing(record, by)!;
      if (best.shape === fault) right++;
      else wrong.push(`${fault} as ${best.shape}`);
    }
    expect([right >= 180, wrong.slice(0, 5)]).toEqual([true, expect.anything()]);
  });
  test('a blank 80″ off once a turn, at 30 mm 0.0116 mm', () => {
    const record = divisionSample({ seed: 4, divisions: 73, fault: 'offCentre', arcsec: 80, noise: 3, by });
    const { best } = fitDividing(record, by)!;
    expect(best.arcsec).toBeGreaterThan(78);
    expect(best.arcsec).toBeLessThan(82);
    expect((best.arcsec / 206_264.8) * 30).toBeCloseTo(0.0116, 3);
    expect(best.explains).toBeGreaterThan(0.95);
  });
  test('counts lost at a tooth: which, and how much', () => {
    const errors = Float64Array.from({ length: 60 }, (_, i) => (i >= 20 ? -120 : 0));
    const { best } = fitDividing({ errors, back: null }, by)!;
    expect([best.shape, best.at, Math.round(best.arcsec)]).toEqual(['jump', 20, -120]);
  });
  test('noise alone is none of them; too few places say nothing', () => {
    const none = divisionSample({ seed: 9, divisions: 73, fault: 'none', arcsec: 0, noise: 5, by });
    expect(fitDividing(none, by)!.best.shape).toBe('none');
    expect(fitDividing({ errors: new Float64Array(5), back: null }, by)).toBeNull();
    expect(fitDividing({ errors: new Float64Array(60), back: null }, by)!.best.shape).toBe('none');
  });
});

describe('small tests', () => {
  test('7 of 9 kept: 45 to 94 %', () => {
    const { low, high } = wilson(7, 9);
    expect([low.toFixed(2), high.toFixed(2)]).toEqual(['0.45', '0.94']);
    expect(wilson(0, 0)).toEqual({ share: 0, low: 0, high: 1 });
    expect(wilson(5, 5).high).toBeCloseTo(1, 12);
  });
  test('a dial forth and back: how far apart, with the spread', () => {
    expect(lostMotionOf([100, 60, 102, 58])).toEqual({ play: 42, spread: 2 });
    expect(lostMotionOf([1])).toBeNull();
  });
  test('turns in a time: ppm fast', () => expect(speedPpm(10, 9.999, 1)).toBeCloseTo(100.01, 2));
  test('3 swings, 6 Hz, 240″ to 5″: 2.8 s', () => expect(settlingSeconds(3, 6, 240, 5)).toBeCloseTo(2.79, 2));
  test('±, peak to peak or rms', () =>
    expect([asAmplitude(4, 'plusMinus'), asAmplitude(4, 'peakToPeak'), asAmplitude(4, 'rms')]).toEqual([
      4,
      2,
      expect.closeTo(5.657, 3),
    ]));
});

describe('noise is no shape, and what lies far off is no reading', () => {
  const by: DividedBy = {
    stepsPerTurn: 1_094_400,
    coarser: [1, 0.5, 0.25],
    shafts: [
      { name: 'worm', turns: 90 },
      { name: 'motor', turns: 342 },
    ],
  };
  test('wheels of pure noise, 1 000 of them in full: a shape is named in at most 5 in 100', () => {
    let named = 0;
    for (let seed = 1; seed <= many(1000); seed++) {
      const record = divisionSample({ seed, divisions: 40, fault: 'none', arcsec: 0, noise: 5, by });
      if (fitDividing(record, by)!.best.shape !== 'none') named++;
    }
    expect(named).toBeLessThanOrEqual(many(1000) / 20);
  });
  test('wheels with a lost motion of 2 σ: named right in 90 in 100', () => {
    let right = 0;
    for (let seed = 1; seed <= many(300); seed++) {
      const record = divisionSample({ seed, divisions: 60, fault: 'lostMotion', arcsec: 10, noise: 5, by });
      if (fitDividing(record, by)!.best.shape === 'lostMotion') right++;
    }
    expect(right).toBeGreaterThanOrEqual(many(300) * 0.9);
  });

  test('five readings of 801 that lie far off are left out and named, and the wave is what it is', () => {
    const record = sample(11, { every: 4.5, noise: 0.3 });
    const values = Float64Array.from(record.values);
    const far = [50, 200, 333, 500, 640];
    for (const i of far) values[i] = values[i]! + (i % 2 ? 60 : -60);
    const fit = fitted({ times: record.times, values }, PERIODS)!;
    expect(fit.outliers).toEqual(far.map((i) => record.times[i]!));
    const worm = fit.components.find((c) => c.cause === 'worm')!;
    expect(Math.abs(worm.amplitudeArcsec! - 8)).toBeLessThan(3 * worm.amplitudeError!);
  });

  test('a motor of 265.94 s sampled each 150 s shows at 344 s, and is named', () => {
    const motor = [{ cause: 'motor', periodS: 265.94 }];
    const times = Float64Array.from({ length: 200 }, (_, i) => i * 150);
    const values = times.map((t) => 3 * Math.sin((2 * Math.PI * t) / 265.94));
    const fit = fitted({ times, values }, motor)!;
    const [peak] = fit.unexplained;
    expect(peak!.periodS).toBeCloseTo(1 / Math.abs(1 / 265.94 - 1 / 150), 0);
    expect(peak!.folded).toEqual(motor[0]);
  });
});

describe('what a record is judged by', () => {
  test('a wave is told from readings up to half its period apart, and not from coarser ones', () => {
    const record = sample(7, { every: 70, seconds: 7200 });
    const states = fitted(record, PERIODS)!
      .components.slice(0, 2)
      .map((c) => [c.cause, c.state]);
    expect(states).toEqual([
      ['worm', 'ok'],
      ['motor', 'ok'],
    ]);
    const coarse = fitted(sample(7, { every: 100, seconds: 7200 }), PERIODS)!;
    expect(coarse.components.find((c) => c.cause === 'motor')!.state).toBe('tooCoarse');
  });
  test('nothing has no power, at any frequency', () => {
    expect(lombScargle(Float64Array.from([0, 1, 2, 3]), new Float64Array(4), 0.2)).toBe(0);
  });
  test('a reading is an outlier from five robust deviations on', () => {
    // even over ±1, without order: half of it is 0.5, the deviation 0.741, five of it 3.7
    const at = (off: number): number => {
      const random = seeded(5);
      const times = Float64Array.from({ length: 200 }, (_, i) => i * 10);
      const values = Float64Array.from({ length: 200 }, (_, i) => (i === 100 ? off : 2 * random() - 1));
      return fitted({ times, values }, [])!.outliers.length;
    };
    expect([at(3), at(5.2)]).toEqual([0, 1]);
  });
  test('one gap that is off has just that size', () => {
    const errors = Float64Array.from({ length: 40 }, (_, i) => (i === 17 ? 100 : 0));
    const by: DividedBy = { stepsPerTurn: null, coarser: [], shafts: [] };
    const fit = fitDividing({ errors, back: null }, by)!;
    expect([fit.best.shape, fit.best.at]).toEqual(['oneGap', 17]);
    expect(fit.best.arcsec).toBeCloseTo(100, 6);
  });
});
