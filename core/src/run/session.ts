import { isRunState } from './check.ts';
import { isFollowingState, nextFollowing, type FollowingEvent, type FollowingState } from './following.ts';
import { isFramesState, nextFrames, type FramesEvent, type FramesState } from './frames.ts';
import type { RunState } from './state.ts';

/** What is run on a clock instead of place by place. */
export type Session = FramesState | FollowingState;
export type SessionEvent = FramesEvent | FollowingEvent;
/** Anything that is kept as a run of a drive. */
export type AnyRun = RunState | Session;

export const isSession = (state: AnyRun): state is Session => 'session' in state;

/** The state after an event of its own kind. */
export function nextSession(state: Session, event: SessionEvent): Session {
  return state.session === 'frames'
    ? nextFrames(state, event as FramesEvent)
    : nextFollowing(state, event as FollowingEvent);
}

/** For what comes back from storage or a file. */
export const isAnyRun = (value: unknown): value is AnyRun =>
  isFramesState(value) || isFollowingState(value) || isRunState(value);
