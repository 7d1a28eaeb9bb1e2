import { abs, compare, div, gcd, mul, rational, sub, type Rational } from '../numbers/index.ts';

/** Searches as anyone would write them: nested loops over every wheel, every order, nothing clever. The judges of the search. */

export interface PlainTrain {
  readonly driven: readonly number[];
  readonly drivers: readonly number[];
  /** the product of the driven wheels, and of the drivers: whole numbers far below 2⁵³ */
  readonly over: number;
  readonly under: number;
  readonly ratio: Rational;
  readonly teeth: number;
}

export const descending = (wheels: readonly number[]): number[] => [...wheels].sort((a, b) => b - a);

/** Every list of so many wheels, in every order, from wheels with quantities. */
function* lists(wheels: ReadonlyMap<number, number>, count: number): Generator<readonly number[]> {
  if (count === 0) {
    yield [];
    return;
  }
  for (const rest of lists(wheels, count - 1))
    for (const z of wheels.keys()) {
      const used = rest.filter((w) => w === z).length;
      if (used < wheels.get(z)!) yield [...rest, z];
    }
}

/** Every ordered train of exactly so many pairs. */
export function* plainTrains(wheels: ReadonlyMap<number, number>, stages: number): Generator<PlainTrain> {
  for (const all of lists(wheels, 2 * stages)) {
    const driven = all.filter((_, i) => i % 2 === 0);
    const drivers = all.filter((_, i) => i % 2 === 1);
    const over = driven.reduce((a, b) => a * b, 1);
    const under = drivers.reduce((a, b) => a * b, 1);
    yield {
      driven,
      drivers,
      over,
      under,
      // of a hundred trains one is looked at
      get ratio() {
        return rational(over, under);
      },
      teeth: all.reduce((a, b) => a + b, 0),
    };
  }
}

const lexically = (a: readonly number[], b: readonly number[]): number => {
  for (const [i, z] of a.entries()) if (z !== b[i]) return z - b[i]!;
  return 0;
};

/** Least teeth, smallest largest wheel, lexicographically least. */
export function betterTrain(a: PlainTrain, b: PlainTrain): number {
  const largest = (t: PlainTrain): number => Math.max(...t.driven, ...t.drivers);
  return (
    a.teeth - b.teeth ||
    largest(a) - largest(b) ||
    lexically(descending(a.driven), descending(b.driven)) ||
    lexically(descending(a.drivers), descending(b.drivers))
  );
}

export interface PlainRow extends PlainTrain {
  readonly stages: number;
  readonly error: Rational;
}

const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b));

export const key = (r: Rational): string => `${r.n}/${r.d}`;

/** The best distinct ratios of up to so many stages, each with the train to show. */
export function plainRatio(
  wheels: ReadonlyMap<number, number>,
  target: Rational,
  maxStages: number,
  count: number,
): readonly PlainRow[] {
  const best = new Map<string, PlainRow>();
  for (let stages = 1; stages <= maxStages; stages++)
    for (const train of plainTrains(wheels, stages)) {
      const { over, under } = train;
      const shared = common(over, under);
      const name = `${over / shared}/${under / shared}`;
      const known = best.get(name);
      if (known && (known.stages < stages || betterTrain(known, train) <= 0)) continue;
      best.set(name, { ...train, stages, error: sub(div(train.ratio, target), rational(1)) });
    }
  return [...best.values()]
    .map((row) => ({ row, off: abs(row.error) }))
    .sort(
      (a, b) =>
        compare(a.off, b.off) || a.row.stages - b.row.stages || (a.row.ratio.n < b.row.ratio.n ? -1 : 1),
    )
    .slice(0, count)
    .map(({ row }) => row);
}

/** For each number of stages: how many trains (in every order and mode) and different steps come out even, and the row of least teeth. */
export function plainEven(
  wheels: ReadonlyMap<number, number>,
  divisions: readonly bigint[],
  fullSteps: number,
  modes: readonly number[],
  stages: number,
  [low, high]: readonly [number, number],
): { readonly trains: number; readonly steps: number; readonly least: readonly number[] | null } {
  const steps = new Set<number>();
  const sets = new Set<string>();
  let least: readonly number[] | null = null;
  for (const train of plainTrains(wheels, stages))
    for (const mode of modes) {
      const top = fullSteps * mode * train.over;
      const n = top / train.under;
      if (top % train.under !== 0 || !divisions.every((d) => BigInt(n) % d === 0n)) continue;
      if (n < low || n > high) continue;
      const set = `${descending(train.driven).join(' ')} : ${descending(train.drivers).join(' ')}`;
      if (!sets.has(set)) steps.add(n);
      sets.add(set);
      const row = [train.teeth, n, mode];
      if (!least || lexically(row, least) < 0) least = row;
    }
  return { trains: sets.size, steps: steps.size, least };
}

/**
 * The ratios nearest a target that wheels make, in their order, by walking the Farey sequence outward from it: fractions whose
 * greater side is at most `most`, each asked by factorising whether so many wheels make it. Knows nothing of products or walks.
 */
export function* fareyNearest(
  target: Rational,
  most: bigint,
  makes: (n: bigint, d: bigint) => boolean,
): Generator<Rational> {
  // the walk bounds denominators: a target above 1 is walked upside down
  const turned = target.n > target.d;
  const t = turned ? rational(target.d, target.n) : target;
  const sides = [neighbours(t, most, -1), neighbours(t, most, 1)];
  const heads = sides.map((side) => side.next().value as Rational | undefined);
  const upright = (r: Rational): Rational => (turned ? rational(r.d, r.n) : r);
  const error = (r: Rational): Rational => abs(sub(div(upright(r), target), rational(1)));
  while (heads.some(Boolean)) {
    const [below, above] = heads;
    const at = !above || (below && compare(error(below), error(above)) <= 0) ? 0 : 1;
    const r = upright(heads[at]!);
    heads[at] = sides[at]!.next().value as Rational | undefined;
    if (makes(r.n, r.d)) yield r;
  }
}

/** The fractions with denominators up to `most` on one side of t, outward; t itself belongs to the lower side. */
function* neighbours(t: Rational, most: bigint, side: 1 | -1): Generator<Rational> {
  // the two neighbours about t, by the Stern–Brocot tree
  let [a, b, c, d] = [0n, 1n, 1n, 0n];
  const isBelow = (n: bigint, m: bigint): boolean => (side < 0 ? n * t.d <= t.n * m : n * t.d <= t.n * m);
  for (;;) {
    const [n, m] = [a + c, b + d];
    if (m > most) break;
    if (isBelow(n, m)) [a, b] = [n, m];
    else [c, d] = [n, m];
  }
  if (d === 0n) [c, d] = [a / b + 1n, 1n];
  // a/b is the last not above t, c/d the first above it: step along the sequence
  let [p, q, r, s] = side > 0 ? [a, b, c, d] : [c, d, a, b];
  for (;;) {
    if (r <= 0n) return;
    yield rational(r, s);
    const k = (most + q) / s;
    [p, q, r, s] = [r, s, k * r - p, k * s - q];
  }
}

/** Whether n/d is k wheels over k wheels of a range, by taking both apart over every common multiple. */
export function madeOfRange(from: number, to: number, stages: number): (n: bigint, d: bigint) => boolean {
  const known = new Map<string, boolean>();
  // nothing here is above the product of the wheels, far below 2⁵³
  const made = (value: number, wheels: number, top: number): boolean => {
    if (wheels === 0) return value === 1;
    const name = `${value} ${wheels} ${top}`;
    let out = known.get(name);
    if (out === undefined) {
      out = false;
      for (let z = top; z >= from && !out; z--)
        if (value % z === 0 && z ** wheels >= value) out = made(value / z, wheels - 1, z);
      known.set(name, out);
    }
    return out;
  };
  const most = BigInt(to) ** BigInt(stages);
  return (n, d) => {
    if (gcd(n, d) !== 1n) throw new Error('not in lowest terms');
    for (let k = 1; k <= stages; k++)
      for (let t = 1n; t * (n > d ? n : d) <= most; t++)
        if (made(Number(n * t), k, to) && made(Number(d * t), k, to)) return true;
    return false;
  };
}

/** One way to fill a stage: a pair of wheels of one family, or a part as it is. */
export interface PlainStage {
  readonly ratio: Rational;
  readonly teeth: number;
  /** what it takes from the bench: names of wheels or of the part */
  readonly takes: readonly string[];
}

/**
 * The best distinct ratios from any stages with so many of each thing on the bench, by trying every ordered choice: what is taken
 * beyond `owned` counts as bought, up to `mostBought` of it where `buyable` says so.
 */
export function plainStages(
  options: readonly PlainStage[],
  owned: ReadonlyMap<string, number>,
  buyable: (thing: string) => boolean,
  mostBought: number,
  target: Rational,
  maxStages: number,
  count: number,
): readonly { readonly ratio: Rational; readonly stages: number; readonly teeth: number }[] {
  const best = new Map<string, { ratio: Rational; stages: number; teeth: number; error: Rational }>();
  const possible = (chosen: readonly PlainStage[]): boolean => {
    const used = new Map<string, number>();
    for (const thing of chosen.flatMap((s) => s.takes)) used.set(thing, (used.get(thing) ?? 0) + 1);
    let bought = 0;
    for (const [thing, times] of used) {
      const over = Math.max(0, times - (owned.get(thing) ?? 0));
      if (over > 0 && !buyable(thing)) return false;
      bought += over;
    }
    return bought <= mostBought;
  };
  const go = (chosen: readonly PlainStage[], from: number): void => {
    if (chosen.length > 0 && possible(chosen)) {
      const ratio = chosen.reduce((r, s) => mul(r, s.ratio), rational(1));
      const teeth = chosen.reduce((n, s) => n + s.teeth, 0);
      const known = best.get(key(ratio));
      if (!known || chosen.length < known.stages || (chosen.length === known.stages && teeth < known.teeth))
        best.set(key(ratio), {
          ratio,
          stages: chosen.length,
          teeth,
          error: abs(sub(div(ratio, target), rational(1))),
        });
    }
    if (chosen.length < maxStages)
      for (let i = from; i < options.length; i++) go([...chosen, options[i]!], i);
  };
  go([], 0);
  return [...best.values()]
    .sort((a, b) => compare(a.error, b.error) || a.stages - b.stages || (a.ratio.n < b.ratio.n ? -1 : 1))
    .slice(0, count);
}

/** A small generator of numbers that always gives the same ones: a case that fails can be run again. */
export function seeded(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}
