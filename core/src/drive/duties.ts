import type { InputSpec } from './inputs.ts';

/** What a drive may be asked to do besides dividing, and what is needed to judge it: each duty is data with its inputs. (handbook: follow, travel) */

/** Named rates and the free one: seconds for one turn of the work. To add one is to add a line. */
export const ratePeriods = {
  stars: { title: 'Stars', seconds: '86164.0905' },
  sun: { title: 'Sun', seconds: '86400' },
  moon: { title: 'Moon', seconds: '89428.33' },
  starsRefracted: { title: 'Stars, mean refraction', seconds: '1296000/15.0369' },
  tide: { title: 'Tide', seconds: '44714.165' },
  period: { title: 'Another', seconds: null },
} as const satisfies Readonly<Record<string, { readonly title: string; readonly seconds: string | null }>>;

export type RateKind = keyof typeof ratePeriods;

/** A rate that is kept up. */
export interface Rate {
  readonly kind: RateKind;
  /** exact; of kind `period` */
  readonly seconds?: string;
  readonly name?: string;
  /** half as fast: a mirror on a polar axis */
  readonly half?: boolean;
  /** the other way: south of the equator, or a shaft that turns back */
  readonly reverse?: boolean;
}

/** What waits between two steps. */
export interface Timer {
  /** exact, ticks a second */
  readonly tickHz: string;
  readonly bits?: number;
  readonly tolerancePpm?: number;
  readonly waits?: 'timer' | 'us' | 'ms';
  /** what each step takes besides, exact */
  readonly overheadUs?: string;
  readonly how?: 'spread' | 'fixed';
  /** how far a rate may be off */
  readonly withinPpm?: number;
  /** of the controller, for tables */
  readonly memoryBytes?: number;
}

export interface Camera {
  readonly focalMm: number;
  readonly pixelUm: number;
  readonly declinationDeg?: number;
  readonly exposureSeconds?: number;
  readonly trailPx?: number;
  readonly polarArcmin?: number;
}

/** Two axes that are not polar follow a star by its hour angle and declination. */
export interface AltAz {
  readonly latitudeDeg: number;
  readonly hourAngleDeg: number;
  readonly declinationDeg: number;
  readonly hours: number;
  readonly topArcsecPerSecond?: number;
  readonly cornerPx?: number;
}

export type ArmKind = 'straight' | 'isosceles' | 'curved';

/** A tangent arm. Exact lengths are text. */
export interface Arm {
  readonly geometry: ArmKind;
  readonly leadMm: string;
  readonly rpm: string;
  /** of the hinge to the screw; what is right at the start when absent */
  readonly radiusMm?: string;
  readonly minutes: number;
}

export type Easing = 'linear' | 'cosine' | 'smoothstep' | 'trapezoid';

export interface Sweep {
  readonly from: string;
  readonly to: string;
  readonly unit: 'deg' | 'mm' | 'turns';
  readonly frames: number;
  readonly easing: Easing;
  readonly name?: string;
  readonly intervalSeconds?: number;
  readonly exposureSeconds?: number;
  readonly writeSeconds?: number;
  readonly settleSeconds?: number;
  readonly marginSeconds?: number;
  readonly fps?: number;
  /** of a trapezoid: the shares of speeding up and of slowing down, % */
  readonly speedUp?: number;
  readonly slowDown?: number;
  /** of the motor, microsteps a second, and a second of that */
  readonly topStepRate?: number;
  readonly stepAccel?: number;
  /** for an axis that this drive is not: its microsteps a unit */
  readonly stepsPerUnit?: string;
}

export interface Spin {
  readonly minRpm: string;
  readonly maxRpm: string;
  readonly knobBits?: number;
  readonly motorRpm?: number;
}

/** A hand knob on the motor's shaft: turns across a range. */
export interface Knob {
  readonly turnsOut: string;
  readonly marks: number;
  readonly windowArcsec?: string;
}

const optional = { optional: true } as const;
const more = { optional: true, more: true } as const;

const rate: readonly InputSpec[] = [
  {
    type: 'choice',
    key: 'kind',
    label: 'Follow',
    options: Object.entries(ratePeriods).map(([value, { title }]) => ({ value, title })),
    default: 'stars',
  },
  {
    type: 'period',
    key: 'seconds',
    label: 'One turn in',
    unit: 's',
    default: '86400',
    ...optional,
    hint: 'or a speed: 24 h, 0.5 rpm, 15 °/h, 15.041 ″/s, 0.5 mm/min',
  },
  { type: 'flag', key: 'half', label: 'half rate', default: '', ...optional },
  { type: 'flag', key: 'reverse', label: 'backwards', default: '', ...optional },
  { type: 'text', key: 'name', label: 'Called', max: 60, default: '', ...optional },
];

const timer: readonly InputSpec[] = [
  {
    type: 'clock',
    key: 'tickHz',
    label: 'Ticks a second',
    unit: 'Hz',
    default: '1000000',
    hint: 'for example 250 kHz, or 16 MHz / 64 behind a prescaler',
  },
  { type: 'count', key: 'bits', label: 'Counter', unit: 'bits', min: 4, max: 64, default: 16, ...optional },
  {
    type: 'size',
    key: 'tolerancePpm',
    label: 'Clock within ±',
    unit: 'ppm',
    min: 0,
    max: 100_000,
    default: null,
    hint: 'a crystal 30, a ceramic resonator 5000',
    ...optional,
  },
  {
    type: 'choice',
    key: 'waits',
    label: 'Waits in',
    options: [
      { value: 'timer', title: 'ticks' },
      { value: 'us', title: 'whole µs' },
      { value: 'ms', title: 'whole ms' },
    ],
    default: 'timer',
    ...optional,
  },
  {
    type: 'exact',
    key: 'overheadUs',
    label: 'Besides, a step',
    unit: 'µs',
    default: '',
    hint: 'what each step takes besides the wait, as measured',
    ...optional,
  },
  {
    type: 'size',
    key: 'withinPpm',
    label: 'Rate within ±',
    unit: 'ppm',
    min: 0,
    max: 1_000_000,
    default: null,
    hint: 'how far the rate may be off; empty for any',
    ...optional,
  },
  {
    type: 'choice',
    key: 'how',
    label: 'Intervals',
    options: [
      { value: 'spread', title: 'shared' },
      { value: 'fixed', title: 'always the nearest' },
    ],
    default: 'spread',
    ...optional,
  },
  {
    type: 'count',
    key: 'memoryBytes',
    label: 'Controller’s memory',
    unit: 'bytes',
    min: 64,
    max: 1_000_000_000,
    default: null,
    ...optional,
  },
];

const camera: readonly InputSpec[] = [
  { type: 'number', key: 'focalMm', label: 'Lens', unit: 'mm', min: 1, max: 100_000, default: 135 },
  { type: 'number', key: 'pixelUm', label: 'Pixel', unit: 'µm', min: 0.1, max: 1000, default: 3.9 },
  {
    type: 'number',
    key: 'declinationDeg',
    label: 'Declination',
    unit: '°',
    min: -90,
    max: 90,
    default: 0,
    ...optional,
  },
  {
    type: 'number',
    key: 'exposureSeconds',
    label: 'Exposure',
    unit: 's',
    min: 0.001,
    max: 1e6,
    default: 60,
    ...optional,
  },
  {
    type: 'number',
    key: 'trailPx',
    label: 'Trail',
    unit: 'px',
    min: 0.01,
    max: 1e4,
    default: 1,
    ...optional,
  },
  {
    type: 'number',
    key: 'polarArcmin',
    label: 'Polar axis out',
    unit: '′',
    min: 0,
    max: 600,
    default: 0,
    ...optional,
  },
];

const altAz: readonly InputSpec[] = [
  { type: 'number', key: 'latitudeDeg', label: 'Latitude', unit: '°', min: -90, max: 90, default: 50 },
  {
    type: 'number',
    key: 'hourAngleDeg',
    label: 'Hour angle',
    unit: '°',
    min: -180,
    max: 180,
    default: -30,
    hint: 'west of the meridian positive',
  },
  { type: 'number', key: 'declinationDeg', label: 'Declination', unit: '°', min: -90, max: 90, default: 20 },
  { type: 'number', key: 'hours', label: 'Followed for', unit: 'h', min: 0.01, max: 24, default: 4 },
  {
    type: 'number',
    key: 'topArcsecPerSecond',
    label: 'Top speed',
    unit: '″/s',
    min: 0.01,
    max: 1e7,
    default: null,
    ...optional,
  },
  {
    type: 'number',
    key: 'cornerPx',
    label: 'Corner',
    unit: 'px',
    min: 1,
    max: 1e6,
    default: 2000,
    hint: 'from the middle of the picture',
    ...optional,
  },
];

const arm: readonly InputSpec[] = [
  {
    type: 'choice',
    key: 'geometry',
    label: 'Geometry',
    options: [
      { value: 'straight', title: 'straight, square to the fixed arm' },
      { value: 'isosceles', title: 'straight, pivoted at both ends' },
      { value: 'curved', title: 'curved rod' },
    ],
    default: 'isosceles',
  },
  { type: 'exact', key: 'leadMm', label: 'Lead', unit: 'mm', default: '1' },
  { type: 'exact', key: 'rpm', label: 'Screw', unit: 'rpm', default: '1' },
  { type: 'exact', key: 'radiusMm', label: 'Hinge to screw', unit: 'mm', default: '', ...optional },
  { type: 'number', key: 'minutes', label: 'Session', unit: 'min', min: 0.1, max: 1440, default: 60 },
];

const seconds = (key: string, label: string, by: number | null): InputSpec => ({
  type: 'number',
  key,
  label,
  unit: 's',
  min: 0,
  max: 1e6,
  default: by,
  ...optional,
});

const sweep: readonly InputSpec[] = [
  { type: 'signed', key: 'from', label: 'From', default: '0' },
  { type: 'signed', key: 'to', label: 'to', default: '90' },
  {
    type: 'choice',
    key: 'unit',
    label: 'in',
    options: [
      { value: 'deg', title: 'degrees' },
      { value: 'mm', title: 'mm' },
      { value: 'turns', title: 'turns' },
    ],
    default: 'deg',
  },
  { type: 'count', key: 'frames', label: 'Frames', min: 2, max: 100_000, default: 240 },
  {
    type: 'choice',
    key: 'easing',
    label: 'Easing',
    options: [
      { value: 'linear', title: 'none' },
      { value: 'cosine', title: 'cosine' },
      { value: 'smoothstep', title: 'smoothstep' },
      { value: 'trapezoid', title: 'trapezoid' },
    ],
    default: 'linear',
  },
  {
    type: 'number',
    key: 'speedUp',
    label: 'Speeds up for',
    unit: '%',
    min: 0,
    max: 100,
    default: 20,
    ...more,
  },
  {
    type: 'number',
    key: 'slowDown',
    label: 'Slows down for',
    unit: '%',
    min: 0,
    max: 100,
    default: 20,
    ...more,
  },
  { type: 'text', key: 'name', label: 'Called', max: 60, default: '', ...more },
  seconds('intervalSeconds', 'Interval', null),
  seconds('exposureSeconds', 'Exposure', 0),
  seconds('writeSeconds', 'Writing', 0),
  seconds('settleSeconds', 'Settling', 0),
  seconds('marginSeconds', 'Margin', 0),
  { type: 'number', key: 'fps', label: 'Film', unit: 'frames/s', min: 1, max: 1000, default: 25, ...more },
  {
    type: 'number',
    key: 'topStepRate',
    label: 'Top speed',
    unit: 'steps/s',
    min: 1,
    max: 1e8,
    default: 4000,
    ...more,
  },
  {
    type: 'number',
    key: 'stepAccel',
    label: 'Acceleration',
    unit: 'steps/s²',
    min: 1,
    max: 1e9,
    default: 8000,
    ...more,
  },
  {
    type: 'exact',
    key: 'stepsPerUnit',
    label: 'Another axis',
    unit: 'steps a unit',
    default: '',
    hint: 'microsteps for one mm or degree, when this sweep moves another axis than this drive',
    ...more,
  },
];

const spin: readonly InputSpec[] = [
  { type: 'exact', key: 'minRpm', label: 'From', unit: 'rpm', default: '0.2' },
  { type: 'exact', key: 'maxRpm', label: 'to', unit: 'rpm', default: '4' },
  {
    type: 'count',
    key: 'knobBits',
    label: 'Speed knob',
    unit: 'bits',
    min: 4,
    max: 24,
    default: null,
    ...optional,
  },
  {
    type: 'number',
    key: 'motorRpm',
    label: 'Motor’s top',
    unit: 'rpm',
    min: 0.01,
    max: 1e6,
    default: null,
    ...optional,
  },
];

const knob: readonly InputSpec[] = [
  { type: 'exact', key: 'turnsOut', label: 'Range', unit: 'turns of the work', default: '1/4' },
  { type: 'count', key: 'marks', label: 'Marks on it', min: 1, max: 100_000, default: 100 },
  { type: 'exact', key: 'windowArcsec', label: 'Window', unit: '″', default: '', ...optional },
];

/** Where a duty stands in a drive, what it is called, and what can be set of it. */
export interface DutySpec {
  readonly title: string;
  readonly inputs: readonly InputSpec[];
  /** in the job, or beside it */
  readonly of: 'job' | 'drive';
  /** a list of them, or one */
  readonly many: boolean;
}

/** Every duty under its key in the drive file. To add one is to add a line. */
export const duties = {
  rates: { title: 'rate', inputs: rate, of: 'job', many: true },
  sweeps: { title: 'sweep', inputs: sweep, of: 'job', many: true },
  spins: { title: 'spin', inputs: spin, of: 'job', many: true },
  camera: { title: 'camera', inputs: camera, of: 'job', many: false },
  altAz: { title: 'two axes', inputs: altAz, of: 'job', many: false },
  arm: { title: 'tangent arm', inputs: arm, of: 'job', many: false },
  knob: { title: 'hand knob', inputs: knob, of: 'job', many: false },
  timer: { title: 'timer', inputs: timer, of: 'drive', many: false },
} as const satisfies Readonly<Record<string, DutySpec>>;

export type DutyId = keyof typeof duties;

/** Most of a kind in one job. */
export const MOST_DUTIES = 20;

/** The plates of a dividing head: hole circles of each, the worm, change wheels. (handbook: divide, index plates) */
export interface Plates {
  /** exact; the train's own reduction when absent */
  readonly wormRatio?: string;
  readonly plates: readonly (readonly number[])[];
  readonly gears?: readonly number[];
  /** the most holes that can be made in one circle */
  readonly mostHoles?: number;
}
