export { fitDividing, type DivisionFit, type DivisionRecord } from './dividing.ts';
export type { DividedBy, DivisionShape, ShapeFound } from './readings.ts';
export { divisionSample, trackingSample } from './instruments.ts';
export { noiseOf } from './noise.ts';
export { highestPeak, lombScargle, type Peak } from './periodogram.ts';
export { readBump, type Bump, type Shake } from './bump.ts';
export { asAmplitude, lostMotionOf, settlingSeconds, speedPpm, wilson } from './tests.ts';
export {
  fitTracking,
  type Component,
  type ComponentState,
  type Period,
  type TrackingFit,
  type TrackingRecord,
} from './tracking.ts';
export { fitWaves, type Fitted } from './waves.ts';
