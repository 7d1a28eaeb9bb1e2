import { boreInput, cellOf, sizeInput, type PartData, type PartKind } from '../part.ts';
import type { InputSpec, Source } from '../../drive/index.ts';

export interface MotorPart extends PartData {
  readonly kind: 'motor';
  readonly fullSteps: number;
  readonly boreMm?: number;
  readonly flangeMm?: number;
  readonly holdingNm?: number;
}

const steps: InputSpec = {
  type: 'count',
  key: 'fullSteps',
  steps: true,
  label: 'Full steps',
  unit: 'a turn',
  min: 1,
  max: 100_000,
  default: 200,
};
const flange = sizeInput('flangeMm', 'Flange');
const shaft = boreInput('Shaft');
const holding: InputSpec = {
  type: 'size',
  key: 'holdingNm',
  label: 'Holding torque',
  unit: 'N·m',
  min: 0.0001,
  max: 1000,
  default: null,
  optional: true,
};

/** A stepper keeps the modes of the driver it is on. (handbook: drive, sources) */
const source = (p: MotorPart, before: Source): Source =>
  before.kind === 'stepper'
    ? { ...before, fullSteps: p.fullSteps }
    : { kind: 'stepper', fullSteps: p.fullSteps, modes: [1, 2, 4, 8, 16, 32], mode: 16 };

/** A stepper motor. */
export const motor: PartKind<MotorPart> = {
  kind: 'motor',
  title: 'Stepper motor',
  group: 'motors',
  pasted: /\b(motor|stepper)s?\b/i,
  fresh: { fullSteps: 200 },
  inputs: [steps, flange, shaft, holding],
  cells: { teeth: cellOf(steps), size: cellOf(flange), bore: cellOf(shaft) },
  label: (p) => `motor of ${p.fullSteps} steps`,
  source,
};
