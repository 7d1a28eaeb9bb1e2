import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newDrive } from '../drive/index.ts';
import { budget, type ErrorTerm } from '../errors/index.ts';
import { exactly } from '../numbers/index.ts';
import {
  shares,
  simulateDividing,
  simulateTracking,
  speedRipple,
  starField,
  type PictureMotion,
  type ShareAt,
} from './index.ts';

describe('simulation', () => {
  const drive = newDrive('x');
  const one: ErrorTerm = {
    id: 'a',
    cause: 'a',
    stage: 1,
    shaft: 1,
    kind: 'periodic',
    arcsec: 10,
    turnsPerOutputTurn: exactly('90'),
    known: 'typed',
    value: null,
  };
  const rows = (terms: readonly ErrorTerm[], divisions: number | null) =>
    budget({ drive, terms, divisions, toleranceArcsec: null }).rows;
  const track = (terms: readonly ErrorTerm[], seconds: number, seed = 7): Float64Array => {
    const run = simulateTracking({
      rows: rows(terms, null),
      seed,
      steps: null,
      turnSeconds: 86164.0905,
      driftArcsecPerSecond: 0,
      seconds,
      stepSeconds: 1,
    });
    for (;;) {
      const r = run.next();
      if (r.done) return r.value;
    }
  };
  test('one periodic cause: peak to peak 2A within 1 %, its period within 0.1 %', () => {
    const record = track([one], 4000);
    expect((Math.max(...record) - Math.min(...record)) / 20).toBeCloseTo(1, 2);
    const period = 86164.0905 / 90;
    const up: number[] = [];
    const mean = (Math.max(...record) + Math.min(...record)) / 2;
    for (let i = 1; i < record.length; i++)
      if (record[i - 1]! < mean && record[i]! >= mean)
        up.push(i - 1 + (mean - record[i - 1]!) / (record[i]! - record[i - 1]!));
    expect((up.at(-1)! - up[0]!) / (up.length - 1) / period).toBeCloseTo(1, 3);
  });
  test('with a whole turn a tooth its error is gone from the divisions', () => {
    const at = (D: number): number => {
      const e = simulateDividing({ rows: rows([one], D), seed: 7, steps: null }, D);
      return Math.max(...e) - Math.min(...e);
    };
    expect(at(45)).toBe(0);
    expect(at(73)).toBeGreaterThan(15);
  });
  test('one seed, one record; another seed, another', () => {
    expect(track([one], 500)).toEqual(track([one], 500));
    expect(track([one], 500, 8)).not.toEqual(track([one], 500));
  });
  test('the spectrum of whole turns gives each term back within 2 %', () => {
    const two: ErrorTerm = { ...one, id: 'b', arcsec: 4, turnsPerOutputTurn: exactly('342') };
    const T = 86164.0905;
    const seconds = Math.round(T / 18); // 5 and 19 whole turns
    const record = track([one, two], seconds - 1);
    const amplitude = (n: number): number => {
      let [c, s] = [0, 0];
      record.forEach((e, i) => {
        const a = (2 * Math.PI * n * i) / T;
        c += e * Math.cos(a);
        s += e * Math.sin(a);
      });
      return (2 * Math.hypot(c, s)) / record.length;
    };
    expect(amplitude(90) / 10).toBeCloseTo(1, 1.7);
    expect(amplitude(342) / 4).toBeCloseTo(1, 1.7);
  });
});

const end = <T>(run: Generator<number, T, boolean | undefined>): T => {
  for (;;) {
    const r = run.next();
    if (r.done) return r.value;
  }
};

describe('shares of round exposures', () => {
  const P = 598.36;
  const record = (seconds: number, A = 10): Float64Array =>
    Float64Array.from(
      { length: Math.round(seconds / 0.1) + 1 },
      (_, i) => A * Math.sin((2 * Math.PI * i * 0.1) / P),
    );
  const at = (exposures: readonly number[], more: object = {}): readonly ShareAt[] =>
    end(
      shares({
        values: record(6 * P + exposures.at(-1)!),
        stepSeconds: 0.1,
        exposures,
        allowed: 5.95876,
        acrossPerSecond: 0,
        ...more,
      }),
    );
  test('10″ in 598.36 s, a pixel of 5.95876″: all at 30 s, 0.823 at 60, 0.334 at 120', () => {
    const [a, b, c] = at([30, 60, 120]);
    expect(a!.share).toBe(1);
    expect(b!.share).toBeCloseTo(0.823, 2);
    expect(c!.share).toBeCloseTo(0.334, 2);
  });
  test('the worst start is where it runs fastest, and moves 2A·sin(πt/P)', () => {
    const [a] = at([60]);
    expect(a!.worst).toBeCloseTo(20 * Math.sin((Math.PI * 60) / P), 2);
    // half an exposure before a zero of the sine
    const before = (a!.worstStart + 30) % (P / 2);
    expect(Math.min(before, P / 2 - before)).toBeLessThan(0.5);
  });
  test('a drift across counts at right angles, and alone ends them all', () => {
    expect(at([60], { acrossPerSecond: 0.05 })[0]!.share).toBeLessThan(at([60])[0]!.share);
    expect(at([60], { acrossPerSecond: 0.1 })[0]!.share).toBe(0);
  });
  test('windows are as slow reckoning finds them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 8, maxLength: 60 }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 0, max: 60 }),
        (list, width, allowed) => {
          const values = Float64Array.from(list);
          const [s] = end(
            shares({ values, stepSeconds: 1, exposures: [width], allowed, acrossPerSecond: 0 }),
          );
          const ranges = Array.from({ length: list.length - width }, (_, i) => {
            const part = list.slice(i, i + width + 1);
            return Math.max(...part) - Math.min(...part);
          });
          expect(s!.share).toBeCloseTo(ranges.filter((r) => r <= allowed).length / ranges.length, 12);
          expect(s!.worst).toBe(Math.max(...ranges));
          expect(ranges[s!.worstStart]).toBe(s!.worst);
        },
      ),
    );
  });
  test('stopped, it gives what it has; a record shorter than an exposure gives nothing', () => {
    const run = shares({
      values: record(2000),
      stepSeconds: 0.1,
      exposures: [10, 20, 30],
      allowed: 1,
      acrossPerSecond: 0,
    });
    expect(run.next().value).toBeCloseTo(1 / 3);
    const stopped = run.next(true);
    expect(stopped.done && stopped.value).toHaveLength(1);
    expect(
      end(shares({ values: record(5), stepSeconds: 0.1, exposures: [10], allowed: 1, acrossPerSecond: 0 })),
    ).toEqual([]);
  });
});

describe('stars', () => {
  const moved = (x: number, turn = 0, n = 40): PictureMotion => ({
    x: Float64Array.from({ length: n }, (_, i) => (x * i) / (n - 1)),
    y: new Float64Array(n),
    turn: Float64Array.from({ length: n }, (_, i) => (turn * i) / (n - 1)),
  });
  test('one seed and one motion, one picture, byte for byte; another seed, another', () => {
    const a = starField(moved(3), 7, 44, 36);
    expect(Buffer.from(a.pixels).equals(Buffer.from(starField(moved(3), 7, 44, 36).pixels))).toBe(true);
    expect(Buffer.from(a.pixels).equals(Buffer.from(starField(moved(3), 8, 44, 36).pixels))).toBe(false);
  });
  /** root mean square of its light about its middle, along a row */
  const spread = (x: number): number => {
    const { pixels, width } = starField(moved(x), 3, 64, 48);
    const rows: number[] = [];
    for (let y = 0; y < 48; y++) {
      const row = [...pixels.slice(y * width, (y + 1) * width)];
      rows.push(row.filter((v) => v > 90).length);
    }
    return rows.reduce((n, v) => n + v, 0);
  };
  test('a longer way leaves longer trails', () => {
    expect(spread(6)).toBeGreaterThan(spread(0) * 1.15);
  });
  test('a field that turns smears its corners and leaves its middle', () => {
    const still = starField(moved(0), 5, 80, 80).pixels;
    const turning = starField(moved(0, 0.1), 5, 80, 80).pixels;
    const differs = (from: number, to: number): number => {
      let sum = 0;
      for (let i = 0; i < still.length; i++) {
        const r = Math.hypot((i % 80) - 40, Math.floor(i / 80) - 40);
        if (r >= from && r < to) sum += Math.abs(still[i]! - turning[i]!);
      }
      return sum;
    };
    expect(differs(30, 60)).toBeGreaterThan(5 * differs(0, 6));
  });
});

describe('speed ripple', () => {
  const wave = (arcsec: number, turns: string): ErrorTerm => ({
    id: turns,
    cause: 'a',
    stage: 0,
    shaft: 0,
    kind: 'periodic',
    arcsec,
    turnsPerOutputTurn: exactly(turns),
    known: 'typed',
    value: null,
  });
  const rowsOf = (terms: readonly ErrorTerm[]) =>
    budget({ drive: newDrive('x'), terms, divisions: null, toleranceArcsec: null }).rows;
  test('±100″ once a turn of a shaft of 10: ±100·10/206 265 of the speed', () => {
    const r = speedRipple(rowsOf([wave(100, '10')]), 7);
    expect(r.peakToPeak).toBeCloseTo((2 * 100 * 100 * 10) / 206_264.806, 3);
    expect(r.fast).toBeNull();
  });
  test('what comes too often to be drawn is told as a figure', () => {
    const r = speedRipple(rowsOf([wave(1, '2000'), wave(1, '500')]), 7);
    expect(r.peakToPeak).toBe(0);
    expect(r.fast).toMatchObject({ turns: 500 });
    expect(r.fast!.percent).toBeCloseTo((100 * 2500) / 206_264.806, 6);
  });
});
