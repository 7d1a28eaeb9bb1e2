import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { drawingKindOf, drawingsOf, isOfPlan, type DrawingKindId } from '../make/index.ts';
import { dialSheet, plateSheet, vernierSheet } from './circle-sheet.ts';
import type { Drawing } from './drawing.ts';
import { MOST_OFFERED, type ExportOptions, type Offer } from './export.ts';
import { formSheet, motorSheet } from './form-sheet.ts';
import { planSheet, plateOfArbors } from './plan-sheet.ts';
import { wheelSheet, workSheet } from './wheel-sheet.ts';

/** Teeth of a wheel that is drawn. */
const MOST_TEETH = 2000;
/** Radius of a dial, and lines of it, when nobody says. */
const DIAL = { radius: 40, lines: 360, parts: 10 } as const;

const linesOf = ({ train: { source } }: Drive, { lines }: ExportOptions): number =>
  lines ?? (source.kind === 'crank' && source.marks > 1 ? source.marks : DIAL.lines);

/** What is drawn of a name, its number beside it. */
type Sheet = (
  drive: Drive,
  options: ExportOptions & { readonly of: string },
  number: number,
) => Result<Drawing>;

const ofPlan = (sheet: Drawing | null): Result<Drawing> =>
  sheet ? ok(sheet) : error('nothingToExport', 'wheels in mesh');
const unknown = (drive: Drive, of: string): Result<Drawing> =>
  error('notAChoice', of, {
    path: '--of',
    limit: drawingsOf(drive)
      .map((d) => d.name)
      .join(', '),
  });

/** How each kind of drawing is drawn. */
const sheets: Readonly<Record<DrawingKindId, Sheet>> = {
  wheel: (drive, _, number) => wheelSheet(drive, number),
  work: (drive, { of }, number) => (number <= MOST_TEETH ? workSheet(drive, number) : unknown(drive, of)),
  plate: (drive, options) => plateSheet(drive, options),
  form: (drive, { of }) => formSheet(drive, of),
  dial: (drive, o) => ok(dialSheet(linesOf(drive, o), o.radius?.[1] ?? DIAL.radius)),
  vernier: (drive, o) =>
    ok(vernierSheet(linesOf(drive, o), o.parts ?? DIAL.parts, o.radius?.[1] ?? DIAL.radius)),
  arbors: (drive) => ofPlan(planSheet(drive)),
  front: (drive) => ofPlan(plateOfArbors(drive, 'front')),
  back: (drive) => ofPlan(plateOfArbors(drive, 'back')),
  motor: (_, __, number) => motorSheet(number),
};

/** The drawings of this very drive; those of the plan where there is one. */
export function drawingOffers(drive: Drive): readonly Offer[] {
  const planned = planSheet(drive) !== null;
  return drawingsOf(drive, true)
    .filter(({ name }) => planned || !isOfPlan(name))
    .slice(0, MOST_OFFERED)
    .map(({ name, title }) => ({ file: `drawings/${name}`, title, options: { of: name } }));
}

/** One drawing by its name; the plan of the arbors unless said. (docs: formats) */
export function drawingOf(drive: Drive, options: ExportOptions): Result<Drawing> {
  const { of = 'arbors' } = options;
  const named = drawingKindOf(of);
  return named ? sheets[named.kind](drive, { ...options, of }, named.number ?? 0) : unknown(drive, of);
}
