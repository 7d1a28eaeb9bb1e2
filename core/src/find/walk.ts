import { toNumber, type Rational } from '../numbers/index.ts';
import { firstAtLeast, type Products } from './products.ts';

/** Where the walk ends: a bound that shrinks while better ratios are met, and who takes them. */
export interface Judge {
  /** shrinks by what is taken, never otherwise */
  readonly bound: number;
  /** the two products, and where they stand in their lists */
  readonly take: (driven: number, drivers: number, drivenAt: number, driversAt: number) => void;
}

/**
 * Two pointers over two sorted lists: for each driver B in [from, to) every driven A with |A/(t·B) − 1| within the judge's
 * bound, nearest first. O(length) for a list and what is taken. (handbook: find)
 */
export function walk(
  driven: Products,
  drivers: Products,
  target: Rational,
  judge: Judge,
  from = 0,
  to = drivers.length,
): void {
  const t = toNumber(target);
  if (driven.length === 0 || from >= to) return;
  let at = firstAtLeast(driven, t * drivers[from]!);
  let { bound } = judge;
  for (let i = from; i < to; i++) {
    const b = drivers[i]!;
    const x = t * b;
    while (at < driven.length && driven[at]! < x) at++;
    for (let up = at; up < driven.length; up++) {
      const a = driven[up]!;
      if ((a - x) / x > bound) break;
      judge.take(a, b, up, i);
      ({ bound } = judge);
    }
    for (let down = at - 1; down >= 0; down--) {
      const a = driven[down]!;
      if ((x - a) / x > bound) break;
      judge.take(a, b, down, i);
      ({ bound } = judge);
    }
  }
}

/** A first bound from every so many-th driver, so that the full walk takes little that it must let go again. */
export function warm(driven: Products, drivers: Products, target: Rational, judge: Judge): void {
  const STEP = 97;
  if (drivers.length < 4 * STEP) return;
  const t = toNumber(target);
  for (let i = 0; i < drivers.length; i += STEP) {
    const x = t * drivers[i]!;
    const at = firstAtLeast(driven, x);
    for (const near of [at, at - 1]) {
      const a = driven[near];
      if (a !== undefined && Math.abs(a - x) / x <= judge.bound) judge.take(a, drivers[i]!, near, i);
    }
  }
}
