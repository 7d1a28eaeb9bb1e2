import type { InputSpec } from '../inputs.ts';
import { knownByInputs } from '../stages/judged.ts';

export const motor = (key: string, label: string, unit: string, max: number, hint?: string): InputSpec => ({
  type: 'size',
  key,
  label,
  unit,
  min: 0,
  max,
  default: null,
  optional: true,
  judged: true,
  ...(hint && { hint }),
});

/** What a stepper's plate and data sheet say. (handbook: force) */
export const motorInputs: readonly InputSpec[] = [
  motor('holdingNm', 'Holding torque', 'N·m', 1e5, 'both phases at the rated current'),
  motor('detentNm', 'Detent torque', 'N·m', 1e5, 'felt with the wires off'),
  motor('rotorInertiaKgM2', 'Rotor', 'kg·m²', 1e3),
  motor('currentA', 'Rated current', 'A', 1e3, 'of a phase'),
  motor('currentLimitA', 'Current set', 'A', 1e3, 'at the driver; the rated current unless given'),
  motor('resistanceOhm', 'Resistance', 'Ω', 1e5, 'of a phase'),
  motor('inductanceMh', 'Inductance', 'mH', 1e5, 'of a phase'),
  motor('supplyV', 'Supply', 'V', 1000),
  motor('resonanceStepRate', 'Rough at', 'full steps/s', 1e6, 'found by a slow sweep: where it is rough'),
  ...knownByInputs,
];
