export {
  doneGaps,
  isRunState,
  nextState,
  planDiffers,
  passesLimits,
  planRun,
  secondsLeft,
  startRun,
  type RunEvent,
  type RunPlan,
  type RunState,
} from './run.ts';
