export {
  arcsecAnHour,
  clockOff,
  intervals,
  overheadSeconds,
  ppm,
  secondsADay,
  tickHz,
  timingOf,
  type Fixed,
  type Spread,
  type Timing,
} from './timing.ts';
export { longestExposure, onChip, pixelScale, polarDrift, STAR_RATE, undrivenExposure } from './camera.ts';
export {
  axisRates,
  path,
  pointingOf,
  turningExposure,
  zenithCap,
  type AxisRates,
  type PathPoint,
  type Pointing,
} from './pointing.ts';
export {
  angleOf,
  armError,
  armExceeds,
  armFor,
  corrections,
  speedAt,
  travelOf,
  type Correction,
  type TurningArm,
} from './arms.ts';
