import { expect, test } from '@jest/globals';
import { ceilTimesPi, compareToPi } from './pi.ts';
import { rational } from './rational.ts';

test('the old approximations stand on the right side of π', () => {
  expect(compareToPi(rational(22n, 7n))).toBe(1);
  expect(compareToPi(rational(333n, 106n))).toBe(-1);
  expect(compareToPi(rational(355n, 113n))).toBe(1);
  expect(compareToPi(rational(103993n, 33102n))).toBe(-1);
});

test('nothing is guessed within the last digit', () => {
  const digits = 3141592653589793238462643383279502884197169399375105820974944592307816406286n;
  expect(() => compareToPi(rational(2n * digits + 1n, 2n * 10n ** 75n))).toThrow(RangeError);
});

test('ceilTimesPi rounds up', () => {
  expect(ceilTimesPi(rational(1n))).toBe(4n);
  expect(ceilTimesPi(rational(10n ** 9n))).toBe(3141592654n);
  expect(ceilTimesPi(rational(1n, 10n))).toBe(1n);
});
