import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

export interface Spin {
  readonly minRpm: string;
  readonly maxRpm: string;
  readonly knobBits?: number;
  readonly motorRpm?: number;
  /** the shaft that `motorRpm` is told of: 1 for a motor with its gearbox as the first stage */
  readonly motorShaft?: number;
}

/** A hand knob on the motor's shaft: turns across a range. */
export interface Knob {
  readonly turnsOut: string;
  readonly marks: number;
  readonly windowArcsec?: string;
}

export const spinInputs: readonly InputSpec[] = [
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
  {
    type: 'count',
    key: 'motorShaft',
    label: 'Told of shaft',
    min: 0,
    max: 40,
    default: 0,
    hint: '0 the motor’s own; 1 when a gearbox is the first stage and the speed is that of its output',
    ...optional,
  },
];

export const knobInputs: readonly InputSpec[] = [
  { type: 'exact', key: 'turnsOut', label: 'Range', unit: 'turns', default: '1/4' },
  { type: 'count', key: 'marks', label: 'Marks on it', min: 1, max: 100_000, default: 100 },
  { type: 'exact', key: 'windowArcsec', label: 'Window', unit: '″', default: '', ...optional },
];
