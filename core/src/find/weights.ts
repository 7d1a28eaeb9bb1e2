import { firstAtLeast, ONLY_ONE, sparse, times, type Products, type ProductSets } from './products.ts';

/** So many values are looked at together: where they stand is a list that stays in the cache. */
const STRETCH = 2 ** 16;

/** Products with what is behind each: the fewest teeth of wheels that make it, and the least largest wheel. */
export interface Light {
  readonly values: Products;
  readonly teeth: Float64Array;
  /** with wheels up to this it can be made, with smaller ones not */
  readonly largest: Float64Array;
}

/** The same with the ways in which wheels make each, as orders or as sets. */
export interface Weighted extends Light {
  readonly ways: Float64Array;
}

export const ONLY_ONE_WEIGHTED: Weighted = {
  values: ONLY_ONE,
  ways: ONLY_ONE,
  teeth: new Float64Array(1),
  largest: new Float64Array(1),
};

/** The weights of wheels: each in one way, of its own teeth. */
export const weightedWheels = (wheels: Products): Weighted => ({
  values: wheels,
  ways: new Float64Array(wheels.length).fill(1),
  teeth: wheels,
  largest: wheels,
});

/** Products of both with what is behind them: teeth add, the larger wheel counts. `values` when they are made already. */
export function timesLight(a: Light, b: Light, values: Products = times(a.values, b.values)): Light {
  if (b.values === ONLY_ONE) return a;
  if (a.values === ONLY_ONE) return b;
  return behind(a, b, values, null);
}

/** The same with their ways, which multiply. */
export function timesWeighted(
  a: Weighted,
  b: Weighted,
  values: Products = times(a.values, b.values),
): Weighted {
  if (b.values === ONLY_ONE) return a;
  if (a.values === ONLY_ONE) return b;
  const ways = { a: a.ways, b: b.ways, out: new Float64Array(values.length) };
  return { ...behind(a, b, values, ways), ways: ways.out };
}

/** What is behind P_k of a list of wheels; the products are those that are searched. */
export class WeightedSets<W extends Light> {
  private readonly levels: W[];
  private readonly sets: ProductSets;
  private readonly times: (a: W, b: Weighted, values: Products) => W;

  /** `one`: what is behind no wheel */
  constructor(sets: ProductSets, one: W, times: (a: W, b: Weighted, values: Products) => W) {
    this.sets = sets;
    this.levels = [one];
    this.times = times;
  }

  of(count: number): W {
    const { levels, sets, times } = this;
    const wheels = weightedWheels(sets.wheels);
    while (levels.length <= count) levels.push(times(levels.at(-1)!, wheels, sets.of(levels.length)));
    return levels[count]!;
  }
}

/** Ways of both sides, and of their products, which are counted. */
interface Ways {
  readonly a: Float64Array;
  readonly b: Float64Array;
  readonly out: Float64Array;
}

function behind(a: Light, b: Light, values: Products, ways: Ways | null): Light {
  if (a.values.length < b.values.length)
    return behind(b, a, values, ways && { ...ways, a: ways.b, b: ways.a });
  const out = {
    values,
    teeth: new Float64Array(values.length).fill(Infinity),
    largest: new Float64Array(values.length).fill(Infinity),
  };
  const most = values.at(-1) ?? 0;
  const next = new Int32Array(b.values.length);
  if (sparse(values.length, most)) {
    for (let j = 0; j < next.length; j++) weigh(a, b, j, 0, null, 0, Infinity, out, ways);
    return out;
  }
  // where each value of the window stands; what is no product is never asked
  const place = new Int32Array(STRETCH);
  let at = 0;
  for (let base = 0; base <= most; base += STRETCH) {
    const end = base + STRETCH;
    for (; at < values.length && values[at]! < end; at++) place[values[at]! - base] = at;
    for (let j = 0; j < next.length; j++) next[j] = weigh(a, b, j, next[j]!, place, base, end, out, ways);
  }
  return out;
}

/** Weighs the products of one factor from the place `i` on, up to `end`; gives the place of the next. */
function weigh(
  a: Light,
  b: Light,
  j: number,
  i: number,
  place: Int32Array | null,
  base: number,
  end: number,
  { values: products, teeth, largest }: Light,
  ways: Ways | null,
): number {
  const factor = b.values[j]!;
  const factorTeeth = b.teeth[j]!;
  const factorLargest = b.largest[j]!;
  const { values, teeth: aTeeth, largest: aLargest } = a;
  for (; i < values.length; i++) {
    const value = values[i]! * factor;
    if (value >= end) break;
    const at = place ? place[(value - base) | 0]! : firstAtLeast(products, value);
    const sum = aTeeth[i]! + factorTeeth;
    if (sum < teeth[at]!) teeth[at] = sum;
    const wheel = aLargest[i]! > factorLargest ? aLargest[i]! : factorLargest;
    if (wheel < largest[at]!) largest[at] = wheel;
    if (ways) ways.out[at]! += ways.a[i]! * ways.b[j]!;
  }
  return i;
}

/**
 * The products of `count` wheels with the sets that make each instead of the orders, from the orders of every lesser count: sets of
 * two are (p₁² + p₂)/2, of three (p₁³ + 3p₁p₂ + 2p₃)/6, of four (p₁⁴ + 6p₁²p₂ + 3p₂² + 8p₁p₃ + 6p₄)/24, where pₙ is each wheel n times.
 */
export function waysAsSets(orders: WeightedSets<Weighted>, count: number): Weighted {
  const all = orders.of(count);
  if (count < 2) return all;
  const ways = all.ways.slice();
  const put = (value: number, times: number): void => {
    ways[firstAtLeast(all.values, value)]! += times;
  };
  const [one, two] = [orders.of(1), orders.of(2)];
  for (const z of one.values) {
    if (count === 2) put(z ** 2, 1);
    if (count === 3) put(z ** 3, 2);
    if (count === 4) put(z ** 4, 6);
    if (count === 3) for (const y of one.values) put(y * z ** 2, 3);
    if (count < 4) continue;
    for (const y of one.values) {
      put(y * z ** 3, 8);
      put(y ** 2 * z ** 2, 3);
    }
    for (const [i, v] of two.values.entries()) put(v * z ** 2, 6 * two.ways[i]!);
  }
  const each = [1, 1, 2, 6, 24][count]!;
  return { ...all, ways: ways.map((n) => n / each) };
}
