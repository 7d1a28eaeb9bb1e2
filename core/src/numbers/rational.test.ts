import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  add,
  compare,
  decimal,
  div,
  exactly,
  floor,
  floorDiv,
  frac,
  isWhole,
  mul,
  neg,
  parseRational,
  rational,
  round,
  sub,
  toNumber,
  toText,
} from './rational.ts';

const whole = fc.bigInt({ min: -(10n ** 24n), max: 10n ** 24n });
const some = fc.tuple(whole, fc.bigInt({ min: 1n, max: 10n ** 12n })).map(([n, d]) => rational(n, d));

describe('rational', () => {
  test('is in lowest terms and cannot be written to', () => {
    const r = rational(76n, 20n);
    expect(toText(r)).toBe('19/5');
    expect(() => Object.assign(r, { n: 1n })).toThrow(TypeError);
  });

  test.each([
    ['5/2', 3n],
    ['-5/2', -2n],
    ['1/2', 1n],
    ['-1/2', 0n],
    ['7/3', 2n],
    ['-7/3', -2n],
    ['4', 4n],
  ])('round(%s) is %s: halves go up', (text, want) => {
    expect(round(exactly(text))).toBe(want);
  });

  test('round(x + n) is round(x) + n', () => {
    fc.assert(
      fc.property(
        some,
        fc.bigInt({ min: -1000n, max: 1000n }),
        (x, n) => round(add(x, rational(n))) === round(x) + n,
      ),
    );
  });

  test('frac(−1/6) is 5/6, floor(−1/6) is −1', () => {
    expect(toText(frac(exactly('-1/6')))).toBe('5/6');
    expect(floor(exactly('-1/6'))).toBe(-1n);
    expect(floorDiv(-6n, 6n)).toBe(-1n);
  });

  test.each([
    ['76/20', '19/5'],
    ['0.9', '9/10'],
    ['86164.0905', '172328181/2000'],
    ['-46', '-46'],
    ['+3', '3'],
    ['0.9/2', '9/20'],
    ['1/0.5', '2'],
  ])('%s is read as %s', (text, want) => {
    expect(toText(parseRational(text)!)).toBe(want);
  });

  test.each(['', ' 1', '1e9', '1/0', '0x10', 'NaN', 'Infinity', '1.', '.5', '1/2/3', '--1', '1'.repeat(500)])(
    '%s is not an exact number',
    (text) => {
      expect(parseRational(text)).toBeNull();
      expect(() => exactly(text)).toThrow(RangeError);
    },
  );

  test('text reads back as the same number', () => {
    fc.assert(fc.property(some, (x) => compare(parseRational(toText(x))!, x) === 0));
  });

  test('arithmetic undoes itself', () => {
    fc.assert(
      fc.property(some, some, (a, b) => {
        expect(toText(sub(add(a, b), b))).toBe(toText(a));
        if (b.n !== 0n) expect(toText(div(mul(a, b), b))).toBe(toText(a));
        expect(toText(neg(neg(a)))).toBe(toText(a));
      }),
    );
  });

  test('division by nothing throws', () => {
    expect(() => div(rational(1n), rational(0n))).toThrow(RangeError);
    expect(() => rational(1n, 0n)).toThrow(RangeError);
  });

  test.each([
    ['2/3', 2, '0.67'],
    ['-1/8', 2, '-0.13'],
    ['1/200', 2, '0.01'],
    ['-1/1000', 2, '0.00'],
    ['5', 0, '5'],
    ['999/100', 1, '10.0'],
    ['1/3', 4, '0.3333'],
  ])('decimal(%s, %i) is %s', (text, places, want) => {
    expect(decimal(exactly(text), places)).toBe(want);
  });

  test('toNumber holds far beyond the range of a double', () => {
    const huge = rational(10n ** 400n + 1n, 10n ** 399n);
    expect(toNumber(huge)).toBeCloseTo(10, 10);
    expect(toNumber(rational(-1n, 3n))).toBe(-1 / 3);
    expect(toNumber(rational(1n, 10n ** 400n))).toBe(0);
    expect(isWhole(huge)).toBe(false);
  });

  test('toNumber is the nearest double: what a double is written as is that double again', () => {
    expect(toNumber(exactly('0.11666666666666667'))).toBe(0.11666666666666667);
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e20, noNaN: true }), fc.boolean(), (size, below) => {
        const x = below ? -size : size;
        expect(toNumber(exactly(String(x)))).toBe(x);
      }),
    );
  });
});
