export {
  asksFirst,
  encoderInputs,
  MAX_NAME,
  MAX_STAGES,
  MAX_TRAINS,
  newDrive,
  type Drive,
  type Encoder,
  type FurtherTrain,
  type Hang,
  type Job,
  type Train,
  type TurnLimits,
} from './drive.ts';
export {
  COMMON_JOB,
  FIRST_NAME,
  keptOnPath,
  pathOf,
  ratioBetween,
  trainAt,
  trainCount,
  trainsOf,
  treeOrder,
  type BetweenPaths,
  type Path,
  type StagePlace,
  type TrainOf,
} from './trains.ts';
export { otherPlace, trainsFault } from './trains-fault.ts';
export { freeTrainName, freeTrainNames } from './edits/trains.ts';
export { readMoves, type Move } from './moves.ts';
export {
  controllerInputs,
  counterBits,
  duties,
  keepingInputs,
  loadInputsOf,
  MAX_DUTIES,
  periodOf,
  rateName,
  refuseSweep,
  ratePeriods,
  tickHz,
  pixelScale,
  type AltAz,
  type BenchNotes,
  type Printer,
  type BetweenOutputs,
  type Camera,
  type DutyId,
  type DutySpec,
  type Easing,
  type Knob,
  type Load,
  type Plates,
  type Rate,
  type RateKind,
  type Spin,
  type Start,
  type Sweep,
  type Timer,
  type WorkBlank,
} from './duties/index.ts';
export { MAX_GEARS, MAX_HOLES, platesText, readGears, readPlates, readWorm } from './plates.ts';
export { dataOf, fromEntries } from './data.ts';
export { pairsRatio, type ToothPairs } from './pairs.ts';
export type { Suits } from './suits.ts';
export { knownBoxes, type KnownBox } from './boxes.ts';
export { backEfficiencyOf, efficiencyOf } from './efficiency.ts';
export { qualityOf } from './stages/common.ts';
export { RUNOUT_MM, type Quality, type Wobble } from './stages/wobble.ts';
export type { Stepper } from './sources/stepper.ts';
export { STOP_WINDOW, type EncoderMotor } from './sources/encoder-motor.ts';
export type { GearMotor } from './sources/gear-motor.ts';
export type { LoadedTeeth, Material } from './stages/stage.ts';
export { curveText, readCurve, type TorqueCurve } from './curve.ts';
export { durationText } from './duration.ts';
export {
  buildFault,
  FASTENERS,
  MAX_BUILD,
  MAX_STEP,
  type Build,
  type BuildStep,
  type Fastener,
} from './build.ts';
export { togetherFault } from './together-fault.ts';
export {
  isDay,
  LOG_KINDS,
  logFault,
  MAX_LOG,
  MAX_WORDS,
  type LogEntry,
  type LogKind,
  type LogValue,
} from './log.ts';
export { designDiffers, designOf, MAX_REVISIONS, revisionsFault, withDesign } from './revisions.ts';
export { DESIGN_KEYS, type Design, type Revision } from './drive.ts';
export { boreClashes, knownPlay, lostMotion, stagePlay, type LostMotion } from './play.ts';
export {
  checkInput,
  onCard,
  readInput,
  refusalOf,
  show,
  showInput,
  type InputSpec,
  type InputValue,
} from './inputs.ts';
export { checkModes, readModes } from './modes.ts';
export {
  isStageKind,
  kindOf,
  searchedKinds,
  stageInputs,
  stages,
  wheelSearch,
  type Stage,
  type StageKindId,
} from './stages/index.ts';
export { isSourceKind, sourceKindOf, sources, type Source, type SourceKindId } from './sources/index.ts';
export type { SourceGlyph } from './sources/source.ts';
export { isOutputKind, outputKindOf, outputs, type Output, type OutputKindId } from './outputs/index.ts';
export { layerName, MAX_LAYER } from './stages/arbor.ts';
export { planetOffsets } from './stages/stepped.ts';
export type { Origin, Owned, Part, Provenance, StageKind } from './stages/stage.ts';
export {
  knownModule,
  knownPitch,
  moduleOf,
  moduleOfPitch,
  type ModuleFrom,
  type ModuleSize,
} from './stages/module.ts';
export type { FormToMake, Meshing, WheelToMake } from './stages/wheel.ts';
export { runningSeconds, windingTurns } from './sources/spring.ts';
export type { ArmKind, TangentArm } from './outputs/tangent-arm.ts';
export { refuseTrain } from './locks.ts';
export { countsPerTurn, kinematics, kinematicsOf, type Kinematics, type Shaft } from './kinematics.ts';
export { applyEdit, editLabel } from './apply-edit.ts';
export type { Edit } from './edits/index.ts';
export { dutiesIn } from './edits/duty.ts';
export { standingAlone } from './edits/stages.ts';
export { byModule, byPitch, type SetMember, type Shape, type Wheel } from './shape.ts';
export {
  FIND_STAGES,
  FIND_STEPS,
  FIND_WHEELS,
  findInputs,
  readBetween,
  readFindInput,
  readWheels,
  type FindSettings,
} from './find-settings.ts';
export { amendDrive } from './amend.ts';
export { shaftsOfRuns, stageRuns, type StageRun } from './fold.ts';
export {
  designFault,
  driveFault,
  dutyFault,
  encoderFault,
  findFault,
  hangFault,
  outputFault,
  sourceFault,
  stageFault,
} from './fault.ts';
