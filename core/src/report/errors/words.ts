import { angleText, type Graded, roughAngle } from '../../words/index.ts';

/** A sum against the tolerance; null where none is asked. */
export function againstTolerance(arcsec: number, tolerance: number | null): Graded | null {
  if (tolerance === null) return null;
  return arcsec <= tolerance
    ? {
        grade: arcsec === 0 ? 'even' : 'rounded',
        word: arcsec === 0 ? 'Even' : `Rounded ±${angleText(arcsec)}`,
      }
    : { grade: 'misses', word: `Misses by ${roughAngle(arcsec - tolerance)}` };
}

/** "without 2 unknown", or nothing. */
export const withoutUnknown = (unknown: number): string => (unknown > 0 ? `without ${unknown} unknown` : '');
