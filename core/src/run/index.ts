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
export {
  FIELD_CHECKS,
  followedSeconds,
  followingLeft,
  startFollowing,
  type FollowingEvent,
  type FollowingPlan,
  type FollowingState,
} from './following.ts';
export {
  frameNow,
  framesLeft,
  framesOf,
  shotLength,
  slackOf,
  startFrames,
  type FramePhase,
  type FramesEvent,
  type FramesPlan,
  type FramesState,
} from './frames.ts';
export { isAnyRun, isSession, nextSession, type AnyRun, type Session, type SessionEvent } from './session.ts';
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
