import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newDrive, type Drive, type Stage } from '../drive/index.ts';
import { isPointed } from '../teeth/index.ts';
import { beltFit, dialLines, madeWheels, preloadOf, shortestBelt, wheelRefusal } from './index.ts';

describe('belts', () => {
  test('pitch 2, 20:76, 100 teeth: 48.700 mm, by the short formula 48.740, 7.614 in mesh', () => {
    const b = beltFit(100, 2, 20, 76)!;
    expect(b.centreMm).toBeCloseTo(48.7, 3);
    expect(b.roughMm).toBeCloseTo(48.74, 3);
    expect(b.inMesh).toBeCloseTo(7.614, 3);
  });
  test('16:60, 80 teeth: 39.489, by the short formula 39.518, 6.153', () => {
    const b = beltFit(80, 2, 60, 16)!;
    expect([b.centreMm, b.roughMm, b.inMesh].map((v) => Number(v.toFixed(3)))).toEqual([
      39.489, 39.518, 6.153,
    ]);
  });
  test('a belt too short goes round nothing; the shortest that does clears both pulleys', () => {
    expect(beltFit(50, 2, 20, 76)).toBeNull();
    const s = shortestBelt(2, 20, 76)!;
    expect(s.centreMm).toBeGreaterThan((96 * 2) / (2 * Math.PI));
    expect(shortestBelt(2, 20, 76, 40)).toBeNull();
  });
  test('500 random belts: the centre put back into the exact length, to 0.001 mm', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 120 }),
        fc.integer({ min: 8, max: 120 }),
        fc.integer({ min: 1, max: 400 }),
        fc.constantFrom(2, 2.5, 3, 5, 8),
        (z1, z2, over, pitch) => {
          const n = Math.max(z1, z2) + over;
          const b = beltFit(n, pitch, z1, z2);
          if (!b) return;
          const [r1, r2] = [z1, z2].map((z) => (z * pitch) / (2 * Math.PI)).sort((a, c) => a - c) as [
            number,
            number,
          ];
          const beta = Math.asin((r2 - r1) / b.centreMm);
          const length =
            2 * b.centreMm * Math.cos(beta) + r2 * (Math.PI + 2 * beta) + r1 * (Math.PI - 2 * beta);
          expect(Math.abs(length - n * pitch)).toBeLessThan(0.001);
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe('a preload', () => {
  test('10 N on 30 mm, 0.05 N/mm, two turns: 0.150 to 0.291 N·m', () => {
    const p = preloadOf(10, 30, 0.05, 2);
    expect(p.leastNm).toBeCloseTo(0.15, 6);
    expect(p.mostNm).toBeCloseTo(0.291, 3);
    expect(p.travelMm).toBeCloseTo(188.5, 1);
  });
});

describe('the wheels of a train', () => {
  const drive = (stages: readonly object[]): Drive => ({
    ...newDrive('x'),
    train: { ...newDrive('x').train, stages: stages as readonly Stage[] },
  });
  test('numbered along the train, driver before driven; a worm is a thread, not a wheel', () => {
    const d = drive([
      { kind: 'belt', z1: 20, z2: 76, pitchMm: 2 },
      { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 },
      { kind: 'planetary', sun: 13, ring: 47, planets: 3, fixed: 'ring', in: 'sun', out: 'carrier' },
    ]);
    expect(madeWheels(d).map((w) => [w.number, w.label, w.teeth, w.count])).toEqual([
      [1, 'driver pulley', 20, 1],
      [2, 'driven pulley', 76, 1],
      [3, 'worm wheel', 90, 1],
      [4, 'sun', 13, 1],
      [5, 'planet', 17, 3],
      [6, 'ring', 47, 1],
    ]);
  });
  test('module from a diametral pitch; shift as said, else what keeps the root whole; backlash shared', () => {
    const [a, b] = madeWheels(
      drive([{ kind: 'spur', z1: 12, z2: 60, diametralPitch: 16, playMm: 0.06, shiftDriven: 0.1 }]),
    );
    expect(a!.gear).toMatchObject({ moduleMm: 25.4 / 16, diametralPitch: 16, playMm: 0.03 });
    expect([a!.gear!.shift, a!.shiftFrom]).toEqual([5 / 17, 'taken']);
    expect([b!.gear!.shift, b!.shiftFrom]).toEqual([0.1, 'typed']);
  });
  test('a worm wheel cut with a tap is no involute', () =>
    expect(
      madeWheels(drive([{ kind: 'worm', starts: 1, wheel: 72, cut: 'tap', threadPitchMm: 3 }]))[0],
    ).toMatchObject({ gear: null, threadPitchMm: 3 }));
  test('what keeps a wheel from being made, and what would do', () => {
    const of = (stage: object) => wheelRefusal(madeWheels(drive([stage]))[0]!);
    expect(of({ kind: 'spur', z1: 12, z2: 60, moduleMm: 1 })).toBeNull();
    const pointed = of({ kind: 'spur', z1: 8, z2: 60, moduleMm: 1, shift: 1.2 })!;
    expect(pointed).toMatchObject({ code: 'pointedTeeth' });
    const shifted = (shift: number) =>
      madeWheels(drive([{ kind: 'spur', z1: 8, z2: 60, moduleMm: 1, shift }]))[0]!.gear!;
    expect(isPointed(shifted(Number(pointed.limit)))).toBe(false);
    expect(isPointed(shifted(Number(pointed.limit) + 0.01))).toBe(true);
    expect(of({ kind: 'spur', z1: 12, z2: 60, moduleMm: 1, inBoreMm: 12 })).toMatchObject({
      code: 'boreTooLarge',
    });
    expect(
      wheelRefusal({ ...madeWheels(drive([{ kind: 'spur', z1: 12, z2: 60 }]))[0]!, teeth: 3 }),
    ).toMatchObject({
      code: 'tooFewTeeth',
    });
  });
});

describe('figures that are read off', () => {
  test('lines of a dial: 2 mm, each fifth 3, each tenth 4.5 and numbered', () => {
    expect(
      dialLines(20)
        .slice(0, 11)
        .map((l) => [l.long, l.text]),
    ).toEqual([
      [4.5, '0'],
      ...Array.from({ length: 4 }, () => [2, '']),
      [3, ''],
      ...Array.from({ length: 4 }, () => [2, '']),
      [4.5, '10'],
    ]);
  });
  test('a bore that is too large is told the largest that leaves a module of rim', () => {
    const stage: Stage = { kind: 'spur', z1: 30, z2: 60, moduleMm: 1, inBoreMm: 28 };
    const drive = { ...newDrive('bore'), train: { ...newDrive('bore').train, stages: [stage] } };
    const refusal = wheelRefusal(madeWheels(drive)[0]!);
    // root 27.5 mm, less two modules
    expect([refusal?.code, refusal?.limit]).toEqual(['boreTooLarge', '25.5']);
  });
});
