import { kindOf, type Drive, type Stage } from '../drive/index.ts';
import { error, readDivisions, type Refusal } from '../numbers/index.ts';
import { blankOf, freeingShift, INCH, isPointed, type Gear } from './gear.ts';

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
  /** the shift was not said: it is what keeps the root whole */
  readonly ownShift: boolean;
  /** the input that holds its shift; null where it has none */
  readonly shiftKey: 'shift' | 'shiftDriven' | null;
}

type Sizes = Readonly<Record<string, number | undefined>>;

const otherHand = (hand: Helix['hand']): Helix['hand'] =>
  hand === 'right' ? 'left' : hand === 'left' ? 'right' : hand;

/** Backlash at the pitch line that somebody gave, mm; each of two wheels is thinned by half of it. */
function givenPlay(stage: Stage, drivenMm: number): number {
  if (stage.playArcmin !== undefined) return ((stage.playArcmin * Math.PI) / 10_800) * (drivenMm / 2);
  return stage.playMm ?? 0;
}

/** Every wheel that a drive's path wants made, in the order of the train. */
export function madeWheels({ train: { stages } }: Drive): readonly MadeWheel[] {
  const out: MadeWheel[] = [];
  for (const [at, stage] of stages.entries()) {
    const wheels = kindOf(stage).makes?.(stage) ?? [];
    const sizes = stage as unknown as Sizes;
    let hand = stage.hand ?? 'right';
    const drivenMm = (wheels.at(-1)?.teeth ?? 0) * (sizes['moduleMm'] ?? 1);
    wheels.forEach((w, i) => {
      const { diametralPitch } = stage;
      const module =
        diametralPitch !== undefined
          ? INCH / diametralPitch
          : ((w.moduleKey && sizes[w.moduleKey]) ?? sizes['moduleMm'] ?? 1);
      const alphaDeg = stage.pressureAngleDeg ?? 20;
      const said = w.shiftKey && stage[w.shiftKey];
      const inner = w.as === 'ring';
      const tapped = w.as === 'wormWheel' && stage.cut === 'tap';
      if (i > 0 && w.as === 'gear' && wheels[i - 1]!.as === 'gear') hand = otherHand(hand);
      const boreKey = i === 0 && wheels.length > 1 ? 'inBoreMm' : 'outBoreMm';
      out.push({
        key: `wheel-${out.length + 1}`,
        number: out.length + 1,
        stage: at,
        label: w.label,
        teeth: w.teeth,
        as: w.as,
        count: w.count ?? 1,
        gear:
          w.as === 'pulley' || tapped
            ? null
            : {
                teeth: w.teeth,
                moduleMm: module,
                diametralPitch: diametralPitch ?? null,
                alphaDeg,
                shift: said ?? freeingShift({ teeth: w.teeth, alphaDeg, inner }),
                playMm: givenPlay(stage, drivenMm) / (wheels.length > 1 ? 2 : 1),
                inner,
              },
        threadPitchMm: tapped ? (stage.threadPitchMm ?? Math.PI * module) : null,
        beltPitchMm: w.as === 'pulley' ? (sizes['pitchMm'] ?? 2) : null,
        boreMm: stage[boreKey] ?? null,
        helix: stage.helixDeg && (w.as === 'gear' || w.as === 'ring') ? { deg: stage.helixDeg, hand } : null,
        boreKey,
        faceMm: stage.faceMm ?? null,
        ownShift: said === undefined,
        shiftKey: w.shiftKey ?? null,
      });
    });
  }
  return out;
}

/** Wheels of the work that are listed. */
const MOST_WORK = 60;

/** One that the drive divides for: so many teeth, like the blank of the job. */
export function workWheel({ job: { blank = {} } }: Drive, teeth: number): MadeWheel {
  const { diametralPitch, moduleMm = 1, pressureAngleDeg: alphaDeg = 20, boreMm, faceMm } = blank;
  return {
    key: `work-${teeth}`,
    number: null,
    stage: null,
    label: 'work',
    teeth,
    as: 'gear',
    count: 1,
    gear: {
      teeth,
      moduleMm: diametralPitch === undefined ? moduleMm : INCH / diametralPitch,
      diametralPitch: diametralPitch ?? null,
      alphaDeg,
      shift: freeingShift({ teeth, alphaDeg, inner: false }),
      playMm: 0,
      inner: false,
    },
    threadPitchMm: null,
    beltPitchMm: null,
    boreMm: boreMm ?? null,
    helix: null,
    boreKey: 'boreMm',
    faceMm: faceMm ?? null,
    ownShift: true,
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
