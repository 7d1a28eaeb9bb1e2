import type { InputSpec } from '../inputs.ts';

/** What a drive was first asked, beside the answers that stand in its job. (handbook: choose, first questions) */
export interface Start {
  /** what it shall do, by the id of its picture */
  readonly aim?: string;
  /** what is at hand, and what can be done, words with commas */
  readonly own?: string;
  readonly can?: string;
  /** questions that nobody has answered: what is taken stands in the job */
  readonly unknown?: string;
  /** the questions are put away, and the drive is worked on */
  readonly begun?: boolean;
}

const words = (key: keyof Start, label: string): InputSpec => ({
  type: 'text',
  key,
  label,
  max: 400,
  default: '',
  optional: true,
});

export const startInputs: readonly InputSpec[] = [
  words('aim', 'It shall'),
  words('own', 'At hand'),
  words('can', 'Can be done'),
  words('unknown', 'Not answered'),
  { type: 'flag', key: 'begun', label: 'Begun', default: '', optional: true },
];
