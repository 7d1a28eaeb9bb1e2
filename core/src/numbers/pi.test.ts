import { expect, test } from '@jest/globals';
import { ceilTimesPi, compareToPi, roundTimesPi } from './pi.ts';
import { rational } from './rational.ts';

test('the old approximations stand on the right side of π', () => {
  expect(compareToPi(rational(22n, 7n))).toBe(1);
  expect(compareToPi(rational(333n, 106n))).toBe(-1);
  expect(compareToPi(rational(355n, 113n))).toBe(1);
  expect(compareToPi(rational(103993n, 33102n))).toBe(-1);
});

test('nothing is guessed however near to π: more of it is reckoned', () => {
  const digits = 3141592653589793238462643383279502884197169399375105820974944592307816406286n;
  // the next figures are 2089986…: less than a half of the last
  expect(compareToPi(rational(2n * digits + 1n, 2n * 10n ** 75n))).toBe(1);
  expect(compareToPi(rational(digits * 10n + 2n, 10n ** 76n))).toBe(-1);
  expect(compareToPi(rational(digits * 10n + 3n, 10n ** 76n))).toBe(1);
});

test('a number with more figures than were kept is rounded all the same', () => {
  const q = rational(10n ** 90n);
  expect(String(roundTimesPi(q, 1)).slice(0, 31)).toBe('3141592653589793238462643383279');
  expect(String(roundTimesPi(q, 1)).length).toBe(91);
  expect(roundTimesPi(rational(roundTimesPi(q, 1)), -1)).toBe(10n ** 90n);
});

test('ceilTimesPi rounds up', () => {
  expect(ceilTimesPi(rational(1n))).toBe(4n);
  expect(ceilTimesPi(rational(10n ** 9n))).toBe(3141592654n);
  expect(ceilTimesPi(rational(1n, 10n))).toBe(1n);
});
