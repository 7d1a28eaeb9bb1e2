import { moduleOf, type Drive } from '../drive/index.ts';
import { error, readDivisions, type Refusal } from '../numbers/index.ts';
import { blankOf, isPointed, teethOf, workGear, type Gear, type ShiftFrom } from '../teeth/index.ts';

/** Slanted teeth, at the pitch circle. Two wheels that mesh on their outsides are of opposite hands, a ring is of its wheel's. */
export interface Helix {
  readonly deg: number;
  readonly hand: 'right' | 'left' | 'herringbone';
}

/** A wheel as it is to be made: of the train, numbered from 1 along it, driver before driven; or one that the drive divides for. (docs: formats) */
export interface MadeWheel {
  /** "wheel-3", "work-73": what its drawing is called */
  readonly key: string;
  /** null for the work */
  readonly number: number | null;
  /** from 0 along the path; null for the work */
  readonly stage: number | null;
  /** "driver" */
  readonly label: string;
  readonly teeth: number;
  readonly as: 'gear' | 'ring' | 'pulley' | 'wormWheel';
  readonly count: number;
  /** null for a pulley, and for a worm wheel that is cut by a thread */
  readonly gear: Gear | null;
  /** pitch of the tap that cuts it, mm */
  readonly threadPitchMm: number | null;
  /** pitch of its belt, mm */
  readonly beltPitchMm: number | null;
  readonly boreMm: number | null;
  /** the input that holds its bore */
  readonly boreKey: 'inBoreMm' | 'outBoreMm' | 'boreMm';
  readonly faceMm: number | null;
  /** slanted teeth: how far, and which way; null for straight ones */
  readonly helix: Helix | null;
  /** why it has the shift that it has */
  readonly shiftFrom: ShiftFrom;
  /** the input that holds its shift; null where it has none */
  readonly shiftKey: 'shift' | 'shiftDriven' | null;
}

const otherHand = (hand: Helix['hand']): Helix['hand'] =>
  hand === 'right' ? 'left' : hand === 'left' ? 'right' : hand;

/** Every wheel that a drive's path wants made, in the order of the train. */
export function madeWheels({ train: { stages } }: Drive): readonly MadeWheel[] {
  const out: MadeWheel[] = [];
  for (const [at, stage] of stages.entries()) {
    const teeth = teethOf(stage);
    let hand = stage.hand ?? 'right';
    teeth.forEach(({ wheel: w, gear, shiftFrom }, i) => {
      if (i > 0 && w.as === 'gear' && teeth[i - 1]!.wheel.as === 'gear') hand = otherHand(hand);
      const boreKey = i === 0 && teeth.length > 1 ? 'inBoreMm' : 'outBoreMm';
      const pitchMm = (stage as { readonly pitchMm?: number }).pitchMm ?? 2;
      out.push({
        key: `wheel-${out.length + 1}`,
        number: out.length + 1,
        stage: at,
        label: w.label,
        teeth: w.teeth,
        as: w.as,
        count: w.count ?? 1,
        gear,
        threadPitchMm:
          gear || w.as === 'pulley' ? null : (stage.threadPitchMm ?? Math.PI * moduleOf(stage).mm),
        beltPitchMm: w.as === 'pulley' ? pitchMm : null,
        boreMm: stage[boreKey] ?? null,
        helix: gear && gear.helixDeg > 0 ? { deg: gear.helixDeg, hand } : null,
        boreKey,
        faceMm: stage.faceMm ?? null,
        shiftFrom,
        shiftKey: w.shiftKey ?? null,
      });
    });
  }
  return out;
}

/** Wheels of the work that are listed. */
const MOST_WORK = 60;

/** One that the drive divides for: so many teeth, like the blank of the job. */
export function workWheel({ job: { blank } }: Drive, teeth: number): MadeWheel {
  const gear = workGear(blank, teeth);
  return {
    key: `work-${teeth}`,
    number: null,
    stage: null,
    label: 'work',
    teeth,
    as: 'gear',
    count: 1,
    gear,
    threadPitchMm: null,
    beltPitchMm: null,
    boreMm: blank?.boreMm ?? null,
    helix: null,
    boreKey: 'boreMm',
    faceMm: blank?.faceMm ?? null,
    shiftFrom: gear.shift === 0 ? 'none' : 'taken',
    shiftKey: null,
  };
}

/** Those of every wanted count that can be a wheel. */
export function workWheels(drive: Drive): readonly MadeWheel[] {
  const read = readDivisions(drive.job.divisions);
  return (read.ok ? read.value : [])
    .filter((n) => n >= LEAST_TEETH)
    .slice(0, MOST_WORK)
    .map((n) => workWheel(drive, n));
}

/** Fewest teeth that are drawn as an involute. */
const LEAST_TEETH = 4;

/** What keeps a wheel from being made as it stands: too few teeth, a shift that points them, a bore that leaves no rim. */
export function wheelRefusal(wheel: MadeWheel): Refusal | null {
  const { gear, boreMm } = wheel;
  const path = wheel.stage === null ? 'job.blank' : `train.stages[${wheel.stage}]`;
  if (wheel.teeth < LEAST_TEETH)
    return error('tooFewTeeth', String(wheel.teeth), { path, limit: String(LEAST_TEETH) }).refusal;
  if (!gear) return null;
  if (isPointed(gear))
    return error('pointedTeeth', String(gear.shift), {
      path: `${path}.${wheel.shiftKey ?? 'shift'}`,
      limit: String(mostShift(gear)),
    }).refusal;
  const { rootMm, outsideMm } = blankOf(gear);
  const hole = gear.inner ? null : Math.min(rootMm, outsideMm);
  if (hole !== null && boreMm !== null && boreMm >= hole)
    return error('boreTooLarge', String(boreMm), {
      path: `${path}.${wheel.boreKey}`,
      limit: String(Math.floor((hole - 2 * gear.moduleMm) * 10) / 10),
    }).refusal;
  return null;
}

/** The greatest shift, in hundredths, at which the tooth still has a tip. */
function mostShift(gear: Gear): number {
  for (let x = Math.floor(gear.shift * 100); x > -100; x--)
    if (!isPointed({ ...gear, shift: x / 100 })) return x / 100;
  return -1;
}
