import type { SourceData, SourceKind } from './source.ts';
import { knownByInputs } from '../stages/judged.ts';
import { motor } from './motor.ts';
import { gangedFacts, gangedInput, speedInput, speedOf, topSpeedInput } from './speed.ts';

export interface GearMotor extends SourceData {
  readonly kind: 'gearMotor';
  /** turns a minute of its shaft, loaded, exact text */
  readonly rpm?: string;
  /** free running, at the rated voltage */
  readonly maxRpm?: string;
  readonly count?: number;
  readonly stallNm?: number;
  readonly ratedV?: number;
  readonly supplyV?: number;
  readonly measured?: string;
  readonly dataSheet?: string;
}

/** DC gear motor without an encoder: no steps, a speed that goes with voltage and load. (handbook: drive, sources) */
export const gearMotor: SourceKind<GearMotor> = {
  kind: 'gearMotor',
  title: 'DC gear motor',
  short: 'motor',
  message: 'turns at a speed; no steps, and nothing tells where it stands',
  inputs: [
    speedInput('30'),
    topSpeedInput('the fastest it turns with no load, behind its own gears'),
    gangedInput,
    motor('stallNm', 'Stall torque', 'N·m', 1e5, 'behind its own gears, by the data sheet'),
    motor('ratedV', 'Rated voltage', 'V', 1000),
    motor('supplyV', 'Supply', 'V', 1000),
    ...knownByInputs,
  ],
  step: 'step',
  stops: null,
  fullSteps: () => null,
  modes: () => [1],
  mode: () => 1,
  hasModes: false,
  speed: (s) => speedOf(s.rpm, 30),
  parts: () => [],
  facts: (s) => [
    'Its speed falls with load and voltage: measure it, or put an encoder on it, before a rate rests on it.',
    'Its own gears count in its speed; a stage begins at its output shaft.',
    ...gangedFacts(s.count),
  ],
  glyph: 'synchronous',
};
