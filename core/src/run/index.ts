export { mostRows, passesRoom, stopsOfPlan, type PlatePlan, type RunPlan } from './plan.ts';
export { WINDOW, type Driven, type Phase } from './driven.ts';
export { sequenceOf, wayBetween, type Sequence, type Step, type Way } from './sequence.ts';
export {
  beyondOf,
  targetOf,
  doneGaps,
  doneInRow,
  isRunState,
  nextState,
  placeNow,
  placesOf,
  planDiffers,
  rowOf,
  rowsOf,
  secondsLeft,
  startRun,
  stepsBack,
  type RunEvent,
  type RunSetup,
  type RunState,
} from './run.ts';
