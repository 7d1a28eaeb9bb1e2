/** The greatest whole number that goes into both. */
export function commonFactor(a: number, b: number): number {
  while (b !== 0) [a, b] = [b, a % b];
  return a;
}

/** Primes whose product is a small whole number: a great number is divided once for all of them. */
interface PrimeGroup {
  readonly product: number;
  readonly primes: readonly number[];
}

/** Whole numbers below this are divided fast. */
const SMALL = 2 ** 30;
const groupsKnown = new WeakMap<readonly number[], readonly PrimeGroup[]>();

function groupsOf(primes: readonly number[]): readonly PrimeGroup[] {
  const known = groupsKnown.get(primes);
  if (known) return known;
  const groups: { product: number; primes: number[] }[] = [];
  for (const p of primes) {
    const last = groups.at(-1);
    if (last && last.product * p < SMALL) {
      last.product *= p;
      last.primes.push(p);
    } else groups.push({ product: p, primes: [p] });
  }
  groupsKnown.set(primes, groups);
  return groups;
}

/**
 * How many of these numbers go into another: it is divided once for as many of them as have a small common multiple. What cannot
 * reach `least` any more is not counted to its end.
 */
export function hitsOf(numbers: readonly number[]): (whole: number, least?: number) => number {
  const groups: { multiple: number; numbers: number[] }[] = [];
  for (const n of numbers) {
    const last = groups.at(-1);
    const both = last ? (last.multiple / commonFactor(last.multiple, n)) * n : Infinity;
    if (last && both < SMALL) {
      last.multiple = both;
      last.numbers.push(n);
    } else groups.push({ multiple: n, numbers: [n] });
  }
  return (whole, least = 0) => {
    let hits = 0;
    let open = numbers.length;
    for (const { multiple, numbers: some } of groups) {
      const left = whole % multiple;
      for (const n of some) if (left % n === 0) hits++;
      open -= some.length;
      if (hits + open < least) return hits;
    }
    return hits;
  };
}

const NONE: number[] = [];

/** Every divisor of a number, up to `most`, whose primes are all among these; none when all of them together stay below `least`. */
export function divisorsUpTo(whole: number, most: number, primes: readonly number[], least = 0): number[] {
  let rest = whole;
  const found: number[] = [];
  for (const group of groupsOf(primes)) {
    const left = (rest % group.product) | 0;
    for (const p of group.primes)
      if (left % p === 0) {
        found.push(p);
        while (rest % p === 0) rest /= p;
      }
  }
  if (whole / rest < least) return NONE;
  const out = [1];
  let smooth = whole / rest;
  for (const p of found) {
    const before = out.length;
    let power = 1;
    while (smooth % p === 0) {
      smooth /= p;
      power *= p;
      if (power > most) continue;
      for (let i = 0; i < before; i++) if (out[i]! * power <= most) out.push(out[i]! * power);
    }
  }
  return out;
}

/** The primes that go into any of these wheels, ascending. */
export function primesOf(wheels: Iterable<number>): readonly number[] {
  const out = new Set<number>();
  for (const wheel of wheels) {
    let rest = wheel;
    for (let p = 2; p * p <= rest; p++)
      while (rest % p === 0) {
        out.add(p);
        rest /= p;
      }
    if (rest > 1) out.add(rest);
  }
  return [...out].sort((a, b) => a - b);
}
