import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { comparePi, divPi, piText, piToNumber, piValue, roundPi, scalePi } from './pi-value.ts';
import { rational } from './rational.ts';

describe('q times a power of π', () => {
  test('π over π is gone, over a rational it stays', () => {
    const rack = piValue(rational(20n), 1);
    expect(divPi(piValue(rational(40n), 1), rack)).toEqual(piValue(rational(2n)));
    expect(piText(divPi(piValue(rational(1n)), rack))).toBe('1/(20·π)');
    expect(piText(rack)).toBe('20·π');
    expect(piText(piValue(rational(1n), 1))).toBe('π');
    expect(piText(piValue(rational(800n), -1))).toBe('800/π');
    expect(piText(piValue(rational(-1n, 3n)))).toBe('-1/3');
    expect(() => divPi(rack, piValue(rational(1n), -1))).toThrow(RangeError);
    expect(piValue(rational(0n), 1).piPower).toBe(0);
  });

  test('comparing and rounding are exact where floating point is not', () => {
    const power = fc.constantFrom(-1 as const, 0 as const, 1 as const);
    const q = fc.tuple(fc.integer({ min: 1, max: 1_000_000 }), fc.integer({ min: 1, max: 1000 }));
    fc.assert(
      fc.property(q, power, q, ([n, d], p, [m, e]) => {
        const a = piValue(rational(n, d), p);
        const gap = piToNumber(a) - m / e;
        if (Math.abs(gap) > 1e-6 * (m / e)) expect(comparePi(a, rational(m, e))).toBe(Math.sign(gap));
        const near = roundPi(a);
        expect(Math.abs(Number(near) - piToNumber(a))).toBeLessThanOrEqual(0.5 + 1e-6);
        expect(piToNumber(scalePi(a, rational(2n)))).toBeCloseTo(2 * piToNumber(a), 3);
      }),
    );
    expect(roundPi(piValue(rational(5n, 2n)))).toBe(3n);
    expect(roundPi(piValue(rational(0n), 1))).toBe(0n);
    // A whole number of steps that a double would put a half too far.
    expect(roundPi(piValue(rational(10n ** 30n), 1))).toBe(3141592653589793238462643383280n);
  });
});
