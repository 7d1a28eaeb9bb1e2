import { ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { coordinates } from '../divide/index.ts';
import { drillingMoves, writeCsv } from '../files/index.ts';
import { circlesOf } from './circle-sheet.ts';
import type { ExportOptions, Offer } from './export.ts';

/** A file of holes for each plate. */
export const drillingOffers = ({ plates }: Drive): readonly Offer[] =>
  (plates?.plates ?? []).map((_, i) => ({
    file: `drilling/plate-${i}`,
    title: `Holes of plate ${i + 1}`,
    options: { of: `plate-${i}` },
  }));

/** Every hole with its place, for a drill with two axes. (handbook: make, hole plates) */
export function drillingCsv(drive: Drive, options: ExportOptions): Result<string> {
  const circles = circlesOf(drive, options);
  if (!circles.ok) return circles;
  return ok(
    writeCsv(
      ['circle', 'hole', 'x (mm)', 'y (mm)', 'angle (deg)'],
      circles.value.flatMap(({ holes, r }) =>
        coordinates(holes, r).map(({ hole, x, y }) => [
          holes,
          hole,
          x.toFixed(3),
          y.toFixed(3),
          Number(((360 * hole) / holes).toFixed(6)),
        ]),
      ),
    ),
  );
}

/** The same as moves, one circle after the other. */
export function drillingGcode(drive: Drive, options: ExportOptions): Result<string> {
  const circles = circlesOf(drive, options);
  return circles.ok ? ok(circles.value.map(({ holes, r }) => drillingMoves(holes, r)).join('')) : circles;
}
