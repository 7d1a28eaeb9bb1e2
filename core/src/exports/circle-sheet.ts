import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { coordinates } from '../divide/index.ts';
import { dialLines, vernierLines, type DialLine } from '../make/index.ts';
import { Pen, type Drawing } from './drawing.ts';
import type { ExportOptions } from './export.ts';

const MIDDLE = { x: 0, y: 0 };
/** Of a hole, mm, where nobody says; less where they would run into one another. */
const HOLE_MM = 2;
/** Radii of the innermost and the outermost circle when nobody says. */
const RADII: readonly [number, number] = [40, 90];

/** How a plate is drawn: one circle of it, or all of them between two radii. */
type CirclesAsked = Pick<ExportOptions, 'of' | 'circle' | 'radius'>;

/** The number of a plate in "plate-0"; null for anything else. */
export function plateNumber(of: string | undefined): number | null {
  const [, number] = /^plate-(\d+)$/.exec(of ?? '') ?? [];
  return number === undefined ? null : Number(number);
}

/** The circles of a plate that are asked, with their radii; refused by name where there is no such plate or circle. */
export function circlesOf(
  { plates }: Drive,
  { of, circle, radius }: CirclesAsked,
): Result<readonly { readonly holes: number; readonly r: number }[]> {
  const at = plateNumber(of)!;
  const all = plates?.plates ?? [];
  if (all.length === 0) return error('nothingToExport', 'plates');
  const plate = all[at];
  if (!plate) return error('noPlate', String(at), { limit: String(all.length - 1) });
  if (circle !== undefined && !plate.includes(circle))
    return error('noCircle', String(circle), { path: '--circle', limit: plate.join(', ') });
  const circles = circle === undefined ? [...plate].sort((a, b) => a - b) : [circle];
  const radii = radiiOf(circles.length, radius);
  return ok(circles.map((holes, i) => ({ holes, r: radii[i]! })));
}

/** A hole plate at 1:1: every hole of its circles, hole 0 on +x and counter-clockwise. (handbook: make, hole plates) */
export function plateSheet(drive: Drive, asked: CirclesAsked): Result<Drawing> {
  const circles = circlesOf(drive, asked);
  if (!circles.ok) return circles;
  const pen = new Pen();
  for (const { holes, r } of circles.value) {
    const width = Math.min(HOLE_MM, (0.6 * 2 * Math.PI * r) / holes);
    for (const { x, y } of coordinates(holes, r)) pen.circle({ x, y }, width / 2, 'HOLES');
    pen.circle(MIDDLE, r, 'CENTRE');
    pen.text({ x: r + 2, y: 1 }, String(holes));
  }
  pen.circle(MIDDLE, Math.max(...circles.value.map((c) => c.r)) + 8, 'OUTLINE');
  pen.cross(MIDDLE, 0);
  const names = circles.value.map((c) => c.holes).join(', ');
  return ok(pen.done(`plate ${plateNumber(asked.of)! + 1}, ${names}, 1:1`));
}

/** Evenly between two radii; the outer one for a circle alone. */
function radiiOf(count: number, radius: readonly [number, number] = RADII): readonly number[] {
  const [from, to] = radius;
  return Array.from({ length: count }, (_, i) => (count === 1 ? to : from + ((to - from) * i) / (count - 1)));
}

function linesSheet(lines: readonly DialLine[], r: number, title: string): Drawing {
  const pen = new Pen();
  for (const { turn, long, text } of lines) {
    const a = 2 * Math.PI * turn;
    const inner = r - long;
    pen.line(
      { x: r * Math.cos(a), y: r * Math.sin(a) },
      { x: inner * Math.cos(a), y: inner * Math.sin(a) },
      'OUTLINE',
    );
    if (text !== '')
      pen.text({ x: (inner - 4) * Math.cos(a) - 1.5, y: (inner - 4) * Math.sin(a) - 1 }, text, 2.4);
  }
  pen.circle(MIDDLE, r, 'OUTLINE');
  pen.cross(MIDDLE, 0);
  return pen.done(title);
}

/** A graduated dial, and a vernier for it. (handbook: make, hole plates and dials) */
export const dialSheet = (lines: number, r: number): Drawing =>
  linesSheet(dialLines(lines), r, `dial of ${lines}, 1:1`);
export const vernierSheet = (lines: number, parts: number, r: number): Drawing =>
  linesSheet(vernierLines(lines, parts), r, `vernier of ${parts} for a dial of ${lines}, 1:1`);
