import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

/** A ratio asked between two outputs of one drive: turns of `from` during one turn of `to`. (handbook: drive, more than one train) */
export interface BetweenOutputs {
  /** names of trains */
  readonly from: string;
  readonly to: string;
  /** signed, exact text */
  readonly wanted: string;
  /** parts in a million that it may be off; exactly as wanted when absent */
  readonly ppm?: number;
}

export const betweenInputs: readonly InputSpec[] = [
  { type: 'text', key: 'from', label: 'Turns of', max: 60, default: '', ...optional },
  { type: 'text', key: 'to', label: 'in one turn of', max: 60, default: '', ...optional },
  { type: 'ratio', key: 'wanted', label: 'Wanted', default: '1' },
  {
    type: 'number',
    key: 'ppm',
    label: 'within',
    unit: 'ppm',
    min: 0,
    max: 1e6,
    default: null,
    hint: 'nothing for exactly so',
    ...optional,
  },
];
