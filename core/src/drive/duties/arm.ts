import type { InputSpec } from '../inputs.ts';
import { optional } from './common.ts';

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

export const armInputs: readonly InputSpec[] = [
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
