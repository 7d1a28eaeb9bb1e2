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
export { ballsIn, boltCircle, drawnFor, motorFaces, screwLength, warmth } from './fits.ts';
export { fittedShafts, frameOf, type FittedShaft, type OnShaft } from './shafts.ts';
export { partsCost, partsList, type PartLine } from './parts.ts';
export { minutesOf, setupAgain, setupOf, setupStands } from './setup.ts';
export { faults, type Fault, type FaultCheck, type FaultFigure } from './faults.ts';
export { lobedOf, lobedOutline, mostEccentric, mostPin, type Lobed } from './cycloid.ts';
export { genevaCut, genevaLock, genevaWheel, mostGenevaPin, type GenevaCut } from './geneva.ts';
export {
  circleDrawings,
  drawingKindOf,
  drawingsOf,
  isOfPlan,
  type DrawingKindId,
  type DrawingName,
} from './drawings.ts';
export { formRefusal, madeForms, type MadeForm } from './forms.ts';
export { NOZZLES, tooFine } from './printing.ts';
export { preloadOf, type Preload } from './preload.ts';
export { readMeshLog, turnText, withMeshMove } from './mesh-log.ts';
export { madeWheels, wheelRefusal, workWheel, workWheels, type Helix, type MadeWheel } from './wheels.ts';
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
