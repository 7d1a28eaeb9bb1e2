import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Stage } from '../drive/index.ts';
import { rational } from '../numbers/index.ts';
import {
  blankOf,
  cutterFor,
  gearOutline,
  isPointed,
  isUndercut,
  leadMm,
  meshesOf,
  meshOf,
  normalModule,
  pinsOf,
  seenTeeth,
  sharedShift,
  shiftSum,
  spanOf,
  teethOf,
  tipLand,
  undercutLimit,
  wormOf,
  type Gear,
} from './index.ts';

const stage = (data: object): Stage => data as Stage;
const spur = (z1: number, z2: number, more: object = {}): Stage =>
  stage({ kind: 'spur', z1, z2, moduleMm: 1, ...more });
const distance = (s: Stage): number => meshesOf(s)[0]!.mesh!.distanceMm;
const gearsOf = (s: Stage): readonly Gear[] => teethOf(s).map((t) => t.gear!);

describe('the working distance of a pair, by hand', () => {
  test.each<[string, Stage, number]>([
    ['1, 12 : 55', spur(12, 55), 33.785],
    ['1.25, 9 : 64', spur(9, 64, { moduleMm: 1.25 }), 46.188],
    ['14½°, 0.8, 19 : 87', spur(19, 87, { moduleMm: 0.8, pressureAngleDeg: 14.5 }), 42.709],
    ['1, 12 : 40', spur(12, 40), 26.283],
    [
      'typed 0.4 and −0.2, 1.5, 14 : 62',
      spur(14, 62, { moduleMm: 1.5, shift: 0.4, shiftDriven: -0.2 }),
      57.294,
    ],
    ['24 an inch, 14½°, 23 : 41', spur(23, 41, { diametralPitch: 24, pressureAngleDeg: 14.5 }), 34.148],
    ['48 an inch, 31 : 44', spur(31, 44, { diametralPitch: 48 }), 19.844],
  ])('module %s', (_, s, mm) => expect(distance(s)).toBeCloseTo(mm, 3));

  test('12 : 55 runs at 21.289°', () =>
    expect((meshesOf(spur(12, 55))[0]!.mesh!.angle * 180) / Math.PI).toBeCloseTo(21.289, 3));

  test('without a shift it is exact, also of an inch', () => {
    expect(meshesOf(spur(31, 44, { diametralPitch: 48 }))[0]!.exact).toEqual(rational(127 * 75, 5 * 48 * 2));
    expect(meshesOf(spur(12, 55))[0]!.exact).toBeNull();
  });

  test('given back, the distance stays; a mate that would be undercut gives nothing back', () => {
    const back = spur(12, 55, { shiftBack: true });
    expect(distance(back)).toBe(33.5);
    expect(gearsOf(back).map((g) => g.shift)).toEqual([5 / 17, -5 / 17]);
    expect(meshesOf(back)[0]!.exact).toEqual(rational(67, 2));
    expect(teethOf(back).map((t) => t.shiftFrom)).toEqual(['taken', 'givenBack']);
    const small = spur(12, 18, { shiftBack: true });
    expect(teethOf(small).map((t) => t.shiftFrom)).toEqual(['taken', 'none']);
    expect(distance(small)).toBeGreaterThan(15.2);
  });

  test('a ring takes the shift of the wheel in it: their distance is that of the teeth', () => {
    const ring = stage({ kind: 'internal', z1: 12, z2: 55, moduleMm: 1 });
    expect(distance(ring)).toBe(21.5);
    expect(gearsOf(ring).map((g) => g.shift)).toEqual([5 / 17, 5 / 17]);
    const turned = stage({ kind: 'internal', z1: 55, z2: 12, moduleMm: 1 });
    expect([distance(turned), ...gearsOf(turned).map((g) => g.shift)]).toEqual([21.5, 5 / 17, 5 / 17]);
    // typed, the difference counts: x2 − x1
    const typed = stage({ kind: 'internal', z1: 20, z2: 60, moduleMm: 1, shift: 0.1, shiftDriven: 0.3 });
    expect(meshesOf(typed)[0]!.mesh!.shift).toBeCloseTo(0.2, 12);
  });

  test('a planetary set of 14 and 46: the ring takes 5/17, and both distances are 15.223', () => {
    const set = stage({
      ...{ kind: 'planetary', sun: 14, ring: 46, planets: 3, moduleMm: 1 },
      ...{ fixed: 'ring', in: 'sun', out: 'carrier' },
    });
    const [a, b] = meshesOf(set).map((m) => m.mesh!.distanceMm);
    expect([a, b].map((mm) => Number(mm!.toFixed(3)))).toEqual([15.223, 15.223]);
    expect(gearsOf(set)[2]!.shift).toBeCloseTo(5 / 17, 9);
    // without it they would not agree
    const [, planet, ring] = gearsOf(set);
    expect(meshOf(planet!, { ...ring!, shift: 0 })!.distanceMm).toBeCloseTo(14.94, 3);
  });

  test('stepped planets: the output wheel takes what brings both meshes to one distance', () => {
    const set = stage({
      ...{ kind: 'stepped', fixed: 42, out: 41, planetFixed: 18, planetOut: 18, planets: 3, moduleMm: 1 },
      ...{ meshFixed: 'inner', meshOut: 'inner' },
    });
    const [a, b] = meshesOf(set).map((m) => m.mesh!.distanceMm);
    expect(a).toBe(12);
    expect(b).toBeCloseTo(12, 9);
    expect(teethOf(set)[3]!.shiftFrom).toBe('closes');
  });
});

describe('slanted wheels, by hand', () => {
  const [a, b] = gearsOf(spur(16, 49, { helixDeg: 32 })) as [Gear, Gear];
  test('m 1, 32°, 16 and 49 teeth', () => {
    expect(normalModule(a)).toBeCloseTo(0.848, 4);
    expect(blankOf(a)).toMatchObject({ pitchMm: 16 });
    expect(blankOf(a).outsideMm).toBeCloseTo(17.696, 3);
    expect(blankOf(a).depthMm).toBeCloseTo(1.908, 3);
    expect(seenTeeth(a)).toBeCloseTo(26.2, 1);
    expect(cutterFor(Math.round(seenTeeth(a)))!.range).toBe('26–34');
    expect(undercutLimit(a)).toBeCloseTo(10.9, 1);
    expect(a.shift).toBe(0);
    expect(spanOf(a)).toMatchObject({ teeth: 3 });
    expect(spanOf(a).mm).toBeCloseTo(6.562, 3);
    expect(pinsOf(a)!.pinMm).toBeCloseTo(1.465, 3);
    expect(pinsOf(a)!.mm).toBeCloseTo(18.039, 3);
    expect(spanOf(b)).toMatchObject({ teeth: 9 });
    expect(spanOf(b).mm).toBeCloseTo(22.209, 3);
    expect(pinsOf(b)!.mm).toBeCloseTo(51.045, 3);
    // the typed module is that across the wheels, so their distance stays
    expect(distance(spur(16, 49, { helixDeg: 32 }))).toBe(32.5);
    expect(leadMm(a)).toBeCloseTo((Math.PI * 16) / Math.tan((32 * Math.PI) / 180), 9);
  });
  test('m 1.25, 15°, 30 teeth: over 4 13.036, over balls of 2.086 40.416; 32° is 2.385 deep', () => {
    const [g] = gearsOf(spur(30, 60, { moduleMm: 1.25, helixDeg: 15 })) as [Gear];
    expect(spanOf(g)).toMatchObject({ teeth: 4 });
    expect(spanOf(g).mm).toBeCloseTo(13.036, 3);
    expect(pinsOf(g)!.pinMm).toBeCloseTo(2.086, 3);
    expect(pinsOf(g)!.mm).toBeCloseTo(40.416, 3);
    expect(blankOf(gearsOf(spur(30, 60, { moduleMm: 1.25, helixDeg: 32 }))[0]!).depthMm).toBeCloseTo(
      2.385,
      3,
    );
  });
});

test('the worm itself: m 1, q 18, 90 teeth', () => {
  const worm = wormOf(stage({ kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 }))!;
  expect(worm).toMatchObject({ pitchMm: 18, outsideMm: 20, distanceMm: 54, assumed: false });
  expect(worm.lengthMm).toBeCloseTo(19.8, 1);
  expect(worm.leadDeg).toBeCloseTo(3.18, 2);
  expect(wormOf(spur(20, 40))).toBeNull();
});

describe('a shift that closes a distance', () => {
  const wheel = (teeth: number): Gear => gearsOf(spur(teeth, 90))[0]!;
  const bare = (teeth: number): Gear => ({ ...wheel(teeth), shift: 0 });
  test('its sum, put back, gives the distance', () => {
    const sum = shiftSum(bare(26), bare(65), 46.1)!;
    expect(meshOf({ ...bare(26), shift: sum }, bare(65))!.distanceMm).toBeCloseTo(46.1, 9);
    expect(shiftSum(bare(20), bare(40), 20)).toBeNull();
  });
  test.each([
    [26, 65, 0.8, 37.2, 1.0773],
    [47, 46, 0.8, 36.4, -0.9117],
    [20, 40, 1, 30, 0],
  ])('%i : %i of module %f at %f mm: %f', (z1, z2, moduleMm, mm, sum) =>
    expect(shiftSum({ ...bare(z1), moduleMm }, { ...bare(z2), moduleMm }, mm)).toBeCloseTo(sum, 4),
  );
  test('teeth in contact: 1.6 or so for a usual pair, fewer when shifted apart, and none lost to a ring', () => {
    const usual = meshOf(bare(20), bare(40))!.contact;
    expect(usual).toBeGreaterThan(1.55);
    expect(usual).toBeLessThan(1.7);
    const sum = shiftSum(bare(20), bare(40), 30.6)!;
    expect(meshOf({ ...bare(20), shift: sum / 2 }, { ...bare(40), shift: sum / 2 })!.contact).toBeLessThan(
      usual,
    );
    expect(meshOf(bare(20), { ...bare(60), inner: true })!.contact).toBeGreaterThan(usual);
  });
  test('18 and 61 at −0.47: the 18 bears −0.059 and no less, so the 61 takes nearly all', () => {
    const [x1, x2] = sharedShift(bare(18), bare(61), -0.47)!;
    expect(x1).toBeGreaterThanOrEqual(-0.059);
    expect(x1 + x2).toBeCloseTo(-0.47, 12);
    expect(isUndercut({ ...bare(18), shift: x1 })).toBe(false);
    expect(isUndercut({ ...bare(18), shift: -0.237 })).toBe(true);
  });
  test('nothing where one of them cannot bear it: two of 17 have no shift to give', () =>
    expect(sharedShift(bare(17), bare(17), -0.3)).toBeNull());
  test('300 random pairs: neither undercut nor pointed, and the sum as asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 60 }),
        fc.integer({ min: 8, max: 120 }),
        fc.double({ min: -1, max: 1.5, noNaN: true }),
        (z1, z2, sum) => {
          const shared = sharedShift(bare(z1), bare(z2), sum);
          if (!shared) return;
          expect(shared[0] + shared[1]).toBeCloseTo(sum, 9);
          for (const [z, shift] of [
            [z1, shared[0]],
            [z2, shared[1]],
          ] as const) {
            expect(isUndercut({ ...bare(z), shift })).toBe(false);
            expect(tipLand({ ...bare(z), shift })).toBeGreaterThan(0.2 - 1e-6);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

type Rim = readonly (readonly [number, number])[];

function inside(polygon: Rim, [px, py]: readonly [number, number]): boolean {
  let is = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [xi, yi] = polygon[i]!;
    const [xj, yj] = polygon[j]!;
    if (yi > py !== yj > py && px < ((xj - xi) * (py - yi)) / (yj - yi) + xi) is = !is;
  }
  return is;
}

/** Does wheel a, with its first tooth on the line to b, cut into b when both are rolled `turn` on and b is turned by `more` along its pitch line? */
function cuts(a: Gear, b: Gear, apart: number, turn: number, more: number): boolean {
  const one = gearOutline(a, turn);
  const own = more / (Math.PI * b.teeth * b.moduleMm);
  if (b.inner) {
    // the space of the ring stands at the tooth, and they turn the same way
    const ring = gearOutline(b, (turn * a.teeth) / b.teeth + own).map(([x, y]) => [x - apart, y] as const);
    const close = (r: number): Rim => ring.filter(([x, y]) => Math.hypot(x, y) < r);
    return (
      one.some((p) => Math.hypot(p[0] + apart, p[1]) > blankOf(b).outsideMm / 2 && !inside(ring, p)) ||
      close(blankOf(a).outsideMm / 2).some((p) => inside(one, p))
    );
  }
  const two = gearOutline(b, 0.5 + 0.5 / b.teeth - (turn * a.teeth) / b.teeth + own).map(
    ([x, y]) => [x + apart, y] as const,
  );
  const near = (list: Rim, cx: number, r: number): Rim => list.filter(([x, y]) => Math.hypot(x - cx, y) < r);
  return (
    near(one, apart, blankOf(b).outsideMm / 2).some((p) => inside(two, p)) ||
    near(two, 0, blankOf(a).outsideMm / 2).some((p) => inside(one, p))
  );
}

/** Rolled through a pitch at the distance the plan has: clear, and with no more play than was given. */
function rolls(a: Gear, b: Gear, apart: number, playMm: number): void {
  for (let i = 0; i < 5; i++) {
    const turn = i / 5 / a.teeth;
    for (const more of [0, 0.3, -0.3])
      expect([a.teeth, b.teeth, i, more, cuts(a, b, apart, turn, more * playMm)]).toEqual([
        a.teeth,
        b.teeth,
        i,
        more,
        false,
      ]);
    const tight = [0.85, -0.85].map((more) => cuts(a, b, apart, turn, more * playMm));
    expect([a.teeth, b.teeth, i, 'tight', ...tight]).toEqual([a.teeth, b.teeth, i, 'tight', true, true]);
  }
}

describe('drawn outlines, rolled at the distance that every page has', () => {
  const runs = Number(process.env['PENDRIX_ROLLED'] ?? 10);
  const pair = fc.record({
    z1: fc.integer({ min: 9, max: 40 }),
    more: fc.integer({ min: 0, max: 60 }),
    alpha: fc.constantFrom(20, 20, 14.5, 25),
    helixDeg: fc.constantFrom(0, 0, 12, 30),
    playMm: fc.double({ min: 0.03, max: 0.12, noNaN: true }),
    shifts: fc.option(
      fc.tuple(fc.double({ min: 0, max: 0.4, noNaN: true }), fc.double({ min: -0.2, max: 0.4, noNaN: true })),
    ),
    back: fc.boolean(),
  });
  test('random pairs', () => {
    fc.assert(
      fc.property(pair, ({ z1, more, alpha, helixDeg, playMm, shifts, back }) => {
        const s = spur(z1, z1 + more, {
          ...{ playMm, pressureAngleDeg: alpha },
          ...(helixDeg > 0 && { helixDeg }),
          ...(shifts && { shift: shifts[0], shiftDriven: shifts[1] }),
          ...(back && { shiftBack: true }),
        });
        const [a, b] = gearsOf(s) as [Gear, Gear];
        fc.pre(!isPointed(a) && !isPointed(b) && !isUndercut(a) && !isUndercut(b));
        rolls(a, b, distance(s), playMm);
      }),
      { numRuns: runs },
    );
  });
  test('random planetary sets: sun with planet, planet with ring, at one distance', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 30 }),
        fc.integer({ min: 12, max: 30 }),
        fc.double({ min: 0.03, max: 0.1, noNaN: true }),
        (sun, planet, playMm) => {
          const set = stage({
            ...{ kind: 'planetary', sun, ring: sun + 2 * planet, planets: 3, moduleMm: 1, playMm },
            ...{ fixed: 'ring', in: 'sun', out: 'carrier' },
          });
          const [a, b, c] = gearsOf(set) as [Gear, Gear, Gear];
          const apart = distance(set);
          rolls(a, b, apart, (2 * playMm) / 2);
          rolls(b, c, apart, (2 * playMm) / 2);
        },
      ),
      { numRuns: runs },
    );
  });
});
