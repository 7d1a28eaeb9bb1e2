import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { toText } from '../numbers/index.ts';
import { knownBoxes } from './boxes.ts';
import { checkPairs, pairsRatio, pairsText, readPairs } from './pairs.ts';

const code = (r: ReturnType<typeof readPairs>): string => (r.ok ? 'taken' : r.refusal.code);

describe('tooth pairs of a box', () => {
  test('are written driver : driven, with whatever between', () => {
    const want = {
      ok: true,
      value: [
        [9, 32],
        [11, 22],
      ],
    };
    for (const text of ['9:32, 11:22', '9 : 32; 11 : 22', '9:32 · 11:22', '9:32 * 11:22'])
      expect(readPairs(text)).toEqual(want);
  });

  test('as text and back', () => {
    const pair = fc.tuple(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 400 }));
    fc.assert(
      fc.property(fc.array(pair, { minLength: 1, maxLength: 12 }), (pairs) => {
        expect(readPairs(pairsText(pairs))).toEqual({ ok: true, value: pairs });
        expect(checkPairs(pairs)).toEqual({ ok: true, value: pairs });
      }),
    );
  });

  test.each([
    ['', 'empty'],
    ['9', 'notPair'],
    ['9:32:1', 'notPair'],
    ['9:x', 'notNumber'],
    ['9:0', 'zero'],
    ['-9:32', 'negative'],
    ['9:2.5', 'notWhole'],
    ['9:99999', 'tooLarge'],
    [Array(13).fill('1:2').join(), 'tooManyPairs'],
  ])('%j is refused: %s', (text, want) => expect(code(readPairs(text))).toBe(want));

  test.each<[unknown, string, string]>([
    [[], 'empty', ''],
    ['9:32', 'notList', ''],
    [[[9, 32], 7], 'notPair', '[1]'],
    [[[9, '32']], 'notNumber', '[0]'],
    [[[9, 1.5]], 'notWhole', '[0]'],
    [Array(13).fill([1, 2]), 'tooManyPairs', ''],
  ])('%j in a file is refused: %s', (value, want, path) => {
    const read = checkPairs(value);
    expect(read.ok ? ['taken'] : [read.refusal.code, read.refusal.path]).toEqual([want, path]);
  });
});

test('the boxes that are often met are near what their labels say, and none of them is it', () => {
  for (const box of knownBoxes) {
    const r = pairsRatio(box.pairs);
    const value = Number(r.n) / Number(r.d);
    expect(Math.abs(value / Number(box.label) - 1)).toBeLessThan(0.025);
    expect(toText(r)).not.toBe(box.label);
  }
  expect(toText(pairsRatio(knownBoxes[0]!.pairs))).toBe('25792/405');
});
