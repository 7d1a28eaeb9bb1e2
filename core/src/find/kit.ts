import { ONE, mul, toNumber, type Rational } from '../numbers/index.ts';
import { kindOf, wheelSearch, type Stage, type StageKindId } from '../drive/index.ts';
import { multisets, shared } from './choosing.ts';
import { ownOf, partKey, partLargest, partRatio, partTeeth, type FixedPart } from './parts.ts';
import { primesOf } from './divisors.ts';
import { ONLY_ONE, ProductSets, times, type Products } from './products.ts';
import {
  ONLY_ONE_WEIGHTED,
  timesLight,
  timesWeighted,
  waysAsSets,
  WeightedSets,
  type Light,
  type Weighted,
} from './weights.ts';

/** A wheel that pairs may be made of. */
export interface PoolWheel {
  readonly teeth: number;
  /** how many are owned */
  readonly own: number;
  /** more of it may be bought or cut */
  readonly buy: boolean;
  /** for one that is bought, hundredths; nothing for one that is cut, or of which nobody knows */
  readonly price?: number;
}

/** Wheels that mesh with one another, or run on one belt: any two of them make a pair. */
export interface Family {
  readonly pair: StageKindId;
  /** module of wheels, tooth pitch of belt wheels; null when nobody said */
  readonly sizeMm: number | null;
  readonly wheels: readonly PoolWheel[];
}

/** What every pair must be; a range has both ends included. */
export interface PairLimits {
  /** of the greater wheel to the less */
  readonly mostRatio?: Rational;
  /** teeth of both wheels together */
  readonly sum?: readonly [number, number];
  /** hunting: no common factor; repeating: a common factor */
  readonly meet?: 'hunting' | 'repeating';
}

/** Everything a train may be made of. */
export interface Kit {
  readonly families: readonly Family[];
  readonly parts: readonly FixedPart[];
  /** how many wheels may be bought at most; null for any number */
  readonly mostBought: number | null;
  readonly pair?: PairLimits;
  /** teeth of all its wheels together, at most */
  readonly mostTeeth?: number;
  /** what the bought wheels may cost together, hundredths */
  readonly mostCost?: number;
  /** it must hold by itself: there is a worm in it that does */
  readonly mustHold?: boolean;
  /** stages of the present train that stay: before what is searched, and after it */
  readonly kept?: { readonly first: readonly Stage[]; readonly last: readonly Stage[] };
  /** what of a shelf is not in it, in words: "3 wheels that other drives use" */
  readonly leftOut?: readonly string[];
  /** what stands for a family of parts that can be had in any number, in words */
  readonly variants?: readonly string[];
}

/** A wheel in a hand: which family it comes from, and which of its wheels. */
export interface KitWheel extends PoolWheel {
  readonly family: number;
  /** the same number for the same wheel of the same family */
  readonly index: number;
}

/** How many pairs of each family, and which fixed parts: one way to share out the stages of a train. */
export interface Shape {
  readonly stages: number;
  readonly parts: readonly FixedPart[];
  /** turns in for one turn out of the parts together, a magnitude */
  readonly partsRatio: Rational;
  /** of the parts that are used as they are */
  readonly partsTeeth: number;
  /** pairs of each family */
  readonly pairs: readonly number[];
  /** number of pairs of all families */
  readonly pairCount: number;
}

/** A pair of a family as a stage of a drive. */
export function pairStage({ pair, sizeMm }: Family, z1: number, z2: number): Stage {
  return { kind: pair, z1, z2, ...(sizeMm !== null && { [wheelSearch(pair)!.sizeKey]: sizeMm }) } as Stage;
}

/** Products of driven and of driving wheels that go with one another. */
export interface ProductLists {
  readonly driven: Products;
  readonly drivers: Products;
}

/** Lists of so many shapes are kept. */
const MAX_LISTS = 40;

/** What was made of a shape's pairs, or makes it. */
function kept<T>(known: Map<string, T>, pairs: readonly number[], make: () => T): T {
  const key = pairs.join(' ');
  const out = known.get(key) ?? make();
  if (known.size > MAX_LISTS) known.clear();
  known.set(key, out);
  return out;
}

/** A kit made ready to search: product sets by family, made when they are asked for and kept. */
export class Workbench {
  readonly held: readonly KitWheel[];
  readonly parts: readonly FixedPart[];
  /** of its wheels */
  readonly primes: readonly number[];
  private readonly lists = new Map<string, readonly ProductLists[]>();
  private readonly lights = new Map<string, Light>();
  private readonly weights = new Map<string, Weighted>();
  private readonly lightSets: readonly WeightedSets<Light>[];
  private readonly weightedSets: readonly WeightedSets<Weighted>[];
  private readonly sets: readonly { readonly all: ProductSets; readonly own: ProductSets }[];

  readonly kit: Kit;
  readonly kept: { readonly first: readonly Stage[]; readonly last: readonly Stage[] };
  private readonly keptParts: readonly FixedPart[];

  constructor(kit: Kit) {
    this.kit = kit;
    this.kept = kit.kept ?? { first: [], last: [] };
    this.keptParts = [...this.kept.first, ...this.kept.last].map((stage) => ({ stage, quantity: 1 }));
    let index = 0;
    this.held = kit.families.flatMap((f, family) => f.wheels.map((w) => ({ ...w, family, index: index++ })));
    this.sets = kit.families.map((f) => ({
      all: new ProductSets(f.wheels.filter((w) => w.own > 0 || w.buy).map((w) => w.teeth)),
      own: new ProductSets(f.wheels.filter((w) => w.own > 0).map((w) => w.teeth)),
    }));
    this.lightSets = this.sets.map(({ all }) => new WeightedSets<Light>(all, ONLY_ONE_WEIGHTED, timesLight));
    this.weightedSets = this.sets.map(({ all }) => new WeightedSets(all, ONLY_ONE_WEIGHTED, timesWeighted));
    this.primes = primesOf(this.held.map((w) => w.teeth));
    const merged = new Map<string, FixedPart>();
    for (const part of kit.parts) {
      const known = merged.get(partKey(part));
      merged.set(
        partKey(part),
        known
          ? { ...known, quantity: known.quantity + part.quantity, own: ownOf(known) + ownOf(part) }
          : part,
      );
    }
    this.parts = [...merged.values()];
  }

  /** Whether every product of the sets can really be made, so that no candidate need be looked at twice. */
  get unlimited(): boolean {
    const { mostBought, pair, mostTeeth, mostCost } = this.kit;
    const bounded = mostBought !== null || pair || mostTeeth !== undefined || mostCost !== undefined;
    return !bounded && this.held.every((w) => w.buy);
  }

  /** Ways to share `stages` stages between families and parts; with no families or parts there is none. */
  *shapes(stages: number): Generator<Shape> {
    for (let fixed = 0; fixed <= stages; fixed++)
      for (const chosen of this.partsOf(fixed, 0)) {
        const parts = [...chosen, ...this.keptParts];
        if (this.kit.mustHold && !parts.some((p) => kindOf(p.stage).holds?.(p.stage))) continue;
        const partsRatio = parts.reduce((r, p) => mul(r, partRatio(p)), ONE);
        const partsTeeth = parts.reduce((n, p) => n + partTeeth(p), 0);
        for (const pairs of shared(stages - fixed, this.kit.families.length))
          yield { stages, parts, partsRatio, partsTeeth, pairs, pairCount: stages - fixed };
      }
  }

  /** Is this a stage of the present train that stays? */
  readonly keeps = (part: FixedPart): boolean => this.keptParts.includes(part);

  /** The largest wheel of the parts that a shape takes; what is kept does not count. */
  readonly partsLargest = ({ parts }: Shape): number =>
    Math.max(0, ...parts.filter((p) => !this.keeps(p)).map(partLargest));

  /** What the kept stages make together, and as parts. */
  get keptRatio(): Rational {
    return this.keptParts.reduce((r, p) => mul(r, partRatio(p)), ONE);
  }

  /** The largest wheel of the kept stages; 0 without any. */
  get keptLargest(): number {
    return Math.max(0, ...this.keptParts.map(partLargest));
  }

  /** A shape of whole parts with the kept stages in it. */
  withKept(shape: Shape): Shape {
    return {
      ...shape,
      parts: [...shape.parts, ...this.keptParts],
      partsRatio: mul(shape.partsRatio, this.keptRatio),
      partsTeeth: this.keptParts.reduce((n, p) => n + partTeeth(p), shape.partsTeeth),
    };
  }

  /** How many shapes there are at most, for saying how far a search is. */
  shapeCount(stages: number): number {
    let out = 0;
    for (let fixed = 0; fixed <= stages; fixed++)
      out += multisets(this.parts.length, fixed) * multisets(this.kit.families.length, stages - fixed);
    return Math.max(1, out);
  }

  private *partsOf(count: number, from: number): Generator<readonly FixedPart[]> {
    if (count === 0) {
      yield [];
      return;
    }
    for (let i = from; i < this.parts.length; i++) {
      const part = this.parts[i]!;
      for (const rest of this.partsOf(count - 1, i))
        if (rest.filter((p) => p === part).length < part.quantity) yield [part, ...rest];
    }
  }

  /** Lists of products for the driven and the driving wheels of a shape, which together hold all that can be made and little more. */
  products({ pairs, pairCount }: Shape): readonly ProductLists[] {
    return kept(this.lists, pairs, () => {
      const most = this.kit.mostBought;
      if (most === null) {
        const all = this.side(pairs, null);
        return [{ driven: all, drivers: all }];
      }
      return Array.from({ length: Math.min(most, pairCount) + 1 }, (_, bought) => ({
        driven: this.side(pairs, bought),
        drivers: this.side(pairs, most - bought),
      }));
    });
  }

  /** The wheels of one family only, when a shape has no others: what a search in segments needs. */
  soleFamily(shape: Shape): ProductSets | null {
    if (this.kit.mostBought !== null) return null;
    const used = shape.pairs.flatMap((n, i) => (n > 0 ? [i] : []));
    return used.length === 1 ? this.sets[used[0]!]!.all : null;
  }

  /** The same for a kit without limits, with the fewest teeth and the least largest wheel behind each product. */
  light({ pairs }: Shape): Light {
    return kept(this.lights, pairs, () =>
      pairs.reduce<Light>(
        (out, count, i) => timesLight(out, this.lightSets[i]!.of(count)),
        ONLY_ONE_WEIGHTED,
      ),
    );
  }

  /** With the sets of wheels that make each as well. */
  weighted({ pairs }: Shape): Weighted {
    return kept(this.weights, pairs, () =>
      pairs.reduce<Weighted>(
        (out, count, i) => timesWeighted(out, waysAsSets(this.weightedSets[i]!, count)),
        ONLY_ONE_WEIGHTED,
      ),
    );
  }

  private side(pairs: readonly number[], bought: number | null): Products {
    let out = ONLY_ONE;
    for (const [i, count] of pairs.entries()) {
      if (count === 0) continue;
      const { all, own } = this.sets[i]!;
      const some = bought === null ? count : Math.min(bought, count);
      out = timesSorted(out, timesSorted(own.of(count - some), all.of(some)));
    }
    return out;
  }

  /** The largest and least of one wheel pair, for saying what is out of reach. */
  get span(): { readonly least: number; readonly most: number } {
    const teeth = this.held.filter((w) => w.own > 0 || w.buy).map((w) => w.teeth);
    const ratios = this.parts.map((p) => toNumber(partRatio(p)));
    const pair = teeth.length > 0 ? Math.max(...teeth) / Math.min(...teeth) : 0;
    return {
      least: Math.min(...ratios, ...(pair > 0 ? [1 / pair] : [])),
      most: Math.max(...ratios, pair),
    };
  }
}

/** Both lists may be long: the shorter is taken wheel by wheel. */
const timesSorted = (a: Products, b: Products): Products =>
  a.length < b.length ? timesSorted(b, a) : b === ONLY_ONE ? a : times(a, b);
