import type { InputSpec } from '../inputs.ts';
import { choice } from './pair.ts';

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
  {
    type: 'size',
    key: 'meshScrewMm',
    label: 'Adjusting screw',
    unit: 'mm pitch',
    min: 0.05,
    max: 10,
    default: null,
    hint: 'whose turns set the distance of this mesh',
    ...made,
  },
  choice(
    'meshWanted',
    'Stop at',
    [
      ['smooth', 'smooth, no rattle'],
      ['slight', 'slight rattle'],
    ],
    made,
  ),
  { type: 'text', key: 'meshLog', label: 'Mesh as set', max: 2000, default: '', ...made },
  { type: 'text', key: 'meshPast', label: 'Meshes before', max: 4000, default: '', ...made },
];
