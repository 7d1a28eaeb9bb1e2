import type { InputSpec } from '../inputs.ts';
import { altAzInputs, cameraInputs } from './camera.ts';
import { rateInputs } from './rate.ts';
import { knobInputs, spinInputs } from './spin.ts';
import { sweepInputs } from './sweep.ts';
import { timerInputs } from './timer.ts';

export { pixelScale, type AltAz, type Camera } from './camera.ts';
export { periodOf, rateName, ratePeriods, type Rate, type RateKind } from './rate.ts';
export type { Knob, Spin } from './spin.ts';
export { refuseSweep, type Easing, type Sweep } from './sweep.ts';
export { controllerInputs, counterBits, keepingInputs, tickHz, type Timer } from './timer.ts';

/** What a drive may be asked to do besides dividing, and what is needed to judge it: each duty is data with its inputs. (handbook: follow, travel) */

/** Where a duty stands in a drive, what it is called, and what can be set of it. */
export interface DutySpec {
  readonly title: string;
  readonly inputs: readonly InputSpec[];
  /** in the job, or beside it */
  readonly of: 'job' | 'drive';
  /** a list of them, or one */
  readonly many: boolean;
}

/** Every duty under its key in the drive file. To add one is to add a line. */
export const duties = {
  rates: { title: 'rate', inputs: rateInputs, of: 'job', many: true },
  sweeps: { title: 'sweep', inputs: sweepInputs, of: 'job', many: true },
  spins: { title: 'speed range', inputs: spinInputs, of: 'job', many: true },
  camera: { title: 'camera', inputs: cameraInputs, of: 'job', many: false },
  altAz: { title: 'altitude and azimuth', inputs: altAzInputs, of: 'job', many: false },
  knob: { title: 'hand knob', inputs: knobInputs, of: 'job', many: false },
  timer: { title: 'controller', inputs: timerInputs, of: 'drive', many: false },
} as const satisfies Readonly<Record<string, DutySpec>>;

export type DutyId = keyof typeof duties;

/** Most of a kind in one job. */
export const MAX_DUTIES = 20;

export type { Plates } from './plates.ts';
