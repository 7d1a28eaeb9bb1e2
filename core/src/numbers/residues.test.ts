import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { firstInRange, worstResidue } from './residues.ts';

const modulus = fc.integer({ min: 2, max: 400 });

describe('residues', () => {
  test('firstInRange agrees with walking', () => {
    fc.assert(
      fc.property(modulus, fc.nat(399), fc.nat(399), fc.nat(399), (m, a0, x, y) => {
        const [a, low, high] = [a0 % m, Math.min(x % m, y % m), Math.max(x % m, y % m)];
        let plain: number | null = null;
        for (let i = 0; i < m && plain === null; i++)
          if ((a * i) % m >= low && (a * i) % m <= high) plain = i;
        const found = firstInRange(BigInt(a), BigInt(m), BigInt(low), BigInt(high));
        expect(found === null ? null : Number(found)).toBe(plain);
      }),
      { numRuns: 3000 },
    );
  });

  test('worstResidue agrees with walking', () => {
    fc.assert(
      fc.property(modulus, fc.nat(399), fc.nat(500), (b, a0, last) => {
        const a = a0 % b;
        let plain = 0;
        for (let i = 0; i <= last; i++) plain = Math.max(plain, Math.min((a * i) % b, b - ((a * i) % b)));
        expect(Number(worstResidue(BigInt(a), BigInt(b), BigInt(last)))).toBe(plain);
      }),
      { numRuns: 2000 },
    );
  });
});
