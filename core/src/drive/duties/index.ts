import type { InputSpec } from '../inputs.ts';
import { benchInputs, type BenchNotes } from './bench.ts';
import { blankInputs, type WorkBlank } from './blank.ts';
import { betweenInputs, type BetweenOutputs } from './between.ts';
import { altAzInputs, cameraInputs, type AltAz, type Camera } from './camera.ts';
import { loadInputs, type Load } from './load.ts';
import { rateInputs, type Rate } from './rate.ts';
import { printerInputs, type Printer } from './printer.ts';
import { knobInputs, spinInputs, type Knob, type Spin } from './spin.ts';
import { startInputs, type Start } from './start.ts';
import { sweepInputs, type Sweep } from './sweep.ts';
import { timerInputs, type Timer } from './timer.ts';

export { loadInputsOf } from './load.ts';
export type { BetweenOutputs } from './between.ts';
export { pixelScale, type AltAz, type Camera } from './camera.ts';
export type { Load } from './load.ts';
export type { BenchNotes } from './bench.ts';
export type { Printer } from './printer.ts';
export type { WorkBlank } from './blank.ts';
export { periodOf, rateName, ratePeriods, type Rate, type RateKind } from './rate.ts';
export type { Knob, Spin } from './spin.ts';
export type { Start } from './start.ts';
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

/** A spec that also tells what its data look like, so that the type of the Job follows from the registry. */
const duty =
  <T>() =>
  <const S extends DutySpec>(spec: S): S & { readonly data?: T } =>
    spec;

/** Every duty under its key in the drive file. To add one is to add a line. */
export const duties = {
  rates: duty<Rate>()({ title: 'rate', inputs: rateInputs, of: 'job', many: true }),
  sweeps: duty<Sweep>()({ title: 'sweep', inputs: sweepInputs, of: 'job', many: true }),
  spins: duty<Spin>()({ title: 'speed range', inputs: spinInputs, of: 'job', many: true }),
  camera: duty<Camera>()({ title: 'camera', inputs: cameraInputs, of: 'job', many: false }),
  altAz: duty<AltAz>()({ title: 'altitude and azimuth', inputs: altAzInputs, of: 'job', many: false }),
  knob: duty<Knob>()({ title: 'hand knob', inputs: knobInputs, of: 'job', many: false }),
  blank: duty<WorkBlank>()({ title: 'blank', inputs: blankInputs, of: 'job', many: false }),
  load: duty<Load>()({ title: 'load', inputs: loadInputs, of: 'job', many: false }),
  between: duty<BetweenOutputs>()({
    title: 'ratio between outputs',
    inputs: betweenInputs,
    of: 'job',
    many: true,
  }),
  bench: duty<BenchNotes>()({ title: 'bench', inputs: benchInputs, of: 'drive', many: false }),
  printer: duty<Printer>()({ title: 'printer', inputs: printerInputs, of: 'drive', many: false }),
  start: duty<Start>()({ title: 'first questions', inputs: startInputs, of: 'drive', many: false }),
  timer: duty<Timer>()({ title: 'controller', inputs: timerInputs, of: 'drive', many: false }),
} as const satisfies Readonly<Record<string, DutySpec>>;

export type DutyId = keyof typeof duties;
type Duties = typeof duties;

/** The duties that stand in the job, under their keys. */
export type JobDuties = {
  readonly [K in DutyId as Duties[K]['of'] extends 'job' ? K : never]?: Duties[K]['many'] extends true
    ? readonly NonNullable<Duties[K]['data']>[]
    : NonNullable<Duties[K]['data']>;
};

/** Most of a kind in one job. */
export const MAX_DUTIES = 20;

export type { Plates } from './plates.ts';
