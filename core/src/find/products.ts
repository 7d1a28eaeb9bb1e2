/** Sorted distinct products of so many tooth counts: exact in doubles, since none passes 2⁵³. (handbook: find) */
export type Products = Float64Array;

/** Wide enough that the pointers rarely restart, narrow enough to stay in the cache: 2^21 values are 64 K words of bits. */
const SEGMENT_BITS = 21;
const SEGMENT = 2 ** SEGMENT_BITS;

/** Below one product in so many values, sorting beats looking through the bits. */
const SPARSE = 400;

/** Are so many products up to this value too few to be worth bits? */
export const sparse = (products: number, most: number): boolean => products * SPARSE < most;

/** The largest product that doubles hold exactly. */
export const LARGEST_PRODUCT = Number.MAX_SAFE_INTEGER;

/** Index of the first value ≥ `least` in a sorted list. */
export function firstAtLeast(sorted: Products, least: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (sorted[middle]! < least) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Sorted and without repeats, in place of a longer list of the same values. */
export function distinct(values: Products): Products {
  values.sort();
  let kept = 0;
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    if (kept === 0 || values[kept - 1] !== value) values[kept++] = value;
  }
  return values.slice(0, kept);
}

/** Every product of one value of `before` and one of `wheels`, from `low` on and below `high`, segment by segment. */
export function* segmentsOf(
  before: Products,
  wheels: Products,
  low: number,
  high: number,
): Generator<Products> {
  const next = new Int32Array(wheels.length);
  for (let w = 0; w < wheels.length; w++) next[w] = firstAtLeast(before, Math.ceil(low / wheels[w]!));
  const start = Math.floor(low / SEGMENT) * SEGMENT;
  const bits = new Uint32Array(Math.ceil(Math.min(SEGMENT, high - start) / 32));
  for (let base = start; base < high; base += SEGMENT) {
    const marks = mark(before, wheels, next, bits, base, Math.min(base + SEGMENT, high));
    yield gathered(bits, base, marks);
  }
}

/** Sets the bit of every product in [base, end), moving each wheel's pointer on; gives how many it set. */
function mark(
  before: Products,
  wheels: Products,
  next: Int32Array,
  bits: Uint32Array,
  base: number,
  end: number,
): number {
  let marks = 0;
  for (let w = 0; w < wheels.length; w++) {
    const wheel = wheels[w]!;
    const first = next[w]!;
    let i = first;
    for (; i < before.length; i++) {
      const value = before[i]! * wheel;
      if (value >= end) break;
      const at = value - base;
      bits[at >>> 5]! |= 1 << (at & 31);
    }
    next[w] = i;
    marks += i - first;
  }
  return marks;
}

/** The set bits as values, and the bits cleared for the next segment. */
function gathered(bits: Uint32Array, base: number, most: number): Products {
  const out = new Float64Array(most);
  if (most === 0) return out;
  let count = 0;
  for (let word = 0; word < bits.length; word++) {
    let left = bits[word]!;
    if (left === 0) continue;
    bits[word] = 0;
    const first = base + word * 32;
    while (left !== 0) {
      const lowest = left & -left;
      out[count++] = first + 31 - Math.clz32(lowest);
      left ^= lowest;
    }
  }
  return out.slice(0, count);
}

/** Every product of a value of each list, sorted and distinct. */
export function times(before: Products, wheels: Products): Products {
  if (before.length === 0 || wheels.length === 0) return new Float64Array(0);
  if (before.length === 1 && before[0] === 1) return wheels;
  const most = before.at(-1)! * wheels.at(-1)!;
  if (most > LARGEST_PRODUCT) throw new RangeError('these products pass what is exact');
  const pairs = before.length * wheels.length;
  if (sparse(pairs, most)) {
    const all = new Float64Array(pairs);
    let at = 0;
    for (const wheel of wheels) for (const value of before) all[at++] = value * wheel;
    return distinct(all);
  }
  return joined([...segmentsOf(before, wheels, 0, most + 1)]);
}

/** Lists laid end to end. */
export function joined(parts: readonly Products[]): Products {
  if (parts.length === 1) return parts[0]!;
  const out = new Float64Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}

export const ONLY_ONE: Products = Float64Array.of(1);

/** P_k of a list of wheels: the distinct products of k of them, each as often as one likes; P_0 is {1}. */
export class ProductSets {
  private readonly levels: Products[] = [ONLY_ONE];
  readonly wheels: Products;

  constructor(teeth: Iterable<number>) {
    this.wheels = distinct(Float64Array.from(teeth));
  }

  of(count: number): Products {
    while (this.levels.length <= count) this.levels.push(times(this.levels.at(-1)!, this.wheels));
    return this.levels[count]!;
  }

  /** How many products of `count` wheels there are at most, without making them. */
  atMost(count: number): number {
    const w = this.wheels.length;
    let out = 1;
    for (let i = 0; i < count; i++) out = (out * (w + i)) / (i + 1);
    return out;
  }
}

/** A list up to this value is looked up in a table, a longer one by halving. */
const DENSE = 2 ** 23;

const placesKnown = new WeakMap<Products, (value: number) => number>();

/** Where a value stands in a sorted list; −1 when it is not in it. */
export function places(sorted: Products): (value: number) => number {
  const place = placesKnown.get(sorted) ?? placesOf(sorted);
  placesKnown.set(sorted, place);
  return place;
}

/** The same for a few values: no table is made for them, but one that is there is used. */
export const placesAtHand = (sorted: Products): ((value: number) => number) =>
  placesKnown.get(sorted) ?? halving(sorted);

const halving =
  (sorted: Products) =>
  (value: number): number => {
    const at = firstAtLeast(sorted, value);
    return sorted[at] === value ? at : -1;
  };

function placesOf(sorted: Products): (value: number) => number {
  const most = sorted.at(-1) ?? 0;
  if (most > DENSE || sorted.length < 64) return halving(sorted);
  const table = new Int32Array(most + 1).fill(-1);
  for (let i = 0; i < sorted.length; i++) table[sorted[i]!] = i;
  return (value) => (value <= most ? table[value]! : -1);
}
