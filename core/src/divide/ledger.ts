import { equal, factors, type Rational } from '../numbers/index.ts';
import type { Part } from '../drive/index.ts';
import type { Grade } from '../motion/index.ts';
import type { Division } from './divisions.ts';

/** How often each prime goes into something; negative where it divides away. */
export type Exponents = ReadonlyMap<bigint, number>;

export interface Supply {
  readonly label: string;
  readonly factor: Rational;
  /** how many equal parts this row stands for; the factor is that of one of them, the exponents are those of all */
  readonly times: number;
  readonly exponents: Exponents;
}

export interface Demand {
  readonly divisions: number;
  readonly exponents: Exponents;
  readonly grade: Grade;
}

/**
 * What each part of the train brings, what each division asks, what is short. Rows of data, primes ascending.
 * (handbook: divide, the factor ledger)
 */
export interface Ledger {
  readonly primes: readonly bigint[];
  readonly supply: readonly Supply[];
  readonly has: Exponents;
  readonly demand: readonly Demand[];
  /** how many times each prime is missing, only those that are */
  readonly short: Exponents;
}

/** The prime exponents of a rational above 0. */
export function exponentsOf(r: Rational): Exponents {
  const out = new Map<bigint, number>(factors(r.n));
  for (const [p, e] of factors(r.d)) out.set(p, (out.get(p) ?? 0) - e);
  return out;
}

/** The prime exponents of the least common multiple of the counts, without ever forming it. */
export function needOf(counts: readonly number[]): Exponents {
  const need = new Map<bigint, number>();
  for (const count of counts)
    for (const [p, e] of factors(BigInt(count))) if (e > (need.get(p) ?? 0)) need.set(p, e);
  return need;
}

/** The same parts again and again, as in a great reduction, stand once: so many times. */
const FOLDED_FROM = 3;
/** Parts of one stage at most. */
const MAX_PERIOD = 6;

/** The parts with repeated blocks of them as one: each row then tells how often. */
export function foldedParts(parts: readonly Part[]): readonly (Part & { readonly times: number })[] {
  const same = (a: Part | undefined, b: Part | undefined): boolean =>
    a !== undefined && b !== undefined && a.label === b.label && equal(a.factor, b.factor);
  const out: (Part & { readonly times: number })[] = [];
  for (let at = 0; at < parts.length;) {
    let [period, times] = [1, 1];
    for (let p = 1; p <= MAX_PERIOD; p++) {
      let n = 1;
      while (parts.slice(at, at + p).every((part, i) => same(part, parts[at + n * p + i]))) n++;
      if (n >= FOLDED_FROM && n * p > times * period) [period, times] = [p, n];
    }
    for (const part of parts.slice(at, at + period)) out.push({ ...part, times });
    at += period * times;
  }
  return out;
}

/** Demand rows beyond this are summed in `short` all the same, but not listed. */
export const LISTED_DEMANDS = 12;

export function ledger(parts: readonly Part[], divisions: readonly Division[]): Ledger {
  const supply = foldedParts(parts).map((part) => ({
    ...part,
    exponents: new Map([...exponentsOf(part.factor)].map(([p, e]) => [p, e * part.times])),
  }));
  const has = new Map<bigint, number>();
  for (const row of supply) for (const [p, e] of row.exponents) has.set(p, (has.get(p) ?? 0) + e);
  const need = needOf(divisions.map((d) => d.divisions));
  const short = new Map<bigint, number>();
  for (const p of new Set([...need.keys(), ...has.keys()])) {
    const missing = (need.get(p) ?? 0) - (has.get(p) ?? 0);
    if (missing > 0) short.set(p, missing);
  }
  const demand = divisions
    .slice(0, LISTED_DEMANDS)
    .map((d) => ({ divisions: d.divisions, grade: d.grade, exponents: factors(BigInt(d.divisions)) }));
  const primes = [...new Set([...has.keys(), ...need.keys()])].sort((a, b) => (a < b ? -1 : 1));
  return { primes, supply, has, demand, short };
}

/** The primes worth a column when there is room for `room`: those that are short first, then the smallest; ascending. */
export function columnsOf(
  l: Ledger,
  room: number,
): { readonly shown: readonly bigint[]; readonly more: number } {
  if (l.primes.length <= room) return { shown: l.primes, more: 0 };
  const ranked = [...l.primes].sort(
    (a, b) => Number(l.short.has(b)) - Number(l.short.has(a)) || (a < b ? -1 : 1),
  );
  const shown = ranked.slice(0, room - 1).sort((a, b) => (a < b ? -1 : 1));
  return { shown, more: l.primes.length - shown.length };
}

/** Wheels of 12 to 200 teeth that bring a missing prime power: for 19 → 19, 38, 57, … at most `most` of them. */
export function wheelsWith(prime: bigint, times: number, most: number): readonly bigint[] {
  const base = prime ** BigInt(times);
  const out: bigint[] = [];
  for (let z = base; z <= 200n && out.length < most; z += base) if (z >= 12n) out.push(z);
  return out;
}
