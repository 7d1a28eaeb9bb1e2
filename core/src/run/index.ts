export { mostRows, passesRoom, stopsOfPlan, type PlatePlan, type RunPlan } from './plan.ts';
export { sequenceOf, wayBetween, type Sequence, type Step, type Way } from './sequence.ts';
export {
  doneGaps,
  doneInRow,
  isRunState,
  nextState,
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
