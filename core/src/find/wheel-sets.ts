import { compare, rational } from '../numbers/index.ts';
import { commonFactor } from './divisors.ts';
import type { KitWheel, PairLimits, Shape, Workbench } from './kit.ts';

/** Wheels of one side of a train, largest first. */
export type WheelSet = readonly KitWheel[];

/** A train of wheel pairs; pair i is driven[i] over drivers[i]. */
export interface Pairs {
  readonly driven: WheelSet;
  readonly drivers: WheelSet;
  readonly teeth: number;
  /** how many of its wheels are not owned */
  readonly bought: number;
  /** what those cost, hundredths, as far as it is known */
  readonly cost: number;
}

const teethOf = (set: WheelSet): number => set.reduce((n, w) => n + w.teeth, 0);

/** Finds the wheels behind a product, and whether both sides can be on the bench at once. Keeps what it found. */
export class WheelSets {
  private readonly kept = new Map<string, readonly WheelSet[]>();
  private readonly wheels: readonly KitWheel[];

  private readonly bench: Workbench;
  readonly most: number;

  /** `most`: teeth of the largest wheel that it may take */
  constructor(bench: Workbench, most = Infinity) {
    this.bench = bench;
    this.most = most;
    this.wheels = bench.held
      .filter((w) => (w.own > 0 || w.buy) && w.teeth <= most)
      .sort((a, b) => b.teeth - a.teeth || a.index - b.index);
  }

  /** Every way to make a product with so many wheels of each family; each set largest first. */
  of(product: number, pairs: readonly number[]): readonly WheelSet[] {
    const key = `${product} ${pairs.join(' ')}`;
    const known = this.kept.get(key);
    if (known) return known;
    const out: WheelSet[] = [];
    const usable = this.wheels.filter((w) => product % w.teeth === 0 && pairs[w.family]! > 0);
    const left = [...pairs];
    const set: KitWheel[] = [];
    const count = pairs.reduce((a, b) => a + b, 0);
    const least = usable.at(-1)?.teeth ?? 1;
    const take = (rest: number, from: number, open: number): void => {
      if (open === 0) {
        if (rest === 1 && this.bought(set, []) !== null) out.push([...set]);
        return;
      }
      for (let i = from; i < usable.length; i++) {
        const wheel = usable[i]!;
        if (wheel.teeth ** open < rest) break;
        if (rest % wheel.teeth !== 0 || rest / wheel.teeth < least ** (open - 1)) continue;
        if (left[wheel.family] === 0) continue;
        left[wheel.family]!--;
        set.push(wheel);
        take(rest / wheel.teeth, i, open - 1);
        set.pop();
        left[wheel.family]!++;
      }
    };
    take(product, 0, count);
    if (this.kept.size > 200_000) this.kept.clear();
    this.kept.set(key, out);
    return out;
  }

  /** Whether some wheels make A over B together. */
  possible(driven: number, drivers: number, shape: Shape): boolean {
    const bs = this.of(drivers, shape.pairs);
    if (bs.length === 0) return false;
    return this.of(driven, shape.pairs).some((a) => bs.some((b) => this.together(a, b, shape) !== null));
  }

  /** The best train of A over B: least teeth, then the smallest largest wheel, then lexicographically least. Null when none is possible. */
  best(driven: number, drivers: number, shape: Shape): Pairs | null {
    let best: Pairs | null = null;
    for (const a of this.of(driven, shape.pairs))
      for (const b of this.of(drivers, shape.pairs)) {
        const teeth = teethOf(a) + teethOf(b);
        if (best && teeth > best.teeth) continue;
        const made = this.together(a, b, shape);
        if (made && (!best || comparePairs(made, best) < 0)) best = made;
      }
    return best;
  }

  /** Every possible train of A over B. */
  *all(driven: number, drivers: number, shape: Shape): Generator<Pairs> {
    for (const a of this.of(driven, shape.pairs))
      for (const b of this.of(drivers, shape.pairs)) {
        const made = this.together(a, b, shape);
        if (made) yield made;
      }
  }

  /** Both sets on the bench at once, matched pair by pair; null when there are not wheels enough or no matching keeps the limits. */
  private together(a: WheelSet, b: WheelSet, shape: Shape): Pairs | null {
    const { pair, mostTeeth } = this.bench.kit;
    const teeth = teethOf(a) + teethOf(b);
    if (mostTeeth !== undefined && teeth + shape.partsTeeth > mostTeeth) return null;
    const bought = this.bought(a, b);
    if (!bought) return null;
    const drivers = matched(a, b, pair);
    return drivers && { driven: a, drivers, teeth, ...bought };
  }

  /** How many wheels must be bought for both sets, and for how much; null when too many, too dear, or not to be had. */
  private bought(a: WheelSet, b: WheelSet): Pick<Pairs, 'bought' | 'cost'> | null {
    let [bought, cost] = [0, 0];
    for (const side of [0, 1]) {
      const set = side === 0 ? a : b;
      for (const [i, wheel] of set.entries()) {
        let times = 1;
        for (let j = 0; j < i; j++) if (set[j]!.index === wheel.index) times++;
        if (side === 1) for (const other of a) if (other.index === wheel.index) times++;
        if (times <= wheel.own) continue;
        if (!wheel.buy) return null;
        bought++;
        cost += wheel.price ?? 0;
      }
    }
    const { mostBought, mostCost } = this.bench.kit;
    if (mostBought !== null && bought > mostBought) return null;
    return mostCost !== undefined && cost > mostCost ? null : { bought, cost };
  }
}

/** The order in which trains of one ratio and as many stages are preferred. */
export function comparePairs(x: Pairs, y: Pairs): number {
  return (
    x.teeth - y.teeth ||
    largest(x) - largest(y) ||
    lexically(x.driven, y.driven) ||
    lexically(x.drivers, y.drivers)
  );
}

/** Teeth of its largest wheel. */
export const largest = (p: Pick<Pairs, 'driven' | 'drivers'>): number =>
  [...p.driven, ...p.drivers].reduce((n, w) => Math.max(n, w.teeth), 0);

function lexically(a: WheelSet, b: WheelSet): number {
  for (const [i, wheel] of a.entries()) if (wheel.teeth !== b[i]!.teeth) return wheel.teeth - b[i]!.teeth;
  return 0;
}

/**
 * The drivers in the order of the driven wheels they stand under: largest first when nothing forbids it, else the first matching
 * in which every pair is of one family and keeps the limits. Null when there is none.
 */
function matched(driven: WheelSet, drivers: WheelSet, limits: PairLimits | undefined): WheelSet | null {
  const out: KitWheel[] = [];
  const free = [...drivers];
  const place = (i: number): boolean => {
    if (i === driven.length) return true;
    for (const [at, wheel] of free.entries()) {
      if (!mayPair(wheel, driven[i]!, limits)) continue;
      free.splice(at, 1);
      out.push(wheel);
      if (place(i + 1)) return true;
      out.pop();
      free.splice(at, 0, wheel);
    }
    return false;
  };
  return place(0) ? out : null;
}

function mayPair(driver: KitWheel, driven: KitWheel, limits: PairLimits | undefined): boolean {
  if (driver.family !== driven.family) return false;
  if (!limits) return true;
  const [low, high] = [Math.min(driver.teeth, driven.teeth), Math.max(driver.teeth, driven.teeth)];
  if (limits.mostRatio && compare(rational(high, low), limits.mostRatio) > 0) return false;
  if (limits.sum && (low + high < limits.sum[0] || low + high > limits.sum[1])) return false;
  if (limits.meet && (commonFactor(high, low) === 1) !== (limits.meet === 'hunting')) return false;
  return true;
}
