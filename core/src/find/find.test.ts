import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compare, div, ONE, product, rational, toText } from '../numbers/index.ts';
import { labelInterval, pairTrains, ratioInterval, runNow, simplestIn, wheelSets } from './index.ts';

describe('true ratio', () => {
  test('27469 ± 4 steps of 200 in ten turns leave [13.7325, 13.7365]', () => {
    const found = ratioInterval({
      perTurn: rational(200n),
      turns: rational(10n),
      steps: rational(27469n),
      error: rational(4n),
    })!;
    expect([toText(found.low), toText(found.high)]).toEqual(['5493/400', '27473/2000']);
    expect(simplestIn(found, 4).map(toText)).toEqual(['206/15', '467/34', '673/49', '728/53']);
    expect(compare(rational(151n, 11n), found.low)).toBe(-1);
  });

  test('an interval that reaches down to nothing is none', () => {
    const count = { perTurn: rational(200n), turns: ONE, steps: rational(3n), error: rational(3n) };
    expect(ratioInterval(count)).toBeNull();
    expect(labelInterval(rational(64n), rational(100n))).toBeNull();
    const one = labelInterval(rational(64n), rational(1n))!;
    expect([toText(one.low), toText(one.high)]).toEqual(['1584/25', '1616/25']);
  });
});

describe('trains of wheel pairs', () => {
  const [low, high] = [rational(27465n, 2000n), rational(27473n, 2000n)];

  test('two pairs of 8 to 60 make six ratios in it, the simplest first', () => {
    const found = runNow(pairTrains(low, high, { from: 8, to: 60 }, 2, 20));
    expect(found.map((t) => toText(t.ratio))).toEqual([
      '989/72',
      '1250/91',
      '1593/116',
      '1813/132',
      '2115/154',
      '2596/189',
    ]);
    expect(found[0]).toMatchObject({ driven: [43, 23], drivers: [9, 8] });
  });

  test('the same as plain loops over all wheels, for small ranges', () => {
    const range = fc.tuple(fc.integer({ min: 5, max: 9 }), fc.integer({ min: 10, max: 15 }));
    const ends = fc.tuple(fc.integer({ min: 20, max: 200 }), fc.integer({ min: 1, max: 60 }));
    fc.assert(
      fc.property(range, ends, ([from, to], [n, width]) => {
        const [a, b] = [rational(n, 100), rational(n + width, 100)];
        const best = new Map<string, number>();
        const wheels = Array.from({ length: to - from + 1 }, (_, i) => from + i);
        const see = (driven: readonly number[], drivers: readonly number[]): void => {
          const r = rational(
            driven.reduce((x, z) => x * z, 1),
            drivers.reduce((x, z) => x * z, 1),
          );
          if (compare(r, a) < 0 || compare(r, b) > 0) return;
          const cost = driven.length * 1000 + [...driven, ...drivers].reduce((x, z) => x + z, 0);
          best.set(toText(r), Math.min(cost, best.get(toText(r)) ?? Infinity));
        };
        for (const w of wheels) for (const x of wheels) see([w], [x]);
        for (const w of wheels)
          for (const x of wheels) for (const y of wheels) for (const z of wheels) see([w, x], [y, z]);
        const found = runNow(pairTrains(a, b, { from, to }, 2, 5000));
        expect(
          new Map(
            found.map((t) => [
              toText(t.ratio),
              t.driven.length * 1000 + [...t.driven, ...t.drivers].reduce((x, z) => x + z, 0),
            ]),
          ),
        ).toEqual(best);
        for (const t of found)
          expect(
            toText(
              div(product(t.driven.map((z) => rational(z))), product(t.drivers.map((z) => rational(z)))),
            ),
          ).toBe(toText(t.ratio));
        const order = found.map((t) => t.ratio);
        for (const [i, r] of order.entries()) {
          const next = order[i + 1];
          if (next) expect(r.d < next.d || (r.d === next.d && r.n < next.n)).toBe(true);
        }
      }),
      { numRuns: 25 },
    );
  });

  test('no wheels, no trains; a range that is none is the caller’s slip', () => {
    expect(runNow(pairTrains(rational(1000n), rational(1001n), { from: 8, to: 10 }, 2, 5))).toEqual([]);
    expect(() => runNow(pairTrains(low, high, { from: 9, to: 8 }, 2, 5))).toThrow(RangeError);
    expect(() => runNow(pairTrains(low, high, { from: 8, to: 400 }, 4, 5))).toThrow(RangeError);
    expect([wheelSets({ from: 8, to: 60 }, 4), wheelSets({ from: 5, to: 5 }, 3)]).toEqual([367_290, 1]);
  });

  test('where simple fractions find none, all products are laid against each other', () => {
    // Between two neighbours only great denominators lie.
    const r = rational(59n * 53n * 47n, 60n * 58n * 43n);
    const off = rational(1n, 10n ** 9n);
    const found = runNow(
      pairTrains(
        rational(r.n * off.d - r.d * off.n, r.d * off.d),
        rational(r.n * off.d + r.d * off.n, r.d * off.d),
        { from: 40, to: 60 },
        3,
        5,
      ),
    );
    expect(found.map((t) => toText(t.ratio))).toContain(toText(r));
  });
});
