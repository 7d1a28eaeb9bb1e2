export { isRunState, planDiffers } from './check.ts';
export {
  exactPi,
  mostRows,
  passesRoom,
  placeWord,
  stopsOfPlan,
  turnsTo,
  type PlatePlan,
  type RunPlan,
  type ScalePlan,
} from './plan.ts';
export { WINDOW, type Driven, type Phase } from './driven.ts';
export { sequenceOf, wayBetween, type Sequence, type Step, type Way } from './sequence.ts';
export {
  beyondOf,
  targetOf,
  doneGaps,
  doneInRow,
  nextState,
  placeNow,
  placesOf,
  rowOf,
  rowsOf,
  secondsLeft,
  startRun,
  stepsBack,
  type RunEvent,
  type RunSetup,
  type RunState,
} from './run.ts';
