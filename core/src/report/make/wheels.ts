import { kindOf, type Drive } from '../../drive/index.ts';
import {
  blankOf,
  chordOf,
  cutterFor,
  halfToothAt,
  leastTeeth,
  madeWheels,
  pinsOf,
  spanOf,
  threadCutBlank,
  wheelRefusal,
  workWheels,
  type Cutter,
  type Gear,
  type MadeWheel,
} from '../../make/index.ts';
import { refusalSentence } from '../../numbers/index.ts';
import { measured, trimmed } from '../text.ts';

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

/** Teeth of the straight wheel that a profile cutter takes slanted teeth for: z/cos³β. */
const seenTeeth = ({ teeth, helix }: MadeWheel): number =>
  helix === null ? teeth : Math.round(teeth / Math.cos((helix.deg * Math.PI) / 180) ** 3);

/** What is said of slanted teeth: their hand, their mate's, and the cutter that goes along them. */
function helixMessage({ helix, gear, as }: MadeWheel): readonly string[] {
  if (helix === null || gear === null) return [];
  const along = `square to the teeth its module is ${measured(gear.moduleMm * Math.cos((helix.deg * Math.PI) / 180))}`;
  if (helix.hand === 'herringbone')
    return [`Herringbone, ${measured(helix.deg)}°: two mirrored halves; ${along}.`];
  const mate = as === 'ring' ? helix.hand : helix.hand === 'right' ? 'left' : 'right';
  return [
    `${helix.hand === 'right' ? 'Right' : 'Left'} hand, ${measured(helix.deg)}°; ${as === 'ring' ? 'the wheel in it' : 'its mate'} is of the ${mate} hand (a ring of its wheel’s own); ${along}.`,
  ];
}

function gearRows(
  wheel: MadeWheel,
  gear: Gear,
): Pick<WheelReport, 'blank' | 'measure' | 'passes' | 'cutter' | 'cutterMessage'> {
  const b = blankOf(gear);
  const span = spanOf(gear);
  const pins = pinsOf(gear);
  const chord = chordOf(gear);
  // a cutter meets slanted teeth square to them: it sees a larger wheel
  const cutter = gear.inner ? null : cutterFor(seenTeeth(wheel));
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
          ...(pins ? row(`Over pins of ${mm(pins.pinMm)}`, pins.mm) : []),
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

const none = { blank: [], measure: [], passes: [], cutter: null } as const;

const titleOf = (wheel: MadeWheel): string =>
  `${wheel.number === null ? '' : `${wheel.number} · `}${wheel.label}, ${wheel.teeth}${wheel.count > 1 ? `, ${wheel.count} of it` : ''}`;

function wheelReport(drive: Drive, wheel: MadeWheel): WheelReport {
  const stage = wheel.stage === null ? null : drive.train.stages[wheel.stage]!;
  const { gear } = wheel;
  const refusal = wheelRefusal(wheel);
  const least = gear && leastTeeth(gear.alphaDeg);
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
    message: [
      ...(gear && least !== null && !gear.inner && wheel.teeth < least
        ? [
            gear.shift > 0
              ? `From ${least} teeth on a root stays whole at ${gear.alphaDeg}°; with ${wheel.teeth} a shift of ${measured(gear.shift)} keeps it so${wheel.ownShift ? ', and is taken' : ''}.`
              : `From ${least} teeth on a root stays whole at ${gear.alphaDeg}°; with ${wheel.teeth} it is undercut.`,
          ]
        : []),
      ...helixMessage(wheel),
      ...(gear && gear.playMm > 0
        ? [`Teeth are thinned by ${measured(gear.playMm)} mm, their half of the backlash.`]
        : []),
      ...(wheel.as === 'wormWheel' && gear
        ? ['Depth equal all round, the cutter centred both ways; a hob of the worm’s own form finishes it.']
        : []),
    ],
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

/** Wheels of the work as a table for paper. */
export const WORK_HEAD = ['teeth', 'blank', 'cutter', 'depth after each pass', 'measure'] as const;

export const workRows = (drive: Drive): readonly (readonly string[])[] =>
  wheelReports(drive)
    .filter((w) => w.wheel.stage === null)
    .map((w) => w.of())
    .map((w) => [
      String(w.wheel.teeth),
      w.refusal ?? w.blank.map((b) => `${b.label} ${b.text}`).join('; '),
      w.cutter ? `${w.cutter.range} (A ${w.cutter.customA}, B ${w.cutter.customB})` : w.cutterMessage,
      w.passes.map((p) => p.depth).join(', '),
      w.measure.map((m) => `${m.label} ${m.text}`).join('; '),
    ]);

/** The head of the cut list. (docs: formats) */
export const WHEEL_HEAD = [
  'wheel',
  'teeth',
  'outside (mm)',
  'root (mm)',
  'depth (mm)',
  'thickness (mm)',
  'shift',
  'span teeth',
  'span (mm)',
  'pins (mm)',
  'over pins (mm)',
  'cutter range',
  'cutter custom A',
  'cutter custom B',
] as const;

const short = (n: number): string => trimmed(n, 4);

/** Rows of the cut list: wheels with teeth of their own; pulleys have theirs under belts. */
export const wheelRows = (drive: Drive, only?: number): readonly (readonly string[])[] =>
  madeWheels(drive)
    .filter((w) => w.as !== 'pulley' && (only === undefined || w.number === only))
    .map((w) => {
      const head = [String(w.number), String(w.teeth)];
      const { gear } = w;
      if (!gear) {
        const b = threadCutBlank(w.threadPitchMm!, w.teeth);
        return [...head, short(b.outsideMm), '', short(b.depthMm), '', '', '', '', '', '', '', '', ''];
      }
      const b = blankOf(gear);
      const span = gear.inner ? null : spanOf(gear);
      const pins = gear.inner ? null : pinsOf(gear);
      const cutter = gear.inner ? null : cutterFor(w.teeth);
      return [
        ...head,
        short(b.outsideMm),
        short(b.rootMm),
        short(b.depthMm),
        short(b.thicknessMm - gear.playMm),
        short(gear.shift),
        span ? String(span.teeth) : '',
        span ? short(span.mm) : '',
        pins ? short(pins.pinMm) : '',
        pins ? short(pins.mm) : '',
        cutter ? cutter.range.replace('–', '-') : '',
        cutter ? String(cutter.customA) : '',
        cutter ? String(cutter.customB) : '',
      ];
    });
