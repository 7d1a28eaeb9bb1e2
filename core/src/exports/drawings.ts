import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { madeForms, madeWheels, workWheels } from '../make/index.ts';
import { dialSheet, plateSheet, vernierSheet } from './circle-sheet.ts';
import type { Drawing } from './drawing.ts';
import type { ExportOptions } from './export.ts';
import { formSheet, motorNames, motorSheet } from './form-sheet.ts';
import { planSheet, plateOfArbors } from './plan-sheet.ts';
import { wheelSheet, workSheet } from './wheel-sheet.ts';

/** Teeth of a wheel that is drawn. */
const MOST_TEETH = 2000;
/** Radius of a dial, and lines of it, when nobody says. */
const DIAL = { radius: 40, lines: 360, parts: 10 } as const;

const linesOf = ({ train: { source } }: Drive, { lines }: ExportOptions): number =>
  lines ?? (source.kind === 'crank' && source.marks > 1 ? source.marks : DIAL.lines);

/** What can be drawn of a drive at 1:1, by name: the arbors, a wheel, a plate, a dial. */
export function drawingNames(drive: Drive): readonly string[] {
  return [
    'arbors',
    'front',
    'back',
    ...madeWheels(drive).map((w) => `wheel-${w.number}`),
    ...workWheels(drive).map((w) => w.key),
    ...(drive.plates?.plates ?? []).map((_, i) => `plate-${i}`),
    ...madeForms(drive).map((f) => f.key),
    ...motorNames,
    'dial',
    'vernier',
  ];
}

/** Those that belong to this very drive: without dials and motor faces, which any has. */
export const ownDrawingNames = (drive: Drive): readonly string[] =>
  drawingNames(drive).filter((n) => n !== 'dial' && n !== 'vernier' && !motorNames.includes(n));

/** One drawing by its name; the plan of the arbors unless said. (docs: formats) */
export function drawingOf(drive: Drive, options: ExportOptions): Result<Drawing> {
  const { of = 'arbors', radius } = options;
  const [kind, number] = of.split('-');
  const at = Number(number);
  if (number === undefined || /^\d+$/.test(number)) {
    if (kind === 'wheel' && number !== undefined) return wheelSheet(drive, at);
    if (kind === 'work' && number !== undefined && at <= MOST_TEETH) return workSheet(drive, at);
    if ((kind === 'lobes' || kind === 'slots') && number !== undefined) return formSheet(drive, of);
    if (kind === 'motor' && number !== undefined) return motorSheet(at);
    if (kind === 'plate' && number !== undefined) return plateSheet(drive, options);
    if (of === 'arbors' || of === 'front' || of === 'back') {
      const plan = of === 'arbors' ? planSheet(drive) : plateOfArbors(drive, of);
      return plan ? ok(plan) : error('nothingToExport', 'wheels in mesh');
    }
    if (of === 'dial') return ok(dialSheet(linesOf(drive, options), radius?.[1] ?? DIAL.radius));
    if (of === 'vernier')
      return ok(
        vernierSheet(linesOf(drive, options), options.parts ?? DIAL.parts, radius?.[1] ?? DIAL.radius),
      );
  }
  return error('notAChoice', of, { path: '--of', limit: drawingNames(drive).join(', ') });
}
