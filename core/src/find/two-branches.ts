import { abs, compare, div, mul, ONE, rational, sub, toNumber, type Rational } from '../numbers/index.ts';
import type { Search } from './search.ts';
import type { Teeth } from './wheel-pairs.ts';

/** Driver and driven teeth. */
export type TwoPair = readonly [number, number];

/** Trains of two branches that leave one shaft, with what they share. */
export interface TwoBranches {
  /** pairs from the shaft to either output, the nearest first; a shared pair stands in both */
  readonly first: readonly TwoPair[];
  readonly second: readonly TwoPair[];
  /** nothing, the wheel on the shaft, or the whole first pair */
  readonly shares: 'nothing' | 'wheel' | 'pair';
  readonly wheels: number;
  readonly teeth: number;
  /** ratio/wanted − 1 of either, parts of 1, exact */
  readonly off: readonly [Rational, Rational];
}

/** Two magnitudes of ratio, turns of the shaft for one of either output, and how far they may be off, parts of 1. */
export interface TwoAsked {
  readonly wanted: readonly [Rational, Rational];
  readonly within: Rational;
  readonly teeth: Teeth;
  readonly count: number;
}

interface Ratio {
  readonly value: number;
  readonly pairs: readonly TwoPair[];
}

/** Doubles choose, rationals decide: a window wider than asked by this part loses nothing. */
const MARGIN = 1e-9;
/** Pairs of one ratio that are tried where none of their wheels is shared: those with the fewest teeth. */
const ALIKE = 3;

/** Every ratio that one pair makes, in order, each with the pairs that make it, no more than `alike`. */
function ratiosOf({ from, to }: Teeth, alike: number): readonly Ratio[] {
  const by = new Map<number, TwoPair[]>();
  for (let a = from; a <= to; a++)
    for (let b = from; b <= to; b++) {
      const list = by.get(b / a);
      if (!list) by.set(b / a, [[a, b]]);
      else if (list.length < alike) list.push([a, b]);
    }
  return [...by].sort(([p], [q]) => p - q).map(([value, pairs]) => ({ value, pairs }));
}

/** The pairs whose ratio lies within a part of a value. */
function near(ratios: readonly Ratio[], value: number, part: number): readonly TwoPair[] {
  const [low, high] = [value * (1 - part - MARGIN), value * (1 + part + MARGIN)];
  let [a, b] = [0, ratios.length];
  while (a < b) {
    const middle = (a + b) >> 1;
    if (ratios[middle]!.value < low) a = middle + 1;
    else b = middle;
  }
  const out: TwoPair[] = [];
  for (let i = a; i < ratios.length && ratios[i]!.value <= high; i++) out.push(...ratios[i]!.pairs);
  return out;
}

const ratioOf = (pairs: readonly TwoPair[]): Rational =>
  pairs.reduce((r, [a, b]) => mul(r, rational(b, a)), ONE);

/**
 * Two branches from one shaft, of one or two pairs each, with the fewest wheels: a wheel on the shaft may drive both, and a first pair may
 * be common to both. In order of wheels, then of teeth; exact. Gives way now and then, and ends with what it has when it is told to stop.
 * (handbook: find; drive, more than one train)
 */
export function* twoBranches({ wanted, within, teeth, count }: TwoAsked): Search<readonly TwoBranches[]> {
  const [a, b] = wanted.map((r) => abs(r)) as [Rational, Rational];
  const [va, vb] = [toNumber(a), toNumber(b)];
  const part = toNumber(within);
  const found = new Map<string, TwoBranches>();
  const keep = (
    first: readonly TwoPair[],
    second: readonly TwoPair[],
    shares: TwoBranches['shares'],
  ): void => {
    const off = [sub(div(ratioOf(first), a), ONE), sub(div(ratioOf(second), b), ONE)] as const;
    if (off.some((o) => compare(abs(o), within) > 0)) return;
    const pairs = shares === 'pair' ? [...first, ...second.slice(1)] : [...first, ...second];
    const one = shares === 'wheel' ? 1 : 0;
    const all = pairs.flat();
    const made: TwoBranches = {
      first,
      second,
      shares,
      wheels: all.length - one,
      teeth: all.reduce((x, y) => x + y, 0) - one * first[0]![0],
      off,
    };
    const key = JSON.stringify([first, second]);
    const known = found.get(key);
    if (!known || made.wheels < known.wheels) found.set(key, made);
  };
  const best = (): readonly TwoBranches[] =>
    [...found.values()]
      .sort((x, y) => x.wheels - y.wheels || x.teeth - y.teeth || order(x, y))
      .slice(0, count);
  /** nothing with so many wheels can still come among those that are kept */
  const enough = (wheels: number): boolean => {
    const kept = best();
    return kept.length >= count && kept.at(-1)!.wheels < wheels;
  };

  const all = ratiosOf(teeth, ALIKE);
  const pairs = all.flatMap((r) => r.pairs);
  // a wheel may be common only to pairs with many teeth: all of them are tried
  const every = ratiosOf(teeth, Infinity);
  const ones = [near(every, va, part), near(every, vb, part)] as const;
  let done = 0;
  const of = teeth.to - teeth.from + 1;

  // one pair each: three wheels with a common one, four without
  for (const p of ones[0]) for (const q of ones[1]) keep([p], [q], p[0] === q[0] ? 'wheel' : 'nothing');
  // the one output half way to the other: four wheels
  for (const p of ones[0]) for (const q of near(all, vb / (p[1] / p[0]), part)) keep([p], [p, q], 'pair');
  for (const p of ones[1]) for (const q of near(all, va / (p[1] / p[0]), part)) keep([p, q], [p], 'pair');
  // one and two pairs: five wheels with a common one
  for (let driver = teeth.from; driver <= teeth.to && !enough(5); driver++) {
    if (yield { stages: 1, done: done++, of: 3 * of }) return best();
    for (let driven = teeth.from; driven <= teeth.to; driven++) {
      const first: TwoPair = [driver, driven];
      const r = driven / driver;
      for (const one of ones[0])
        if (one[0] === driver) for (const q of near(all, vb / r, part)) keep([one], [first, q], 'wheel');
      for (const one of ones[1])
        if (one[0] === driver) for (const q of near(all, va / r, part)) keep([first, q], [one], 'wheel');
    }
  }
  // a common first pair: six wheels
  if (!enough(6))
    for (const [i, first] of pairs.entries()) {
      if (i % 200 === 0 && (yield { stages: 2, done: of + (of * i) / pairs.length, of: 3 * of }))
        return best();
      const r = first[1] / first[0];
      const [to, other] = [near(all, va / r, part), near(all, vb / r, part)];
      for (const p of to) for (const q of other) keep([first, p], [first, q], 'pair');
    }
  // a common wheel on the shaft, two pairs each: seven wheels; the fewest teeth of either branch go together
  if (!enough(7))
    for (let driver = teeth.from; driver <= teeth.to; driver++) {
      if (yield { stages: 2, done: 2 * of + (driver - teeth.from), of: 3 * of }) return best();
      const [to, other] = ([va, vb] as const).map((v) => leastTwo(driver, v, teeth, all, part));
      for (const p of to!) for (const q of other!) keep(p, q, 'wheel');
    }
  return best();
}

/** Two-pair trains from a driver to a value, those with the fewest teeth. */
function leastTwo(
  driver: number,
  value: number,
  { from, to }: Teeth,
  all: readonly Ratio[],
  part: number,
): readonly (readonly TwoPair[])[] {
  const out: (readonly TwoPair[])[] = [];
  for (let driven = from; driven <= to; driven++)
    for (const q of near(all, value / (driven / driver), part)) out.push([[driver, driven], q]);
  const sum = (pairs: readonly TwoPair[]): number => pairs.flat().reduce((x, y) => x + y, 0);
  return out.sort((x, y) => sum(x) - sum(y)).slice(0, ALIKE);
}

const order = (x: TwoBranches, y: TwoBranches): number => {
  const [p, q] = [JSON.stringify([x.first, x.second]), JSON.stringify([y.first, y.second])];
  return p < q ? -1 : p > q ? 1 : 0;
};
