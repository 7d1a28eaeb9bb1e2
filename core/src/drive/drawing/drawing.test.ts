import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cutRule } from './cut-rule.ts';
import { cutWheel } from './cut-wheel.ts';
import { arrowArc, beltPath, threads, toothed } from './outline.ts';

/** The absolute points of a path. */
const points = (d: string): readonly (readonly [number, number])[] =>
  [...d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)|A[\d.]+ [\d.]+ 0 [01] [01] (-?[\d.]+) (-?[\d.]+)/g)].map(
    (m) => [Number(m[1] ?? m[3]), Number(m[2] ?? m[4])] as const,
  );
const from = (x: number, y: number, [px, py]: readonly [number, number]): number =>
  Math.hypot(px - x, py - y);

describe('outlines', () => {
  test('a wheel has all its teeth, each with four corners, around the pitch circle', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 200 }),
        fc.double({ min: 10, max: 100, noNaN: true }),
        (teeth, r) => {
          const corners = points(toothed(0, 0, r, teeth, 4));
          expect(corners.length).toBe(4 * teeth);
          for (const c of corners) expect(Math.abs(from(0, 0, c) - r)).toBeLessThan(2.1);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('a belt touches both pulleys and its straight parts are tangents', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 130, max: 400, noNaN: true }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        (r1, r2, x2, y2) => {
          const [a, b, c, d] = points(beltPath(0, 0, r1, x2, y2, r2));
          for (const p of [a!, d!]) expect(from(0, 0, p)).toBeCloseTo(r1, 0);
          for (const p of [b!, c!]) expect(from(x2, y2, p)).toBeCloseTo(r2, 0);
          // the radius to the point of contact is square to the belt
          const square =
            (a![0] * (b![0] - a![0]) + a![1] * (b![1] - a![1])) /
            (r1 * Math.hypot(b![0] - a![0], b![1] - a![1]));
          expect(Math.abs(square)).toBeLessThan(0.01);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('pulleys that would overlap give a path all the same', () => {
    expect(beltPath(0, 0, 50, 10, 0, 5)).not.toContain('NaN');
    expect(beltPath(0, 0, 5, 0, 0, 5)).not.toContain('NaN');
  });

  test('threads of a worm lie along it, however fine', () => {
    expect((threads(0, 0, 100, 20, 10).match(/M/g) ?? []).length).toBe(11);
    expect((threads(0, 0, 9, 34, 4).match(/M/g) ?? []).length).toBe(10);
    expect((threads(0, 0, 100, 20, 0).match(/M/g) ?? []).length).toBeLessThan(50);
  });

  test('an arrow points the way it is told', () => {
    const tip = (clockwise: boolean): readonly [number, number] =>
      points(arrowArc(0, 0, 50, clockwise).head)[0]!;
    expect(tip(true)[0]).toBeGreaterThan(0);
    expect(tip(false)[0]).toBeLessThan(0);
    expect(tip(true)[1]).toBeLessThan(0);
  });
});

describe('the wheel under the cutter', () => {
  const wheel = (D: number, gap: number, done: number) =>
    cutWheel(D, gap, (g) => g <= done, done >= D, 220, 202, 148, 12);

  test('at the start nothing is cut, in the middle a part, at the end all', () => {
    const start = wheel(73, 1, 0);
    expect([start.cut, start.cutSector]).toEqual(['', '']);
    expect(start.blank).not.toBe('');
    const middle = wheel(73, 31, 30);
    expect((middle.cut.match(/L/g) ?? []).length).toBe(30 * 3);
    expect((middle.marks.match(/M/g) ?? []).length).toBe(73 - 31);
    const end = wheel(73, 73, 73);
    expect([end.blank, end.next, end.marks]).toEqual(['', '', '']);
    expect((end.cut.match(/L/g) ?? []).length).toBe(73 * 3);
  });

  test('the next gap is at the top, under the cutter', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 400 }), fc.nat(399), (D, g) => {
        const gap = 1 + (g % D);
        const next = points(wheel(D, gap, gap - 1).next);
        const middle = next.reduce((sum, [px]) => sum + px, 0) / next.length;
        expect(middle).toBeCloseTo(220, 0);
        for (const [, py] of next) expect(py).toBeLessThan(202);
      }),
    );
  });

  test('numbers keep clear of the cutter and are of gaps there are', () => {
    for (const [D, gap] of [
      [73, 31],
      [7, 3],
      [360, 200],
      [5000, 17],
    ] as const) {
      const { numbers } = wheel(D, gap, gap - 1);
      expect(numbers.length).toBeLessThan(12);
      for (const n of numbers) {
        expect(Number(n.text)).toBeGreaterThanOrEqual(1);
        expect(Number(n.text)).toBeLessThanOrEqual(D);
        expect(Math.abs(n.x - 220) > 20 || n.y > 202).toBe(true);
      }
    }
  });

  test('gaps that were jumped over are not drawn as cut, wherever the work stands', () => {
    const some = new Set([1, 2, 20, 21, 22]);
    const w = cutWheel(44, 23, (g) => some.has(g), false, 220, 202, 148, 12);
    expect((w.cut.match(/L/g) ?? []).length).toBe(5 * 3);
    expect((w.cutSector.match(/Z/g) ?? []).length).toBe(2);
    expect((w.marks.match(/M/g) ?? []).length).toBe(44 - 5 - 1);
    expect((w.blank.match(/M/g) ?? []).length).toBe(2);
  });

  test('very many gaps are a sector, not a blur of teeth', () => {
    const many = wheel(5000, 2501, 2500);
    expect(many.cut.length).toBeLessThan(200);
    expect(many.marks).toBe('');
    expect(JSON.stringify(wheel(1, 1, 0))).not.toContain('NaN');
  });
});

describe('the rule under the tool', () => {
  const rule = (D: number, mark: number, done: number) =>
    cutRule(D, mark, (m) => m <= done, done >= D, 32, 408, 120);
  const lines = (path: string): number => path.split('M').length - 1;

  test('made, next and to go are all its marks; a long rule shows those about the tool', () => {
    const some = rule(21, 6, 5);
    expect([lines(some.made), lines(some.marks), lines(some.next)]).toEqual([5, 15, 1]);
    expect([some.at, some.goesOn, some.numbers.map((n) => n.text)]).toEqual([
      126,
      false,
      ['0', '5', '10', '15', '20'],
    ]);
    const long = rule(361, 200, 199);
    expect(lines(long.made) + lines(long.marks) + lines(long.next)).toBe(61);
    expect([long.at, long.goesOn]).toEqual([220, true]);
    expect(rule(361, 361, 361)).toMatchObject({ at: 408, next: '', marks: '' });
    expect(rule(1, 1, 0)).toMatchObject({ at: 32, made: '', goesOn: false });
  });
});
