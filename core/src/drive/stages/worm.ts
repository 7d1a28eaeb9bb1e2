import { error, ok, rational, readCount, type Result } from '../../numbers/index.ts';
import { byModule } from '../shape.ts';
import { knownModule, knownPitch, moduleOf } from './module.ts';
import { size, teeth } from './pair.ts';
import { runouts, toothToTooth } from './wobble.ts';
import { COUNTED, type Owned, type StageData, type StageKind, type TeethRange } from './stage.ts';

export interface Worm extends StageData {
  readonly kind: 'worm';
  readonly starts: number;
  readonly wheel: number;
  readonly moduleMm?: number;
  readonly wormDiameterMm?: number;
  readonly hand?: 'right' | 'left';
  /** the wheel turns the worm: a great wheel that drives a fly; the worm drives unless said */
  readonly drives?: 'worm' | 'wheel';
  /** its thread runs dry */
  readonly dry?: boolean;
  /** of its thread, when it was measured */
  readonly frictionMu?: number;
  /** of the worm along its axis: backlash that no distance takes out */
  readonly endFloatMm?: number;
}

const starts = { type: 'count', key: 'starts', label: 'Starts', min: 1, max: 20, default: 1 } as const;
const wheel = teeth('wheel', 'Wheel', 8, 60);
const module = size('moduleMm', 'Module', 1, 'pitch diameter of the wheel over its teeth, for the drawing');

/** "1:90", starts to teeth; a number alone is the wheel of a single start. */
function readBoth(text: string): Result<{ readonly starts: number; readonly wheel: number }> {
  const sides = text.split(':');
  if (sides.length > 2 || /[÷/x×]/.test(text))
    return error('notTwo', text.trim(), { example: '1:50, or 50 for the wheel alone' });
  const [k, z] = sides.length === 2 ? sides : ['1', sides[0]];
  const read = readCount(k, { min: 1, max: 20, unit: 'starts', example: '1' });
  if (!read.ok) return read;
  const many = readCount(z!, { min: 8, max: 2000, unit: 'teeth', example: '1:50' });
  return many.ok ? ok({ starts: read.value, wheel: many.value }) : many;
}

/** A worm with the wheel that was cut for it. */
const owned: Owned<Worm> = {
  title: 'Worm with its wheel',
  plural: 'Worms with their wheels',
  group: 'worms',
  pasted: /\bworms?\b/i,
  inputs: [starts, wheel, module],
  teeth: { label: 'Starts : teeth', show: (s) => `${s.starts}:${s.wheel}`, read: readBoth },
  size: 'moduleMm',
  bore: 'Bore',
  fresh: { starts: 1, wheel: 60, moduleMm: 1 },
  label: (s) => `worm and ${s.wheel}`,
};

/** Starts of worms that can be had, and the fewest teeth of a worm wheel. */
const STARTS = [1, 2];
const WHEEL_FROM = 20;

function* worms({ from, to }: TeethRange): Generator<Worm> {
  for (const k of STARTS)
    for (let z = Math.max(from, WHEEL_FROM); z <= to; z++) yield { kind: 'worm', starts: k, wheel: z };
}

/** Worm of k starts on a wheel of z teeth: r = z/k. The sense goes by the hand and is shown, not counted: a left-hand thread turns its wheel the other way than a right-hand one. (handbook: drive) */
export const worm: StageKind<Worm> = {
  kind: 'worm',
  title: 'Worm',
  short: 'worm',
  message: 'a great reduction in one mesh; holds by itself when its thread is shallow',
  suits: {
    brings: 'Holds itself when the power goes; its run-out is what you see first.',
    asks: 'a mesh set by feel',
  },
  written: '+wheel/starts, the reciprocal when `drives` is `wheel`',
  inputs: [
    starts,
    wheel,
    module,
    { ...size('wormDiameterMm', 'Worm', 18, 'pitch diameter of the worm, for the drawing'), more: true },
    {
      type: 'choice',
      key: 'hand',
      label: 'Hand',
      options: [
        { value: 'right', title: 'Right' },
        { value: 'left', title: 'Left' },
      ],
      default: 'right',
      optional: true,
    },
    {
      type: 'choice',
      key: 'drives',
      label: 'Driven by',
      options: [
        { value: 'worm', title: 'Its worm' },
        { value: 'wheel', title: 'Its wheel' },
      ],
      default: 'worm',
      optional: true,
      more: true,
    },
    {
      type: 'flag',
      key: 'dry',
      label: 'Runs dry',
      default: '',
      optional: true,
      judged: true,
      hint: 'friction 0.15 instead of 0.05',
    },
    {
      type: 'size',
      key: 'frictionMu',
      label: 'Friction of the thread',
      min: 0.001,
      max: 2,
      default: null,
      optional: true,
      judged: true,
    },
    {
      type: 'size',
      key: 'endFloatMm',
      label: 'End float',
      unit: 'mm',
      min: 0,
      max: 10,
      default: null,
      optional: true,
      judged: true,
      hint: 'of the worm along its axis, end to end',
    },
  ],
  reduction: (s) => (byWheel(s) ? rational(s.starts, s.wheel) : rational(s.wheel, s.starts)),
  parts: (s) =>
    byWheel(s)
      ? [
          { label: 'Worm wheel', factor: rational(1n, s.wheel) },
          ...(s.starts > 1 ? [{ label: 'Worm starts', factor: rational(s.starts) }] : []),
        ]
      : [
          ...(s.starts > 1 ? [{ label: 'Worm starts', factor: rational(1n, s.starts) }] : []),
          { label: 'Worm wheel', factor: rational(s.wheel) },
        ],
  origin: () => COUNTED,
  sense: ({ hand = 'right' }) => ({
    turns: hand === 'left' ? -1 : 1,
    by: `by a ${hand}-hand thread: seen from the wheel’s other face it is the other way`,
  }),
  shape: (s) => {
    const m = moduleOf(s).mm;
    return {
      form: 'worm',
      starts: s.starts,
      wheel: byModule(s.wheel, m),
      wormMm: s.wormDiameterMm ?? m * 18,
      ...(byWheel(s) && { byWheel: true }),
    };
  },
  toothed: (s) =>
    byWheel(s) ? { driven: [s.starts], drivers: [s.wheel] } : { driven: [s.wheel], drivers: [s.starts] },
  // the worm itself is a thread, not a wheel
  makes: (s) => [{ label: 'worm wheel', teeth: s.wheel, as: 'wormWheel', shiftKey: 'shift' }],
  holds: (s) => !byWheel(s) && wormHolds(s),
  warns: (s) =>
    byWheel(s) && backwards(s, FRICTION.oiled) <= 0
      ? [
          `Its wheel cannot turn it, oiled either: the lead angle of ${degreesOf(s)}° is too small. More starts, or a thinner worm.`,
        ]
      : [],
  typical: [20, 30, 40, 60, 72, 90, 100, 120, 144].map((wheel): Worm => ({
    kind: 'worm',
    starts: 1,
    wheel,
    moduleMm: 1,
  })),
  search: {
    title: 'Worms',
    by: 'whole',
    any: worms,
    message: ({ from, to }) =>
      `worms of ${STARTS.join(' or ')} starts on ${Math.max(from, WHEEL_FROM)} to ${to} teeth`,
  },
  owned,
  label: (s) => (byWheel(s) ? `${s.wheel} : ${s.starts}` : `${s.starts} : ${s.wheel}`),
  facts: (s) => [
    `One turn of the worm moves the wheel by ${s.starts === 1 ? 'one tooth' : `${s.starts} teeth`} of ${s.wheel}; ${s.hand ?? 'right'} hand.`,
    byWheel(s) ? backMessage(s) : holdMessage(s),
  ],
  play: { by: 'mesh', drivenMm: (s) => knownPitch(s, s.wheel) },
  wobbles: (s) => [
    ...(byWheel(s) ? runouts('wheel', 'worm', workingMm(s)) : runouts('worm', 'wheel', workingMm(s))),
    ...(s.toothErrorMm === undefined ? [] : [toothToTooth(byWheel(s) ? s.wheel : s.starts, workingMm(s))]),
  ],
  efficiency: (s) => {
    const lead = leadTangent(s);
    const mu = frictionOf(s);
    return byWheel(s) ? Math.max(0, backwards(s, mu)) : lead / Math.tan(Math.atan(lead) + slope(mu));
  },
  backEfficiency: (s) => {
    const mu = frictionOf(s);
    const lead = leadTangent(s);
    return byWheel(s) ? lead / Math.tan(Math.atan(lead) + slope(mu)) : Math.max(0, backwards(s, mu));
  },
  loads: (s) => {
    const moduleMm = knownModule(s);
    return moduleMm === null || byWheel(s)
      ? []
      : [{ label: 'wheel', teeth: s.wheel, moduleMm, perNm: 2000 / (moduleMm * s.wheel) }];
  },
};

/** Twice what a length at the mesh is divided by to be an angle of the shaft it turns, mm: of a worm, its lead along the thread. */
const workingMm = (s: Worm): number | null => knownPitch(s, byWheel(s) ? s.starts : s.wheel);

/** Friction of the thread: oiled bronze on steel, and dry or printed. (handbook: force) */
const FRICTION = { oiled: 0.05, dry: 0.15 } as const;
const PRESSURE_ANGLE = (20 * Math.PI) / 180;
/** Starts over this stand for the tangent of the lead angle where the worm's size is not known. */
const USUAL_WORM = 10;

const leadTangent = (s: Worm): number => {
  const module = knownModule(s);
  return module !== null && s.wormDiameterMm !== undefined
    ? (s.starts * module) / s.wormDiameterMm
    : s.starts / USUAL_WORM;
};

/** Does it hold by itself, standing dry: μ ≥ tan λ·cos 20°, λ the lead angle. (handbook: force) */
const wormHolds = (s: Worm, friction: number = FRICTION.dry): boolean =>
  friction >= leadTangent(s) * Math.cos(PRESSURE_ANGLE);

/** Angle of friction on flanks of 20°: tan φ = μ/cos 20°. */
const slope = (friction: number): number => Math.atan(friction / Math.cos(PRESSURE_ANGLE));

/** As it was measured; else printed and dry threads rub three times as much as oiled ones. */
const frictionOf = (s: Worm): number =>
  s.frictionMu ?? (s.dry || s.quality === 'printed' ? FRICTION.dry : FRICTION.oiled);

const byWheel = (s: Worm): boolean => s.drives === 'wheel';

const degreesOf = (s: Worm): string => ((Math.atan(leadTangent(s)) * 180) / Math.PI).toFixed(1);

/** Part of the work that comes through when the wheel drives: tan(λ − φ)/tan λ, tan φ = μ/cos 20°; 0 or less: it stays put. (handbook: force) */
function backwards(s: Worm, friction: number): number {
  const lead = leadTangent(s);
  return Math.tan(Math.atan(lead) - slope(friction)) / lead;
}

function backMessage(s: Worm): string {
  const [oiled, dry] = [backwards(s, FRICTION.oiled), backwards(s, FRICTION.dry)].map((e) =>
    e <= 0 ? 'nothing' : `${Math.round(e * 100)} %`,
  );
  return `Lead angle ${degreesOf(s)}°: turned by its wheel ${oiled} comes through oiled, ${dry} dry, an estimate.`;
}

function holdMessage(s: Worm): string {
  const lead = `Lead angle ${((Math.atan(leadTangent(s)) * 180) / Math.PI).toFixed(1)}°`;
  if (wormHolds(s, FRICTION.oiled)) return `${lead}: it holds by itself, oiled too.`;
  return wormHolds(s)
    ? `${lead}: it holds by itself dry; oiled and shaken it may creep back.`
    : `${lead}: it runs back when nothing holds it.`;
}
