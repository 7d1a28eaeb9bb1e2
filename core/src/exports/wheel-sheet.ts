import { millimetres } from '../words/index.ts';
import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { drawnFor, madeWheels, wheelRefusal, workWheel, type MadeWheel } from '../make/index.ts';
import { blankOf, gearOutline, threadCutBlank } from '../teeth/index.ts';
import { Pen, type Drawing } from './drawing.ts';

const MIDDLE = { x: 0, y: 0 };
/** Round a ring's teeth, in modules. */
const RIM = 4;

/** A wheel of the train by its number at 1:1: true outline, bore, pitch circle; refused where it cannot be made as it stands. */
export function wheelSheet(drive: Drive, number: number): Result<Drawing> {
  const wheels = madeWheels(drive);
  if (wheels.length === 0) return error('nothingToExport', 'wheels to make');
  const wheel = wheels[number - 1];
  if (!wheel) return error('noWheel', String(number), { limit: String(wheels.length) });
  return checked(drive, wheel);
}

/** A wheel that the drive divides for, by its teeth. */
export const workSheet = (drive: Drive, teeth: number): Result<Drawing> =>
  checked(drive, workWheel(drive, teeth));

function checked(drive: Drive, wheel: MadeWheel): Result<Drawing> {
  const refusal = wheelRefusal(wheel);
  return refusal ? { ok: false, refusal } : ok(drawn({ ...wheel, boreMm: boreDrawn(drive, wheel) }));
}

/** A printed wheel's bore is drawn so that it comes out as wanted, by the printer's coupon. (handbook: make, print fits) */
function boreDrawn({ train: { stages }, printer }: Drive, { boreMm, stage }: MadeWheel): number | null {
  const printed = stage !== null && stages[stage]!.quality === 'printed';
  const { couponDrawnMm, couponMeasuredMm } = printer ?? {};
  return printed && boreMm !== null && couponDrawnMm !== undefined && couponMeasuredMm !== undefined
    ? drawnFor(boreMm, couponDrawnMm, couponMeasuredMm)
    : boreMm;
}

function drawn(wheel: MadeWheel): Drawing {
  const pen = new Pen();
  const { gear, boreMm } = wheel;
  if (gear) {
    const { pitchMm, rootMm } = blankOf(gear);
    pen.path(gearOutline(gear), 'OUTLINE');
    pen.circle(MIDDLE, pitchMm / 2, 'CENTRE');
    if (gear.inner) pen.circle(MIDDLE, rootMm / 2 + RIM * gear.moduleMm, 'OUTLINE');
  } else if (wheel.threadPitchMm !== null) {
    const blank = threadCutBlank(wheel.threadPitchMm, wheel.teeth);
    pen.circle(MIDDLE, blank.outsideMm / 2, 'OUTLINE');
    pen.circle(MIDDLE, blank.pitchMm / 2, 'CENTRE');
  } else {
    // a pulley is bought, or turned by its maker's form: its pitch circle and where its teeth stand
    const r = (wheel.beltPitchMm! * wheel.teeth) / Math.PI / 2;
    pen.circle(MIDDLE, r, 'OUTLINE');
    for (let i = 0; i < wheel.teeth; i++) {
      const a = (2 * Math.PI * i) / wheel.teeth;
      pen.line(
        { x: r * Math.cos(a), y: r * Math.sin(a) },
        { x: (r - 1) * Math.cos(a), y: (r - 1) * Math.sin(a) },
        'CENTRE',
      );
    }
  }
  const hole = gear?.inner ? null : boreMm;
  if (hole !== null) pen.circle(MIDDLE, hole / 2, 'HOLES');
  pen.cross(MIDDLE, (hole ?? 0) / 2);
  pen.text(
    { x: (hole ?? 0) / 2 + 3, y: 1 },
    `${wheel.label} ${wheel.teeth}${gear ? `, module ${millimetres(gear.moduleMm)}${gear.moduleFrom === 'assumed' ? ', assumed' : ''}` : ''}`,
  );
  return pen.done(`${wheel.label} ${wheel.teeth}, 1:1`);
}
