import { rational } from '../../numbers/index.ts';
import type { SourceData, SourceKind } from './source.ts';
import { motorInputs } from './motor.ts';
import { gangedFacts, gangedInput, speedInput, speedOf } from './speed.ts';

export interface Stepper extends SourceData {
  readonly kind: 'stepper';
  /** full steps of one turn: 1.8° a step is 200 */
  readonly fullSteps: number;
  /** microsteps a full step that the driver can be set to */
  readonly modes: readonly number[];
  /** the one in use */
  readonly mode: number;
  /** turns a minute of its shaft, exact text */
  readonly rpm?: string;
  readonly count?: number;
  readonly holdingNm?: number;
  readonly detentNm?: number;
  readonly rotorInertiaKgM2?: number;
  readonly currentA?: number;
  readonly currentLimitA?: number;
  readonly resistanceOhm?: number;
  readonly inductanceMh?: number;
  readonly supplyV?: number;
  readonly resonanceStepRate?: number;
  /** torque by full steps a second, as on the data sheet: [[full steps/s, N·m], …], slowest first */
  readonly torqueCurve?: readonly (readonly [number, number])[];
  readonly measured?: string;
  readonly dataSheet?: string;
}

export const STEPPER_DEFAULT: Stepper = {
  kind: 'stepper',
  fullSteps: 200,
  modes: [1, 2, 4, 8, 16, 32],
  mode: 16,
};

/** Stepper motor: full steps a turn and the driver's modes. (handbook: drive, sources) */
export const stepper: SourceKind<Stepper> = {
  kind: 'stepper',
  title: 'Stepper motor',
  short: 'motor',
  message: 'moves by whole steps; the driver divides each into microsteps',
  inputs: [
    {
      type: 'count',
      key: 'fullSteps',
      steps: true,
      label: 'Full steps',
      unit: 'a turn',
      min: 1,
      max: 100_000,
      default: 200,
      hint: '1.8° a step is 200, 0.9° is 400, 7.5° is 48',
    },
    speedInput('60'),
    gangedInput,
    ...motorInputs,
  ],
  step: 'full step',
  stops: 'step',
  fullSteps: (s) => s.fullSteps,
  modes: (s) => [...s.modes].sort((a, b) => a - b),
  mode: (s) => s.mode,
  hasModes: true,
  speed: (s) => speedOf(s.rpm, 60),
  parts: (s) => [
    { label: 'Motor', factor: rational(s.fullSteps) },
    ...(s.mode > 1 ? [{ label: 'Microsteps', factor: rational(s.mode) }] : []),
  ],
  facts: (s) => {
    const degrees = 360 / s.fullSteps;
    return [`One full step is ${Number(degrees.toFixed(4))}° of the motor.`, ...gangedFacts(s.count)];
  },
  typical: [
    {
      fullSteps: 200,
      holdingNm: 0.16,
      detentNm: 0.008,
      rotorInertiaKgM2: 2e-6,
      currentA: 0.7,
      inductanceMh: 4,
    },
    {
      fullSteps: 200,
      holdingNm: 0.45,
      detentNm: 0.0225,
      rotorInertiaKgM2: 5.4e-6,
      currentA: 1.5,
      inductanceMh: 3.2,
    },
    {
      fullSteps: 200,
      holdingNm: 1.2,
      detentNm: 0.06,
      rotorInertiaKgM2: 3e-5,
      currentA: 2.8,
      inductanceMh: 3.5,
    },
    {
      fullSteps: 400,
      holdingNm: 0.42,
      detentNm: 0.021,
      rotorInertiaKgM2: 5.4e-6,
      currentA: 1.5,
      inductanceMh: 4.5,
    },
  ].map((motor): Stepper => ({
    kind: 'stepper',
    modes: [1, 2, 4, 8, 16, 32],
    mode: 1,
    supplyV: 12,
    ...motor,
  })),
  glyph: 'motor',
};
