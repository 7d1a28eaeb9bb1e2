export { eased, easedTargets } from './easing.ts';
export {
  curedBy,
  framesIn,
  moveSeconds,
  planSweep,
  scheduleOf,
  secondsOfMove,
  SEEN_RIPPLE,
  speedOf,
  stepsOfSweep,
  type Schedule,
  type SweepPlan,
} from './sweep.ts';
export { knobReport, SMOOTH_STEPS, spinReport, type KnobReport, type SpinReport } from './spin.ts';
export {
  LONGEST_TABLE,
  rampLength,
  rampTable,
  stepTimes,
  tableBytes,
  type Ramp,
  type RampShape,
} from './ramp.ts';
export {
  placeTextOf,
  planShot,
  shotSeconds,
  unlike,
  type Shot,
  type ShotAxis,
  type ShotFrame,
} from './shot.ts';
