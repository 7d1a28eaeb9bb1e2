import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  blankOf,
  chordOf,
  cutterFor,
  freeingShift,
  gearOutline,
  halfToothAt,
  leastTeeth,
  meshOf,
  pinsOf,
  spanOf,
  threadAsWorm,
  threadCutBlank,
  wormOf,
  type Gear,
} from './index.ts';

const gear = (teeth: number, more: Partial<Gear> = {}): Gear => ({
  teeth,
  moduleMm: 1,
  moduleFrom: 'typed',
  diametralPitch: null,
  alphaDeg: 20,
  helixDeg: 0,
  shift: 0,
  playMm: 0,
  inner: false,
  trimMm: 0,
  ...more,
});
const inches = (teeth: number, P: number, alphaDeg: number): Gear =>
  gear(teeth, { moduleMm: 25.4 / P, diametralPitch: P, alphaDeg });

describe('blanks, by hand', () => {
  test('module 1, 63 teeth: outside 65, root 60.5, depth 2.25, cutter 2 or 7', () => {
    expect(blankOf(gear(63))).toMatchObject({ outsideMm: 65, rootMm: 60.5, depthMm: 2.25, pitchMm: 63 });
    expect(cutterFor(63)).toMatchObject({ range: '55–134', customA: 2, customB: 7 });
  });
  test('module 1, 12 teeth: shift 5/17, outside 14.588, cutter 8 or 1', () => {
    const x = freeingShift(gear(12));
    expect(x).toBeCloseTo(5 / 17, 12);
    expect(blankOf(gear(12, { shift: x })).outsideMm).toBeCloseTo(14.588, 3);
    expect(cutterFor(12)).toMatchObject({ customA: 8, customB: 1 });
    expect(cutterFor(11)).toBeNull();
    expect(cutterFor(500)).toMatchObject({ range: '135–rack', customA: 1, customB: 8 });
  });
  test('16 to the inch, 40 teeth: 2.625 in, 0.1348 deep, at 20° 0.1406; 32: 1.3125 and 0.07075', () => {
    const b = blankOf(inches(40, 16, 14.5));
    expect(b.outsideMm / 25.4).toBeCloseTo(2.625, 6);
    expect(b.depthMm / 25.4).toBeCloseTo(0.1348, 4);
    expect(blankOf(inches(40, 16, 20)).depthMm / 25.4).toBeCloseTo(0.1406, 4);
    expect(blankOf(inches(40, 32, 14.5)).outsideMm / 25.4).toBeCloseTo(1.3125, 6);
    expect(blankOf(inches(40, 32, 14.5)).depthMm / 25.4).toBeCloseTo(0.07075, 6);
  });
  test('whole at 17 teeth of 20°, at 32 of 14½°', () => {
    expect([leastTeeth(gear(9)), leastTeeth(gear(9, { alphaDeg: 14.5 }))]).toEqual([17, 32]);
    expect([freeingShift(gear(17)), freeingShift(gear(31, { alphaDeg: 14.5 }))]).toEqual([0, 1 / 32]);
  });
  test('spans and pins: 73 over 9 is 26.116, 63 over pins 65.416, 40 over pins 42.422', () => {
    expect(spanOf(gear(73))).toMatchObject({ teeth: 9 });
    expect(spanOf(gear(73)).mm).toBeCloseTo(26.116, 3);
    expect(pinsOf(gear(63))!.mm).toBeCloseTo(65.416, 3);
    expect(pinsOf(gear(40))!.mm).toBeCloseTo(42.422, 3);
  });
  test('a tooth of 73 across its chord 1.571, 1.008 below the tip', () => {
    expect(chordOf(gear(73)).mm).toBeCloseTo(1.571, 3);
    expect(chordOf(gear(73)).downMm).toBeCloseTo(1.008, 3);
  });
  test('backlash thins what is measured', () => {
    expect(spanOf(gear(73, { playMm: 0.05 })).mm).toBeCloseTo(26.116 - 0.05 * Math.cos(Math.PI / 9), 3);
    expect(pinsOf(gear(40, { playMm: 0.05 }))!.mm).toBeLessThan(42.4);
  });
  test('shifted wheels stand further apart, by less than the shifts', () => {
    const [a, b] = [gear(12, { shift: 5 / 17 }), gear(60)];
    expect(meshOf(gear(12), b)!.distanceMm).toBe(36);
    expect(meshOf(a, b)!.distanceMm).toBeGreaterThan(36.25);
    expect(meshOf(a, b)!.distanceMm).toBeLessThan(36 + 5 / 17);
    expect(meshOf(gear(16), gear(80, { inner: true }))!.distanceMm).toBe(32);
  });
});

describe('worm wheels from a tap, worms from threads', () => {
  test('pitch 3, 72 teeth: 70.595; pitch 1, 100: 32.444', () => {
    expect(threadCutBlank(3, 72).outsideMm).toBeCloseTo(70.595, 3);
    expect(threadCutBlank(1, 100).outsideMm).toBeCloseTo(32.444, 3);
  });
  test('a 3 mm thread is module 0.955, and 0.142 mm out a tooth against module 1', () => {
    expect(threadAsWorm(3, 1).moduleMm).toBeCloseTo(0.955, 3);
    expect(threadAsWorm(3, 1).outMm).toBeCloseTo(0.142, 3);
  });
});

describe('outlines', () => {
  const anyGear = fc.record({
    teeth: fc.integer({ min: 17, max: 160 }),
    moduleMm: fc.constantFrom(0.3, 0.5, 1, 2.5),
    alphaDeg: fc.constantFrom(20, 25),
  });
  test('every point between base and tip lies on the involute, to 1 µm; all within root and outside', () => {
    fc.assert(
      fc.property(anyGear, (some) => {
        const g = gear(some.teeth, some);
        const { baseMm, outsideMm, rootMm } = blankOf(g);
        for (const [x, y] of gearOutline(g).slice(0, 90)) {
          const r = Math.hypot(x, y);
          expect(r).toBeLessThan(outsideMm / 2 + 1e-9);
          expect(r).toBeGreaterThan(rootMm / 2 - 1e-9);
          if (r < baseMm / 2 + 1e-6 || r > outsideMm / 2 - 1e-9 || r < rootMm / 2 + 1e-6) continue;
          // how far round from the middle of the nearest tooth, against the involute's own half tooth
          const pitch = (2 * Math.PI) / g.teeth;
          const a = Math.atan2(y, x);
          const off = Math.abs(a - Math.round(a / pitch) * pitch);
          expect(Math.abs(off - halfToothAt(g, r)) * r).toBeLessThan(0.001);
        }
      }),
      { numRuns: 60 },
    );
  });
  test('measured over pins as the formula has it, 100 random wheels', () => {
    fc.assert(
      fc.property(anyGear, fc.double({ min: 0, max: 0.05, noNaN: true }), (some, playMm) => {
        const g = gear(some.teeth, { ...some, playMm: playMm * some.moduleMm });
        const { pinMm, mm } = pinsOf(g)!;
        // a pin in a gap touches both flanks: its centre is where the flank, moved out by its radius, crosses the middle of the gap
        const rp = pinMm / 2;
        const gap = Math.PI / g.teeth;
        const base = blankOf(g).baseMm / 2;
        const touch = (t: number): { d: number; r: number } => {
          const r = base / Math.cos(t);
          const half = halfToothAt(g, r);
          // normal of an involute is tangent to its base circle
          const at = { x: r * Math.cos(half), y: r * Math.sin(half) };
          const angle = half - t;
          const n = { x: -Math.sin(angle), y: Math.cos(angle) };
          const c = { x: at.x + n.x * rp, y: at.y + n.y * rp };
          return { d: Math.atan2(c.y, c.x) - gap, r: Math.hypot(c.x, c.y) };
        };
        let [low, high] = [1e-6, 1.2];
        for (let i = 0; i < 100; i++) {
          const middle = (low + high) / 2;
          if (touch(middle).d > 0) low = middle;
          else high = middle;
        }
        const { r } = touch((low + high) / 2);
        const across = g.teeth % 2 === 0 ? 2 * r : 2 * r * Math.cos(Math.PI / 2 / g.teeth);
        expect(across + pinMm).toBeCloseTo(mm, 4);
      }),
      { numRuns: 100 },
    );
  });

  /** Least gap of two outlines rolled through a pitch, below 0 where one cuts into the other; driven turned to touch is not needed: play is symmetric. */
  const inside = (
    polygon: readonly (readonly [number, number])[],
    [px, py]: readonly [number, number],
  ): boolean => {
    let is = false;
    for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
      const [xi, yi] = polygon[i]!;
      const [xj, yj] = polygon[j]!;
      if (yi > py !== yj > py && px < ((xj - xi) * (py - yi)) / (yj - yi) + xi) is = !is;
    }
    return is;
  };
  test.each([
    [24, 40, 0.04],
    [20, 76, 0.02],
    [17, 17, 0.06],
  ])(
    '%i and %i rolled through a pitch do not cut into each other, and rattle by no more than said',
    (z1, z2, play) => {
      const [a, b] = [gear(z1, { playMm: play / 2 }), gear(z2, { playMm: play / 2 })];
      const C = meshOf(a, b)!.distanceMm;
      const cuts = (turn: number, extra: number): boolean => {
        const one = gearOutline(a, turn);
        // a gap of the driven stands at the tooth of the driver
        const two = gearOutline(b, 0.5 + 0.5 / z2 - (turn * z1) / z2 + extra / (Math.PI * z2)).map(
          ([x, y]) => [x + C, y] as const,
        );
        const near = (list: readonly (readonly [number, number])[], cx: number, r: number) =>
          list.filter(([x, y]) => Math.hypot(x - cx, y) < r);
        return (
          near(one, C, blankOf(b).outsideMm / 2).some((p) => inside(two, p)) ||
          near(two, 0, blankOf(a).outsideMm / 2).some((p) => inside(one, p))
        );
      };
      for (let i = 0; i < 8; i++) {
        const turn = i / 8 / z1;
        expect(cuts(turn, 0)).toBe(false);
        // half the play either way at the pitch line brings them to touch; a little more, and they cut
        expect(cuts(turn, play * 0.75) || cuts(turn, -play * 0.75)).toBe(true);
      }
    },
  );
});

describe('sizes that the module scales', () => {
  test('a worm of module 2 stands two modules over its pitch line', () => {
    const worm = wormOf({ kind: 'worm', starts: 1, wheel: 60, moduleMm: 2 })!;
    expect([worm.pitchMm, worm.outsideMm, worm.distanceMm]).toEqual([36, 40, 78]);
  });
  test('an outline has its tips: points at the outside between the flanks', () => {
    const g = gear(30);
    const tip = blankOf(g).outsideMm / 2;
    const at = gearOutline(g).map(([x, y]) => Math.hypot(x, y));
    const on = at.filter((r) => Math.abs(r - tip) < 1e-6).length;
    // the ends of both flanks, and the arc between them
    expect(on / 30).toBeGreaterThan(2);
  });
  test('tips that are taken back make a wheel smaller and a ring’s hole larger', () => {
    const taken = (inner: boolean) =>
      blankOf(gear(60, { inner, trimMm: 0.1 })).outsideMm - blankOf(gear(60, { inner })).outsideMm;
    expect(taken(false)).toBeCloseTo(-0.2, 9);
    expect(taken(true)).toBeCloseTo(0.2, 9);
  });
});
