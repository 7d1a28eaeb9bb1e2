import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compare, rational, toText, type Rational } from './rational.ts';
import { simplestFirst } from './simplest.ts';

const take = (n: number, low: Rational, high: Rational): Rational[] => {
  const out: Rational[] = [];
  for (const r of simplestFirst(low, high)) {
    out.push(r);
    if (out.length === n) break;
  }
  return out;
};

describe('the simplest fractions of an interval', () => {
  test('206/15, 467/34, 673/49, 728/53 lie in [13.7325, 13.7365]', () => {
    expect(take(4, rational(27465n, 2000n), rational(27473n, 2000n)).map(toText)).toEqual([
      '206/15',
      '467/34',
      '673/49',
      '728/53',
    ]);
  });

  test('both ends are in it, and one point alone is all there is', () => {
    expect(take(3, rational(5n), rational(5n)).map(toText)).toEqual(['5']);
    expect(take(9, rational(151n, 11n), rational(151n, 11n)).map(toText)).toEqual(['151/11']);
    expect(take(3, rational(1n, 3n), rational(1n, 2n)).map(toText)).toEqual(['1/2', '1/3', '2/5']);
    expect(take(3, rational(2n), rational(4n)).map(toText)).toEqual(['2', '3', '4']);
  });

  test('as plain trying of every denominator, order and all', () => {
    const above0 = fc.tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 20 }));
    fc.assert(
      fc.property(above0, above0, ([a, b], [c, d]) => {
        const [x, y] = [rational(a, b), rational(c, d)];
        const [low, high] = compare(x, y) <= 0 ? [x, y] : [y, x];
        const want: string[] = [];
        for (let q = 1n; q <= 30n; q++)
          for (let p = (low.n * q + low.d - 1n) / low.d; p * high.d <= high.n * q; p++) {
            const r = rational(p, q);
            if (r.d === q) want.push(toText(r));
          }
        const got = take(12, low, high).map(toText);
        expect(got.slice(0, Math.min(want.length, 12))).toEqual(want.slice(0, got.length));
      }),
      { numRuns: 60 },
    );
  });

  test('a sliver of an interval is no slower than a wide one', () => {
    const low = rational(10n ** 20n, 10n ** 20n + 7n);
    const high = rational(10n ** 20n + 1n, 10n ** 20n + 7n);
    expect(take(3, low, high).length).toBe(3);
  });

  test('0, and an interval that runs backwards, are the caller’s slip', () => {
    expect(() => take(1, rational(0n), rational(1n))).toThrow(RangeError);
    expect(() => take(1, rational(2n), rational(1n))).toThrow(RangeError);
  });
});
