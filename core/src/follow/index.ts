export {
  arcsecAnHour,
  clockOff,
  intervals,
  longestWait,
  overheadSeconds,
  ppm,
  secondsADay,
  timingOf,
  type Fixed,
  type Spread,
  type Timing,
} from './timing.ts';
export { longestExposure, onChip, polarDrift, STAR_RATE, undrivenExposure } from './camera.ts';
export {
  axisRates,
  greatestRates,
  path,
  pointingOf,
  setsAfter,
  turningExposure,
  zenithCap,
  type AxisRates,
  type Greatest,
  type PathPoint,
  type Pointing,
} from './pointing.ts';
export {
  angleOf,
  armDrift,
  armError,
  armExceeds,
  armFor,
  corrections,
  screwFor,
  speedAt,
  travelOf,
  type Correction,
  type TurningArm,
} from './arms.ts';
export {
  causesOf,
  largestCause,
  turningArm,
  type CauseId,
  type RateAsked,
  type RateCause,
} from './causes.ts';
