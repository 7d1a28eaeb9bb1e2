import { ONE, abs, compare, div, mul, rational, sub, toNumber, type Rational } from '../numbers/index.ts';
import { commonFactor } from './divisors.ts';
import type { Shape } from './kit.ts';

/** What doubles may get wrong in |A − t·B| / (t·B), with room to spare: 2⁻⁵³ times a handful. (handbook: find) */
export const SLACK = 2 ** -49;

/** A ratio that was met, with the products that make it. */
export interface Met {
  readonly ratio: Rational;
  /** ratio over target less one */
  readonly error: Rational;
  readonly shape: Shape;
  readonly driven: number;
  readonly drivers: number;
}

/** |error|, then fewer stages, then the smaller numerator. (handbook: find) */
function compareMet(a: Met, b: Met): number {
  return (
    compare(abs(a.error), abs(b.error)) ||
    a.shape.stages - b.shape.stages ||
    (a.ratio.n < b.ratio.n ? -1 : a.ratio.n > b.ratio.n ? 1 : 0)
  );
}

/** Ratio over target less one, exactly. */
export const errorOf = (ratio: Rational, target: Rational): Rational => sub(div(ratio, target), rational(1n));

/** The `count` best distinct ratios so far. */
export class Best {
  private readonly met = new Map<string, Met>();
  /** a candidate whose error in doubles is above this cannot be among them */
  bound: number;

  private readonly target: Rational;
  private readonly count: number;
  private readonly cap: Rational | null;

  /** `cap`: no ratio with a greater |error| is wanted; null for none. */
  constructor(target: Rational, count: number, cap: Rational | null) {
    this.target = target;
    this.count = count;
    this.cap = cap;
    this.bound = cap ? loosened(toNumber(cap)) : Infinity;
  }

  /** Takes in a ratio unless it is known already, from as few stages or fewer. */
  offer(driven: number, drivers: number, shape: Shape): void {
    const key = keyOf(driven, drivers, shape);
    const known = this.met.get(key);
    if (known && known.shape.stages <= shape.stages) return;
    const ratio = ratioOf(driven, drivers, shape);
    const error = errorOf(ratio, this.target);
    if (this.cap && compare(abs(error), this.cap) > 0) return;
    this.met.set(key, { ratio, error, shape, driven, drivers });
    if (this.met.size >= 2 * this.count + 32) this.settle();
  }

  /** Whether this ratio is in already, so that it need not be looked at again. */
  knows(driven: number, drivers: number, shape: Shape): boolean {
    return this.met.has(keyOf(driven, drivers, shape));
  }

  /** Best first; what is beyond the count is let go. */
  settle(): readonly Met[] {
    const sorted = [...this.met.values()].sort(compareMet);
    const kept = sorted.slice(0, this.count);
    if (sorted.length >= this.count) {
      for (const m of sorted.slice(this.count)) this.met.delete(`${m.ratio.n}/${m.ratio.d}`);
      const last = kept.at(-1);
      if (last) this.bound = Math.min(this.bound, loosened(toNumber(abs(last.error))));
    }
    return kept;
  }
}

/** What the pairs and the parts of a shape make together. */
export const ratioOf = (driven: number, drivers: number, shape: Shape): Rational =>
  mul(rational(driven, drivers), shape.partsRatio);

/** The fraction in lowest terms as text. In doubles where it can be: an exact hit may be met a million times. */
function keyOf(driven: number, drivers: number, shape: Shape): string {
  if (shape.partsRatio === ONE) {
    const shared = commonFactor(driven, drivers);
    return `${driven / shared}/${drivers / shared}`;
  }
  const ratio = ratioOf(driven, drivers, shape);
  return `${ratio.n}/${ratio.d}`;
}

/** A limit in doubles that no candidate at the exact limit can pass. */
const loosened = (limit: number): number => limit * (1 + SLACK) + SLACK;
