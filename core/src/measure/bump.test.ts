import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../simulate/index.ts';
import { readBump, type Shake } from './bump.ts';
import { settlingSeconds } from './tests.ts';

/** A bump after half a second of rest, read `rate` times a second, with noise. */
const bump = (hz: number, halves: number, rate = 100, noise = 0.01, seed = 7): readonly Shake[] => {
  const random = seeded(seed);
  return Array.from({ length: 5 * rate }, (_, i) => {
    const t = i / rate;
    const since = t - 0.5;
    const swing = since < 0 ? 0 : Math.sin(2 * Math.PI * hz * since) * 2 ** ((-since * hz) / halves);
    return { t, a: 9.81 + 3 * swing + noise * (random() - 0.5) };
  });
};

describe('a bump that dies away', () => {
  test('three swings to halve at 6 Hz: 2.8 s from 240″ to 5″', () => {
    const read = readBump(bump(6, 3))!;
    expect(read.hz).toBeCloseTo(6, 1);
    expect(read.swingsToHalve).toBeCloseTo(3, 0);
    expect(settlingSeconds(read.swingsToHalve, read.hz, 240, 5)).toBeCloseTo(2.8, 0);
  });

  test('property: frequency within 5 %, swings to halve within a fifth, whatever the seed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 2, max: 6 }),
        fc.integer({ min: 1, max: 10_000 }),
        (hz, halves, seed) => {
          const read = readBump(bump(hz, halves, 200, 0.01, seed));
          expect(read).not.toBeNull();
          expect(Math.abs(read!.hz / hz - 1)).toBeLessThan(0.05);
          expect(Math.abs(read!.swingsToHalve / halves - 1)).toBeLessThan(0.2);
        },
      ),
    );
  });

  test('rest, a handful of readings, and what grows tell nothing', () => {
    const still = Array.from({ length: 300 }, (_, i) => ({ t: i / 100, a: 9.81 }));
    const grows = bump(6, 3)
      .map((s) => ({ t: 5 - s.t, a: s.a }))
      .reverse();
    expect([[], bump(6, 3).slice(0, 12), still, grows].map(readBump)).toEqual([null, null, null, null]);
  });
});
