export {
  doneGaps,
  isRunState,
  nextState,
  planDiffers,
  planRun,
  secondsLeft,
  startRun,
  type RunEvent,
  type RunPlan,
  type RunState,
} from './run.ts';
