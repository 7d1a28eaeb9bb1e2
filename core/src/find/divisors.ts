import { factors } from '../numbers/index.ts';

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
  for (const wheel of wheels) for (const p of factors(BigInt(wheel)).keys()) out.add(Number(p));
  return [...out].sort((a, b) => a - b);
}
