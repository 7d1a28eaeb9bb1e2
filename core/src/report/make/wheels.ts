import { kindOf, type Drive } from '../../drive/index.ts';
import { madeWheels, wheelRefusal, workWheels, type MadeWheel } from '../../make/index.ts';
import {
  blankOf,
  chordOf,
  cutterFor,
  halfToothAt,
  meshesOf,
  pinsOf,
  seenTeeth,
  spanOf,
  threadCutBlank,
  wormOf,
  type Cutter,
  type Gear,
} from '../../teeth/index.ts';
import { refusalSentence } from '../../numbers/index.ts';
import { measured } from '../../words/index.ts';
import { wheelMessages } from './wheel-words.ts';

/** A size that is turned, cut or measured. */
export interface SizeRow {
  readonly label: string;
  readonly text: string;
  readonly unit: string;
}

/** One pass of the cutter, all the way round. */
export interface PassRow {
  readonly title: string;
  readonly feed: string;
  readonly depth: string;
  /** what the space is wide at the rim when it is cut so deep */
  readonly gap: string;
  readonly left: string;
}

/** A wheel as it is made. */
export interface WheelReport {
  readonly wheel: MadeWheel;
  /** "3 · worm wheel, 90" */
  readonly title: string;
  /** "worm 1 : 90" */
  readonly stage: string;
  readonly blank: readonly SizeRow[];
  readonly measure: readonly SizeRow[];
  /** its distance from each of its mates, and how they run */
  readonly mesh: readonly SizeRow[];
  readonly cutter: Cutter | null;
  readonly cutterMessage: string;
  readonly passes: readonly PassRow[];
  readonly message: readonly string[];
  /** what keeps it from being made as it stands */
  readonly refusal: string | null;
}

const mm = (n: number, places = 3): string => n.toFixed(places);
const row = (label: string, value: number | null, places = 3): readonly SizeRow[] =>
  value === null ? [] : [{ label, text: mm(value, places), unit: 'mm' }];

/** The first pass takes so much of the depth. */
const ROUGH = 0.71;

function passesOf(gear: Gear): readonly PassRow[] {
  const { depthMm, rootMm } = blankOf(gear);
  const step = depthMm > 1 ? 20 : 100;
  const rough = Math.round(depthMm * ROUGH * step) / step;
  // a cutter so deep in is as wide at the rim as the finished space is so far above its bottom
  const gap = (depth: number): number => {
    const r = rootMm / 2 + depth;
    return 2 * r * Math.sin(Math.PI / gear.teeth - halfToothAt(gear, r));
  };
  return [
    {
      title: '1, rough',
      feed: mm(rough, 2),
      depth: mm(rough, 2),
      gap: mm(gap(rough), 2),
      left: mm(depthMm - rough, 2),
    },
    {
      title: '2, finish',
      feed: mm(depthMm - rough, 2),
      depth: mm(depthMm, 2),
      gap: mm(gap(depthMm), 2),
      left: '0',
    },
  ];
}

/** The cutter of a set for a wheel: slanted teeth are met square, so it sees a larger one. */
export const cutterOf = (gear: Gear): Cutter | null =>
  gear.inner ? null : cutterFor(Math.round(seenTeeth(gear)));

function gearRows(
  wheel: MadeWheel,
  gear: Gear,
): Pick<WheelReport, 'blank' | 'measure' | 'passes' | 'cutter' | 'cutterMessage'> {
  const b = blankOf(gear);
  const span = spanOf(gear);
  const pins = pinsOf(gear);
  const chord = chordOf(gear);
  const cutter = cutterOf(gear);
  const form = wheel.as === 'gear' && !gear.inner;
  return {
    blank: [
      ...row(gear.inner ? 'Bore to' : 'Turn outside to', b.outsideMm),
      ...row('Bore', wheel.boreMm, 2),
      ...row('Face', wheel.faceMm, 2),
      ...row('Root circle', b.rootMm),
      ...row('Pitch circle', b.pitchMm),
      ...row('Base circle', b.baseMm),
      ...row('Depth', b.depthMm),
      ...row('Tooth along the pitch circle', b.thicknessMm - gear.playMm),
    ],
    measure: gear.inner
      ? []
      : [
          ...row(`Span over ${span.teeth} teeth`, span.mm),
          ...(pins ? row(`Over ${gear.helixDeg > 0 ? 'balls' : 'pins'} of ${mm(pins.pinMm)}`, pins.mm) : []),
          ...row('Tooth, chord', chord.mm),
          ...row('measured down from the tip', chord.downMm),
        ],
    cutter,
    cutterMessage: cutter
      ? ''
      : gear.inner
        ? 'A ring is shaped, broached or printed: no profile cutter reaches in.'
        : 'Under 12 teeth no set has a cutter: hob it, shape it, or print it.',
    passes: form || wheel.as === 'wormWheel' ? passesOf(gear) : [],
  };
}

function tappedRows(
  wheel: MadeWheel,
  pitch: number,
): Pick<WheelReport, 'blank' | 'measure' | 'passes' | 'cutter' | 'cutterMessage'> {
  const b = threadCutBlank(pitch, wheel.teeth);
  return {
    blank: [
      ...row('Turn outside to', b.outsideMm),
      ...row('Bore', wheel.boreMm, 2),
      ...row('Face', wheel.faceMm, 2),
      ...row('Pitch circle', b.pitchMm),
      ...row('Depth', b.depthMm),
    ],
    measure: [],
    cutter: null,
    cutterMessage: `Cut with a tap or thread of ${measured(pitch)} mm, fed in until its flanks are whole; gash it first so that it does not choose its own count.`,
    passes: [],
  };
}

/** How a wheel runs with its mates: the distance of their arbors, the teeth in contact. (handbook: make, working distance) */
function meshRows(drive: Drive, wheel: MadeWheel): readonly SizeRow[] {
  const stage = wheel.stage === null ? null : drive.train.stages[wheel.stage]!;
  if (!stage) return [];
  const held = stage.distanceMm === undefined ? null : Number(stage.distanceMm);
  const own = meshesOf(stage).filter(({ a, b }) => a.gear === wheel.gear || b.gear === wheel.gear);
  const worm = wheel.as === 'wormWheel' ? wormOf(stage) : null;
  return [
    ...own.flatMap(({ a, b, mesh }): SizeRow[] => {
      const mate = a.gear === wheel.gear ? b : a;
      const name = `${mate.wheel.label} ${mate.wheel.teeth}`;
      if (!mesh) return [{ label: `Distance from the ${name}`, text: 'none lets them mesh', unit: '' }];
      return [
        ...row(`Distance from the ${name}`, mesh.distanceMm),
        ...(held !== null && Math.abs(held - mesh.distanceMm) > 5e-7 ? row('set in the plan to', held) : []),
        { label: 'Teeth in contact', text: mm(mesh.contact, 2), unit: '' },
      ];
    }),
    ...(worm ? row('Distance from the worm', worm.distanceMm) : []),
  ];
}

const none = { blank: [], measure: [], passes: [], cutter: null } as const;

const titleOf = (wheel: MadeWheel): string =>
  `${wheel.number === null ? '' : `${wheel.number} · `}${wheel.label}, ${wheel.teeth}${wheel.count > 1 ? `, ${wheel.count} of it` : ''}`;

function wheelReport(drive: Drive, wheel: MadeWheel): WheelReport {
  const stage = wheel.stage === null ? null : drive.train.stages[wheel.stage]!;
  const { gear } = wheel;
  const refusal = wheelRefusal(wheel);
  const rows = gear
    ? gearRows(wheel, gear)
    : wheel.threadPitchMm !== null
      ? tappedRows(wheel, wheel.threadPitchMm)
      : {
          ...none,
          blank: row('Pitch circle', (wheel.beltPitchMm! * wheel.teeth) / Math.PI),
          cutterMessage: 'A pulley is bought, or printed to its belt’s own form.',
        };
  return {
    wheel,
    title: titleOf(wheel),
    stage: stage ? `${kindOf(stage).short} ${kindOf(stage).label(stage)}` : 'what is divided',
    ...rows,
    mesh: meshRows(drive, wheel),
    message: wheelMessages(drive, wheel),
    refusal: refusal && refusalSentence({ ...refusal, path: '' }),
  };
}

/** A wheel by its name; reckoned when it is asked for. */
export interface WheelEntry {
  readonly wheel: MadeWheel;
  readonly title: string;
  of(): WheelReport;
}

/** Every wheel of a drive's path and every one that it divides for, as it is made. (handbook: make) */
export const wheelReports = (drive: Drive): readonly WheelEntry[] =>
  [...madeWheels(drive), ...workWheels(drive)].map((wheel) => ({
    wheel,
    title: titleOf(wheel),
    of: () => wheelReport(drive, wheel),
  }));

/** How the wheel of a count is cut; null where the job says nothing of a blank, or it cannot be one. */
export function workReport(drive: Drive, teeth: number): WheelReport | null {
  const wheel = drive.job.blank ? workWheels(drive).find((w) => w.teeth === teeth) : undefined;
  const made = wheel && wheelReport(drive, wheel);
  return made && made.refusal === null ? made : null;
}
