import { div, floor, frac, mul, rational, toNumber, type Rational } from '../../numbers/index.ts';

/** One hole of a plate that is divided on the head itself: where the crank stands, exact. (handbook: divide, index plates) */
export interface MakingRow {
  readonly hole: number;
  /** from hole 0 */
  readonly wholeTurns: bigint;
  /** after the whole turns, 0 to 360 */
  readonly degrees: Rational;
}

/** A plate of H holes by a worm of W: hole i stands at i·360·W/H of the crank. */
export function makingList(worm: Rational, holes: number): readonly MakingRow[] {
  const one = div(worm, rational(holes));
  return Array.from({ length: holes }, (_, hole) => {
    const turns = mul(one, rational(hole));
    return { hole, wholeTurns: floor(turns), degrees: mul(frac(turns), rational(360)) };
  });
}

/** After so many holes the degrees repeat. */
export const repeatsAfter = (worm: Rational, holes: number): number => Number(div(worm, rational(holes)).d);

/** What a protractor read to ± `readDegrees`/2 leaves, ″: at the plate, and at work that is divided with the plate on a worm of `used`. */
export function readingError(
  worm: Rational,
  used: Rational,
  readDegrees: number,
): { readonly plateArcsec: number; readonly workArcsec: number } {
  const plateArcsec = (readDegrees * 3600) / (2 * toNumber(worm));
  return { plateArcsec, workArcsec: plateArcsec / toNumber(used) };
}

/** Where the holes of a circle stand from its middle, mm to three places; hole 0 to the right, then counter-clockwise. */
export function coordinates(
  holes: number,
  radiusMm: number,
): readonly { readonly hole: number; readonly x: number; readonly y: number }[] {
  const to = (mm: number): number => Math.round(mm * 1000) / 1000 + 0;
  return Array.from({ length: holes }, (_, hole) => {
    const angle = (2 * Math.PI * hole) / holes;
    return { hole, x: to(radiusMm * Math.cos(angle)), y: to(radiusMm * Math.sin(angle)) };
  });
}
