export { beltFit, LEAST_IN_MESH, shortestBelt, type BeltFit } from './belt.ts';
export { dialLines, vernierLines, type DialLine } from './circles.ts';
export {
  buildFromTrain,
  buildStates,
  movedStep,
  reopened,
  withDone,
  withStep,
  withStepText,
  type BuildState,
} from './build.ts';
export { cutterFor, cutters, type Cutter } from './cutters.ts';
export {
  blankOf,
  centreOf,
  chordOf,
  freeingShift,
  halfToothAt,
  isPointed,
  leastTeeth,
  pinsOf,
  spanOf,
  type Blank,
  type Gear,
} from './gear.ts';
export { ballsIn, boltCircle, drawnFor, motorFaces, screwLength, warmth } from './fits.ts';
export { faults, type Fault, type FaultCheck, type FaultFigure } from './faults.ts';
export { gearOutline, type XY } from './outline.ts';
export { preloadOf, type Preload } from './preload.ts';
export { threadAsWorm, threadCutBlank } from './thread-cut.ts';
export { readMeshLog, turnText, withMeshMove } from './mesh-log.ts';
export { madeWheels, wheelRefusal, workWheel, workWheels, type MadeWheel } from './wheels.ts';
export {
  FEELS,
  freeLocks,
  meshMoves,
  meshState,
  pivoted,
  playArcsec,
  springN,
  type Feel,
  type MeshAsked,
  type MeshMove,
  type MeshNext,
  type MeshState,
} from './mesh.ts';
