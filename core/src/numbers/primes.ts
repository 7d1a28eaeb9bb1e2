/**
 * Prime factors of a whole number ≥ 1, smallest first: factors(1094400n) is 2⁸·3²·5²·19; [] for 1. What is too hard to split stands in
 * it as one factor: it has no prime below a thousand million.
 */
export type Factors = ReadonlyMap<bigint, number>;

export function gcd(a: bigint, b: bigint): bigint {
  let [x, y] = [a < 0n ? -a : a, b < 0n ? -b : b];
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
}

/** Least common multiple of positive whole numbers; 1 for none. */
export const lcm = (all: Iterable<bigint>): bigint => {
  let out = 1n;
  for (const n of all) out = (out / gcd(out, n)) * n;
  return out;
};

const TRIAL_LIMIT = 5000n;

/** Steps of Pollard's rho before a number is left unsplit: a twentieth of a second, enough for any factor of nine figures. */
const MAX_STEPS = 24_000;

/** Numbers that were taken apart lately: a page asks for the same ones at every keystroke. */
const recent = new Map<bigint, Factors>();
const MAX_RECENT = 200;

/** Prime factorisation. Trial division, then Pollard's rho up to a bound, so that any number answers within a few frames. Throws a RangeError below 1. */
export function factors(n: bigint): Factors {
  const known = recent.get(n);
  if (known) return known;
  const made = takenApart(n);
  if (recent.size >= MAX_RECENT) recent.delete(recent.keys().next().value!);
  recent.set(n, made);
  return made;
}

function takenApart(n: bigint): Factors {
  if (n < 1n) throw new RangeError('only positive whole numbers have prime factors');
  const found: bigint[] = [];
  const rest = n <= Number.MAX_SAFE_INTEGER ? BigInt(trialSmall(Number(n), found)) : trial(n, found);
  if (rest > 1n) split(rest, found, { left: MAX_STEPS });
  found.sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  const out = new Map<bigint, number>();
  for (const p of found) out.set(p, (out.get(p) ?? 0) + 1);
  return out;
}

function trial(n: bigint, into: bigint[]): bigint {
  let rest = n;
  for (let p = 2n; p < TRIAL_LIMIT && p * p <= rest; p += p === 2n ? 1n : 2n)
    while (rest % p === 0n) {
      into.push(p);
      rest /= p;
    }
  return rest;
}

/** The same in doubles, which is many times faster and exact below 2⁵³. */
function trialSmall(n: number, into: bigint[]): number {
  let rest = n;
  for (let p = 2; p < TRIAL_LIMIT && p * p <= rest; p += p === 2 ? 1 : 2)
    while (rest % p === 0) {
      into.push(BigInt(p));
      rest /= p;
    }
  return rest;
}

/** Steps that may still be taken. */
interface Budget {
  left: number;
}

function split(n: bigint, into: bigint[], budget: Budget): void {
  if (n === 1n) return;
  if (n < TRIAL_LIMIT * TRIAL_LIMIT || isPrime(n)) {
    into.push(n);
    return;
  }
  const d = divisor(n, budget);
  if (d === null) {
    into.push(n);
    return;
  }
  split(d, into, budget);
  split(n / d, into, budget);
}

function power(base: bigint, exponent: bigint, mod: bigint): bigint {
  let [b, e, out] = [base % mod, exponent, 1n];
  while (e > 0n) {
    if (e & 1n) out = (out * b) % mod;
    b = (b * b) % mod;
    e >>= 1n;
  }
  return out;
}

const WITNESSES = [2n, 3n, 5n, 7n, 11n, 13n, 17n, 19n, 23n, 29n, 31n, 37n, 41n];

/** Miller–Rabin with the first thirteen primes: certain below 3.3·10²⁴, and beyond that no counterexample is known to matter here. */
export function isPrime(n: bigint): boolean {
  if (n < 2n) return false;
  for (const p of WITNESSES) if (n % p === 0n) return n === p;
  let [odd, twos] = [n - 1n, 0];
  while (odd % 2n === 0n) [odd, twos] = [odd / 2n, twos + 1];
  return WITNESSES.every((a) => {
    let x = power(a, odd, n);
    if (x === 1n || x === n - 1n) return true;
    for (let i = 1; i < twos; i++) if ((x = (x * x) % n) === n - 1n) return true;
    return false;
  });
}

/** Pollard's rho with Brent's batching; n is composite and has no small factor. null when the budget is spent. */
function divisor(n: bigint, budget: Budget): bigint | null {
  for (let c = 1n; ; c++) {
    const step = (v: bigint): bigint => (v * v + c) % n;
    let [slow, fast, d] = [2n, 2n, 1n];
    while (d === 1n) {
      if ((budget.left -= 64) < 0) return null;
      let batch = 1n;
      for (let i = 0; i < 64; i++) {
        slow = step(slow);
        fast = step(step(fast));
        const gap = slow > fast ? slow - fast : fast - slow;
        if (gap === 0n) break;
        batch = (batch * gap) % n;
      }
      d = batch === 1n ? gcd(slow - fast, n) : gcd(batch, n);
      if (d === 0n || slow === fast) break;
    }
    if (d > 1n && d < n) return d;
  }
}

/** How often p goes into n (n ≥ 1): valuation(360n, 2n) is 3. */
export function valuation(n: bigint, p: bigint): number {
  let [rest, times] = [n, 0];
  while (rest % p === 0n) [rest, times] = [rest / p, times + 1];
  return times;
}
