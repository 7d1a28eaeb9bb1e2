import { error, type Refusal } from '../../numbers/index.ts';
import type { InputSpec } from '../inputs.ts';
import { more, optional } from './common.ts';

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

export const sweepInputs: readonly InputSpec[] = [
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
    label: 'Ramp up',
    unit: '%',
    min: 0,
    max: 100,
    default: 20,
    ...more,
  },
  {
    type: 'number',
    key: 'slowDown',
    label: 'Ramp down',
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

/** Speeding up and slowing down may not take more than the whole of a trapezoid. */
export const refuseSweep = ({
  easing,
  speedUp = 20,
  slowDown = 20,
}: Pick<Sweep, 'easing' | 'speedUp' | 'slowDown'>): Refusal | null =>
  easing === 'trapezoid' && speedUp + slowDown > 100
    ? error('shortStages', `${speedUp} and ${slowDown}`).refusal
    : null;
