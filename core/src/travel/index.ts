export {
  eased,
  framesIn,
  moveSeconds,
  planSweep,
  scheduleOf,
  SEEN_RIPPLE,
  stepsOfSweep,
  type Schedule,
  type SweepPlan,
} from './sweep.ts';
export { knobReport, SMOOTH_STEPS, spinReport, type KnobReport, type SpinReport } from './spin.ts';
export { rampTable, stepTimes, tableBytes, type Ramp, type RampShape } from './ramp.ts';
