import { millimetres } from '../words/index.ts';
import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import {
  boltCircle,
  formRefusal,
  genevaCut,
  genevaLock,
  genevaWheel,
  lobedOf,
  lobedOutline,
  madeForms,
  motorFaces,
  type MadeForm,
} from '../make/index.ts';
import { Pen, type Drawing } from './drawing.ts';

const MIDDLE = { x: 0, y: 0 };

/** A lobed disc with its pins, or a Geneva's wheel beside its driver, at 1:1; by the name of its form. */
export function formSheet(drive: Drive, key: string): Result<Drawing> {
  const made = madeForms(drive).find((f) => f.key === key);
  if (!made)
    return error('notAChoice', key, {
      path: '--of',
      limit:
        madeForms(drive)
          .map((f) => f.key)
          .join(', ') || 'none of this drive',
    });
  const refusal = formRefusal(made);
  if (refusal) return { ok: false, refusal };
  return ok(made.form.as === 'lobes' ? lobesSheet(drive, made) : slotsSheet(drive, made));
}

/** Bores of the stage, where they are known. */
const boresOf = ({ train: { stages } }: Drive, { stage }: MadeForm) => ({
  first: stages[stage]!.inBoreMm ?? null,
  last: stages[stage]!.outBoreMm ?? null,
});

function bore(pen: Pen, at: { readonly x: number; readonly y: number }, mm: number | null): void {
  if (mm !== null) pen.circle(at, mm / 2, 'HOLES');
  pen.cross(at, (mm ?? 0) / 2);
}

function lobesSheet(drive: Drive, made: MadeForm): Drawing {
  const form = made.form as Extract<MadeForm['form'], { readonly as: 'lobes' }>;
  const disc = lobedOf(form);
  const { first, last } = boresOf(drive, made);
  const pen = new Pen();
  pen.path(lobedOutline(disc), 'OUTLINE');
  if (form.pins === null) {
    // its pinion: one round, out of the middle of its shaft
    const shaft = { x: disc.circleMm / 2, y: 0 };
    bore(pen, MIDDLE, last);
    pen.circle({ x: shaft.x - disc.eccentricMm, y: 0 }, disc.pinMm / 2, 'OUTLINE');
    bore(pen, shaft, first);
  } else {
    // the disc sits off the middle of the pins by its eccentric
    const about = { x: -disc.eccentricMm, y: 0 };
    bore(pen, MIDDLE, first);
    pen.circle(about, disc.circleMm / 2, 'CENTRE');
    for (let i = 0; i < form.pins; i++) {
      const a = (2 * Math.PI * i) / form.pins;
      pen.circle(
        { x: about.x + (disc.circleMm / 2) * Math.cos(a), y: (disc.circleMm / 2) * Math.sin(a) },
        disc.pinMm / 2,
        'HOLES',
      );
    }
    pen.cross(about, 1);
  }
  const title = `${form.label}, ${form.lobes} lobes`;
  pen.text(
    { x: 4, y: 2 },
    `${title}, pin ${millimetres(disc.pinMm)}, eccentric ${millimetres(disc.eccentricMm)}`,
  );
  return pen.done(`${title}, 1:1`);
}

function slotsSheet(drive: Drive, made: MadeForm): Drawing {
  const form = made.form as Extract<MadeForm['form'], { readonly as: 'slots' }>;
  const cut = genevaCut(form);
  const { first, last } = boresOf(drive, made);
  const pen = new Pen();
  pen.path(genevaWheel(cut), 'OUTLINE');
  bore(pen, MIDDLE, last);
  // beside it, clear of the wheel, its driver: the locking round and the pin
  const at = { x: cut.rim + cut.crank + cut.pinMm + 10, y: 0 };
  pen.path(
    genevaLock(cut).map(([x, y]) => [at.x - x, y] as const),
    'OUTLINE',
  );
  const pin = { x: at.x - cut.crank, y: 0 };
  pen.circle(pin, cut.pinMm / 2, 'HOLES');
  pen.cross(pin, cut.pinMm / 2);
  bore(pen, at, first);
  pen.text(
    { x: -cut.rim, y: -cut.rim - 5 },
    `shafts ${millimetres(cut.centreMm)} apart, pin ${millimetres(cut.pinMm)} at ${millimetres(cut.crank)}`,
  );
  return pen.done(`${form.label}, ${form.slots} slots, 1:1`);
}

/** The face of a motor: pilot and the four holes of its square. (handbook: make, fit list) */
export function motorSheet(frame: number): Result<Drawing> {
  const face = motorFaces.find((f) => f.frame === frame);
  if (!face)
    return error('notAChoice', `motor-${frame}`, {
      path: '--of',
      limit: motorFaces.map((f) => `motor-${f.frame}`).join(', '),
    });
  const pen = new Pen();
  const half = face.squareMm / 2;
  pen.circle(MIDDLE, face.pilotMm / 2, 'HOLES');
  pen.cross(MIDDLE, face.pilotMm / 2);
  pen.circle(MIDDLE, boltCircle(face.squareMm) / 2, 'CENTRE');
  for (const [sx, sy] of [
    [1, 1],
    [-1, 1],
    [-1, -1],
    [1, -1],
  ] as const) {
    const at = { x: sx * half, y: sy * half };
    pen.circle(at, face.screwMm / 2, 'HOLES');
    pen.cross(at, face.screwMm / 2);
  }
  pen.text(
    { x: -half, y: -half - 8 },
    `frame ${frame}: pilot ${face.pilotMm}, square ${face.squareMm}, circle ${millimetres(boltCircle(face.squareMm))}`,
  );
  return ok(pen.done(`motor face ${frame}, 1:1`));
}
