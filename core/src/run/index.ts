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
export { cutCount, cutInRow, gapStates, gapTally, leftPlaces, type GapState, type GapTally } from './gaps.ts';
export {
  beyondAt,
  overshoot,
  sequenceOf,
  wayBetween,
  type Sequence,
  type Step,
  type Way,
} from './sequence.ts';
export { beyondOf, nextState, secondsLeft, startRun, stepsBack, targetOf, type RunEvent } from './run.ts';
export { placeNow, placesOf, rowOf, rowsOf, type RunSetup, type RunState } from './state.ts';
