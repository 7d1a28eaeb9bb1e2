/** The greatest whole number that goes into both. */
export function commonFactor(a: number, b: number): number {
  while (b !== 0) [a, b] = [b, a % b];
  return a;
}

/** What `whole`, exact in a double, leaves of a small whole number: without the slow remainder of doubles. Off by one only where the quotient was rounded up. */
function remainder(whole: number, small: number): number {
  const left = whole - Math.floor(whole / small) * small;
  return left < 0 ? left + small : left;
}

/** Primes whose product is a small whole number: a great number is divided once for all of them. */
interface PrimeGroup {
  readonly product: number;
  readonly primes: number[];
  /** times this, modulo 2³², a multiple of the prime is at most `most`, and nothing else is: one product tells instead of a division */
  readonly inverse: number[];
  readonly most: number[];
}

/** Whole numbers below this are divided fast. */
const SMALL = 2 ** 30;
const groupsKnown = new WeakMap<readonly number[], readonly PrimeGroup[]>();

function groupsOf(primes: readonly number[]): readonly PrimeGroup[] {
  const known = groupsKnown.get(primes);
  if (known) return known;
  const groups: { product: number; primes: number[]; inverse: number[]; most: number[] }[] = [];
  for (const p of primes) {
    let last = groups.at(-1);
    if (!last || last.product * p >= SMALL)
      groups.push((last = { product: 1, primes: [], inverse: [], most: [] }));
    last.product *= p;
    last.primes.push(p);
    // two has no inverse: shifted to the top only the last bit is left
    last.inverse.push(p === 2 ? -(2 ** 31) : inverseOf(p));
    last.most.push(p === 2 ? 0 : Math.floor((2 ** 32 - 1) / p));
  }
  groupsKnown.set(primes, groups);
  return groups;
}

/** What times an odd number is one modulo 2³²; each round doubles the bits that are right, from three. */
function inverseOf(odd: number): number {
  let out = odd;
  for (let round = 0; round < 4; round++) out = Math.imul(out, 2 - Math.imul(odd, out));
  return out;
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
      const left = remainder(whole, multiple) | 0;
      for (const n of some) if (left % n === 0) hits++;
      open -= some.length;
      if (hits + open < least) return hits;
    }
    return hits;
  };
}

const NONE: number[] = [];
/** Primes met in the number that is taken apart just now. */
const found = new Int32Array(64);

/** Every divisor of a number, up to `most`, whose primes are all among these; none when all of them together stay below `least`. */
export function divisorsUpTo(whole: number, most: number, primes: readonly number[], least = 0): number[] {
  let rest = whole;
  let count = 0;
  for (const group of groupsOf(primes)) {
    const left = remainder(rest, group.product) | 0;
    const { primes: some, inverse, most: limits } = group;
    for (let i = 0; i < some.length; i++) {
      if (Math.imul(left, inverse[i]!) >>> 0 > limits[i]!) continue;
      const p = some[i]!;
      found[count++] = p;
      do rest /= p;
      while (remainder(rest, p) === 0);
    }
  }
  if (whole / rest < least) return NONE;
  const out = [1];
  let smooth = whole / rest;
  for (let i = 0; i < count; i++) {
    const p = found[i]!;
    const before = out.length;
    let power = 1;
    while (smooth % p === 0) {
      smooth /= p;
      power *= p;
      if (power > most) continue;
      for (let j = 0; j < before; j++) if (out[j]! * power <= most) out.push(out[j]! * power);
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
