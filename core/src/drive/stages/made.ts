import type { InputSpec } from '../inputs.ts';
import { choice } from './pair.ts';

/** A wheel that a stage wants made. (handbook: make) */
export interface WheelToMake {
  /** "driver", "worm wheel", "planet" */
  readonly label: string;
  readonly teeth: number;
  readonly as: 'gear' | 'ring' | 'pulley' | 'wormWheel';
  /** which key holds its own profile shift */
  readonly shiftKey?: 'shift' | 'shiftDriven';
  /** which key holds its module; `moduleMm` unless said */
  readonly moduleKey?: 'moduleOutMm';
  /** how many of it */
  readonly count?: number;
}

const made = { optional: true, made: true } as const;

/** How the wheels of any stage are made; set in Make. */
export const madeInputs: readonly InputSpec[] = [
  {
    type: 'size',
    key: 'diametralPitch',
    label: 'Diametral pitch',
    unit: 'per inch',
    min: 0.5,
    max: 500,
    default: null,
    hint: 'teeth for an inch of pitch diameter, where the cutter is in inches; the module follows',
    ...made,
  },
  {
    type: 'size',
    key: 'pressureAngleDeg',
    label: 'Pressure angle',
    unit: '°',
    min: 10,
    max: 35,
    default: 20,
    ...made,
  },
  {
    type: 'number',
    key: 'shift',
    label: 'Profile shift',
    min: -1,
    max: 2,
    default: null,
    hint: 'of the driver, in modules; unless given, what keeps its root whole',
    ...made,
  },
  {
    type: 'number',
    key: 'shiftDriven',
    label: 'Shift of the driven',
    min: -1,
    max: 2,
    default: null,
    hint: 'in modules; unless given, what keeps its root whole',
    ...made,
  },
  choice(
    'cut',
    'Cut with',
    [
      ['form', 'Profile cutter'],
      ['hob', 'Hob, or gashed and hobbed'],
      ['tap', 'Tap or thread form'],
    ],
    made,
  ),
  {
    type: 'size',
    key: 'threadPitchMm',
    label: 'Thread pitch',
    unit: 'mm',
    min: 0.05,
    max: 100,
    default: null,
    hint: 'of the tap, or of the thread that is the worm',
    ...made,
  },
];
