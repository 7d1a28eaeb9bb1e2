import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  abs,
  compare,
  div,
  exactly,
  mul,
  ONE,
  rational,
  sub,
  toText,
  type Rational,
} from '../numbers/index.ts';
import { runNow, twoBranches, type TwoAsked, type TwoBranches, type TwoPair } from './index.ts';

const asked = (a: string, b: string, ppm: number, from: number, to: number, count = 8): TwoAsked => ({
  wanted: [exactly(a), exactly(b)],
  within: rational(ppm, 1_000_000),
  teeth: { from, to },
  count,
});
const ratio = (pairs: readonly TwoPair[]): Rational =>
  pairs.reduce((r, [a, b]) => mul(r, rational(b, a)), ONE);
const told = ({ first, second, shares, wheels }: TwoBranches): string =>
  `${wheels} ${shares} ${first.map((p) => p.join(':')).join(' ')} | ${second.map((p) => p.join(':')).join(' ')}`;

describe('two branches from one shaft', () => {
  test('1 : 3 and 1 : 4 with one wheel for both: three wheels, the fewest teeth first', () => {
    const rows = runNow(twoBranches(asked('3', '4', 0, 10, 80)));
    expect(told(rows[0]!)).toBe('3 wheel 10:30 | 10:40');
    expect(rows[0]!.teeth).toBe(80);
  });

  test('1 : 1 and 5 : 4 of 5 to 12 teeth: the wheel of 10 that both need is not among the smallest', () => {
    expect(told(runNow(twoBranches(asked('1', '4/5', 0, 5, 12)))[0]!)).toBe('3 wheel 10:10 | 10:8');
  });

  test('the one output on the way to the other: 3 and 12 with four wheels', () => {
    const rows = runNow(twoBranches(asked('3', '12', 0, 10, 60)));
    expect(rows[0]).toMatchObject({ wheels: 4, shares: 'pair' });
    expect(toText(ratio(rows[0]!.first))).toBe('3');
    expect(toText(ratio(rows[0]!.second))).toBe('12');
  });

  test('hour and moon hands, 12 and 59.061178 within 50 ppm', () => {
    const rows = runNow(twoBranches(asked('12', '59.061178', 50, 8, 90, 5)));
    expect(rows.length).toBeGreaterThan(0);
    for (const r of rows) {
      expect(Math.abs(Number(r.off[0].n) / Number(r.off[0].d))).toBeLessThanOrEqual(50e-6);
      expect(Math.abs(Number(r.off[1].n) / Number(r.off[1].d))).toBeLessThanOrEqual(50e-6);
    }
  });

  test('a stop ends it with what it has', () => {
    const search = twoBranches(asked('12', '59.061178', 50, 8, 120));
    search.next(false);
    expect(search.next(true).done).toBe(true);
  });

  /** All of one or two pairs, written out. */
  function plainBest({ wanted, within, teeth: { from, to } }: TwoAsked): number | null {
    const range = Array.from({ length: to - from + 1 }, (_, i) => from + i);
    const pairs = range.flatMap((a) => range.map((b): TwoPair => [a, b]));
    const fits = (chain: readonly TwoPair[], w: Rational): boolean =>
      compare(abs(sub(div(ratio(chain), w), ONE)), within) <= 0;
    const chains = [...pairs.map((p) => [p]), ...pairs.flatMap((p) => pairs.map((q) => [p, q]))];
    const [as, bs] = wanted.map((w) => chains.filter((c) => fits(c, w)));
    let least: number | null = null;
    for (const a of as!)
      for (const b of bs!) {
        const same = a[0]![0] === b[0]![0] && a[0]![1] === b[0]![1] && (a.length > 1 || b.length > 1);
        const wheels = 2 * (a.length + b.length) - (same ? 2 : a[0]![0] === b[0]![0] ? 1 : 0);
        // eight wheels, nothing shared, are two searches of one train
        if (
          wheels < 8 &&
          !(wheels === 6 && !same && a.length + b.length === 3) &&
          (least === null || wheels < least)
        )
          least = wheels;
      }
    return least;
  }

  test('no fewer wheels than all of them written out', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: 5, max: 12 }), fc.integer({ min: 5, max: 12 })),
        fc.tuple(fc.integer({ min: 20, max: 90 }), fc.integer({ min: 5, max: 40 })),
        ([a, b], [c, d]) => {
          const ask = asked(`${b}/${a}`, `${c}/${d}`, 0, 5, 12, 3);
          const [best] = runNow(twoBranches(ask));
          expect(best?.wheels ?? null).toBe(plainBest(ask));
        },
      ),
      { numRuns: 30 },
    );
  });
});
