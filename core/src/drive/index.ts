export { MOST_NAME, MOST_STAGES, newDrive, type Drive, type Encoder, type Job, type Train } from './drive.ts';
export {
  checkInput,
  readInput,
  refusalOf,
  show,
  showInput,
  type InputSpec,
  type InputValue,
} from './inputs.ts';
export { checkModes, readModes } from './modes.ts';
export { isStageKind, kindOf, stages, type Stage, type StageKindId } from './stages/index.ts';
export { isSourceKind, sourceKindOf, sources, type Source } from './sources/index.ts';
export type { Part, Provenance, StageKind } from './stages/stage.ts';
export { countsPerTurn, kinematics, kinematicsOf, type Kinematics, type Shaft } from './kinematics.ts';
export { applyEdit, editSays, type Edit } from './edits/index.ts';
export { byModule, byPitch, type Shape, type Wheel } from './shape.ts';
