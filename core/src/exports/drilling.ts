import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { drillingMoves, writeCsv } from '../files/index.ts';
import { holePlaces } from '../make/index.ts';
import { radiiOf } from './circle-sheet.ts';
import type { ExportOptions } from './export.ts';

export const isPlate = (of: string | undefined): of is string => of !== undefined && /^plate-\d+$/.test(of);

/** The circles of a plate that are asked, with their radii; refused by name where there is no such plate or circle. */
function circlesOf(
  { plates }: Drive,
  { of, circle, radius }: ExportOptions,
): Result<readonly { readonly holes: number; readonly r: number }[]> {
  const all = plates?.plates ?? [];
  if (all.length === 0) return error('nothingToExport', 'plates');
  const plate = all[Number(of!.slice(6))];
  if (!plate) return error('noPlate', of!.slice(6), { limit: String(all.length - 1) });
  if (circle !== undefined && !plate.includes(circle))
    return error('noCircle', String(circle), { path: '--circle', limit: plate.join(', ') });
  const circles = circle === undefined ? [...plate].sort((a, b) => a - b) : [circle];
  const radii = radiiOf(circles.length, radius);
  return ok(circles.map((holes, i) => ({ holes, r: radii[i]! })));
}

/** Every hole with its place, for a drill with two axes. (handbook: make, hole plates) */
export function drillingCsv(drive: Drive, options: ExportOptions): Result<string> {
  const circles = circlesOf(drive, options);
  if (!circles.ok) return circles;
  return ok(
    writeCsv(
      ['circle', 'hole', 'x (mm)', 'y (mm)', 'angle (deg)'],
      circles.value.flatMap(({ holes, r }) =>
        holePlaces(holes, r).map(([x, y], i) => [
          holes,
          i,
          x.toFixed(4),
          y.toFixed(4),
          Number(((360 * i) / holes).toFixed(6)),
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
