import type { InputSpec } from '../inputs.ts';
import { choice } from './pair.ts';

const judged = { optional: true, judged: true } as const;
const mm = (key: string, label: string, hint: string): InputSpec => ({
  type: 'size',
  key,
  label,
  unit: 'mm',
  min: 0,
  max: 50,
  default: null,
  hint,
  ...judged,
});

/** Keys whose value was measured, or stands on a data sheet; all others that are given were typed. */
export const knownByInputs: readonly InputSpec[] = (
  [
    ['measured', 'Measured'],
    ['dataSheet', 'By data sheet'],
  ] as const
).map(([key, label]) => ({ type: 'text', key, label, max: 400, default: '', ...judged }));

/** What any stage may carry for its errors and for the force through it. (handbook: errors; force) */
export const judgedInputs: readonly InputSpec[] = [
  mm('runoutMm', 'Run-out', 'total, of both wheels, as a dial gauge shows it'),
  mm('driverRunoutMm', 'Run-out of the driver', 'total; of a worm along its axis'),
  mm('drivenRunoutMm', 'Run-out of the driven', 'total, as a dial gauge shows it'),
  mm('toothErrorMm', 'Tooth to tooth', '± at the pitch line'),
  {
    type: 'size',
    key: 'stiffnessNmPerRad',
    label: 'Stiffness',
    unit: 'N·m/rad',
    min: 0.001,
    max: 1e9,
    default: null,
    hint: 'of the belt, coupling or shaft that it turns by',
    ...judged,
  },
  {
    type: 'size',
    key: 'efficiency',
    label: 'Efficiency',
    min: 0.01,
    max: 1,
    default: null,
    hint: 'part of the torque that comes through, 0 to 1',
    ...judged,
  },
  mm('faceMm', 'Face', 'width of the teeth'),
  choice(
    'material',
    'Teeth of',
    [
      ['printed', 'Printed plastic'],
      ['acetal', 'Acetal'],
      ['brass', 'Brass'],
      ['steel', 'Steel'],
    ],
    judged,
  ),
  {
    type: 'flag',
    key: 'sprung',
    label: 'Split or sprung wheel',
    default: '',
    hint: 'takes its backlash up',
    ...judged,
  },
  ...knownByInputs,
];
