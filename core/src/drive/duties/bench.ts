import type { InputSpec } from '../inputs.ts';

/** What was done and tried with a drive at the bench. (handbook: make) */
export interface BenchNotes {
  /** "jerks.mode so 2026-11-28; …": checks of the fault finder, and how they came out */
  readonly faults?: string;
  /** "wall screws: stiff → release; …": which adjuster does what, in the user's own words */
  readonly adjusters?: string;
}

export const benchInputs: readonly InputSpec[] = [
  {
    type: 'text',
    key: 'faults',
    label: 'What was tried',
    max: 4000,
    default: '',
    optional: true,
    made: true,
  },
  {
    type: 'text',
    key: 'adjusters',
    label: 'Which adjuster does what',
    max: 2000,
    default: '',
    optional: true,
    made: true,
  },
];
