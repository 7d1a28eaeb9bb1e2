import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { factors, gcd, isPrime, lcm, valuation } from './primes.ts';

const flat = (n: bigint): string => [...factors(n)].map(([p, e]) => `${p}^${e}`).join(' ');

describe('primes', () => {
  test.each([
    [1n, ''],
    [2n, '2^1'],
    [1094400n, '2^8 3^2 5^2 19^1'],
    [7081n, '73^1 97^1'],
    [1_000_000_007n * 998_244_353n, '998244353^1 1000000007^1'],
    [4999n ** 2n, '4999^2'],
    [5003n ** 3n, '5003^3'],
  ] as [bigint, string][])('%s is %s', (n, want) => {
    expect(flat(n)).toBe(want);
  });

  test('factors multiply back, and each is prime', () => {
    fc.assert(
      fc.property(fc.bigInt({ min: 1n, max: 10n ** 15n }), (n) => {
        let back = 1n;
        for (const [p, e] of factors(n)) {
          expect(isPrime(p)).toBe(true);
          back *= p ** BigInt(e);
        }
        return back === n;
      }),
      { numRuns: 60 },
    );
  });

  test('isPrime agrees with trial division', () => {
    for (let n = 0n; n < 3000n; n++) {
      let plain = n > 1n;
      for (let d = 2n; d * d <= n; d++) if (n % d === 0n) plain = false;
      expect(isPrime(n)).toBe(plain);
    }
  });

  test('strong pseudoprimes to few bases are seen through', () => {
    expect(isPrime(3215031751n)).toBe(false);
    expect(isPrime(341550071728321n)).toBe(false);
  });

  test('any number of a hundred figures answers, and multiplies back', () => {
    const hard = 1757555998048814020464990342451635348638313371n;
    const semi = (10n ** 24n + 7n) * (10n ** 25n + 13n);
    for (const n of [hard, semi, semi ** 2n, 10n ** 99n + 289n]) {
      const back = [...factors(n)].reduce((product, [p, e]) => product * p ** BigInt(e), 1n);
      expect(back).toBe(n);
    }
    // what was found once is not looked for again
    expect(factors(semi)).toBe(factors(semi));
  });

  test('gcd, lcm and valuation', () => {
    expect(gcd(-84n, 30n)).toBe(6n);
    expect(lcm([57n, 58n, 59n, 60n, 73n, 97n])).toBe(13811773740n);
    expect(lcm([])).toBe(1n);
    expect(valuation(360n, 2n)).toBe(3);
    expect(() => factors(0n)).toThrow(RangeError);
  });
});
