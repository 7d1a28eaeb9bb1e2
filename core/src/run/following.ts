import { isMoment, isSeconds } from './moments.ts';

/** A night, or an hour, of following a rate: what it goes by, and what ends it. (handbook: run, field mode) */
export interface FollowingPlan {
  readonly train?: string;
  /** "stars" */
  readonly rate: string;
  /** what the controller keeps: "Alternate 15 582 and 15 583" */
  readonly constants: string;
  /** seconds it can follow before it must be rewound, and why; null while nothing ends it */
  readonly ends: { readonly seconds: number; readonly why: string } | null;
  /** one exposure, s, through a lens in mm; null where the job names none */
  readonly exposure: { readonly seconds: number; readonly focalMm: number } | null;
  readonly batterySeconds?: number;
  readonly doubt?: string;
}

export interface FollowingCheck {
  readonly name: string;
  /** when it was ticked, ms */
  readonly at?: number;
}

/** Plain data, stored at each key. */
export interface FollowingState {
  readonly session: 'following';
  readonly plan: FollowingPlan;
  readonly checks: readonly FollowingCheck[];
  /** since when it follows, ms; null while it stands */
  readonly since: number | null;
  /** seconds it followed before that, since it was last rewound */
  readonly before: number;
  readonly finished: boolean;
  readonly startedAt: number;
  /** so many of the exposures are in the log already */
  readonly logged?: number;
  /** exposures, newest last */
  readonly exposures: readonly { readonly at: number; readonly kept: boolean }[];
}

export type FollowingEvent =
  | { readonly do: 'follow' | 'stand' | 'rewound' | 'kept' | 'lost' | 'undo' | 'end'; readonly at: number }
  | { readonly do: 'check'; readonly index: number; readonly at: number };

/** What is done before the start, in its order. (handbook: run, field mode) */
export const FIELD_CHECKS = ['Set up', 'Level', 'Align', 'Balance', 'Focus'] as const;

export const startFollowing = (plan: FollowingPlan, at: number): FollowingState => ({
  session: 'following',
  plan,
  checks: FIELD_CHECKS.map((name) => ({ name })),
  since: null,
  before: 0,
  finished: false,
  startedAt: at,
  exposures: [],
});

/** Seconds it has followed since it was last rewound. */
export const followedSeconds = ({ since, before }: FollowingState, now: number): number =>
  before + (since === null ? 0 : Math.max(0, now - since) / 1000);

/** Seconds until something ends it; null while nothing does. */
export const followingLeft = (state: FollowingState, now: number): number | null =>
  state.plan.ends && state.plan.ends.seconds - followedSeconds(state, now);

/** The state after an event; the same state where the event does nothing. */
export function nextFollowing(state: FollowingState, event: FollowingEvent): FollowingState {
  const { at } = event;
  if (state.finished) return event.do === 'follow' ? { ...state, finished: false, since: at } : state;
  switch (event.do) {
    case 'follow':
      return state.since === null ? { ...state, since: at } : state;
    case 'stand':
      return state.since === null ? state : { ...state, before: followedSeconds(state, at), since: null };
    case 'rewound':
      return { ...state, before: 0, since: state.since === null ? null : at };
    case 'kept':
    case 'lost':
      return { ...state, exposures: [...state.exposures, { at, kept: event.do === 'kept' }] };
    case 'undo':
      return state.exposures.length === 0 ? state : { ...state, exposures: state.exposures.slice(0, -1) };
    case 'check':
      return {
        ...state,
        checks: state.checks.map((c, i) => (i === event.index ? ticked(c, at) : c)),
      };
    case 'end':
      return {
        ...state,
        before: followedSeconds(state, at),
        since: null,
        finished: true,
        logged: state.exposures.length,
      };
  }
}

/** Ticked now, or not any more. */
const ticked = ({ name, at: before }: FollowingCheck, at: number): FollowingCheck =>
  before === undefined ? { name, at } : { name };

/** For what comes back from storage or a file. */
export function isFollowingState(value: unknown): value is FollowingState {
  const s = value as Partial<FollowingState> | null;
  const plan = s?.plan;
  return (
    s?.session === 'following' &&
    typeof plan?.rate === 'string' &&
    typeof plan.constants === 'string' &&
    (plan.ends === null || (isSeconds(plan.ends?.seconds) && typeof plan.ends.why === 'string')) &&
    (plan.exposure === null || (isSeconds(plan.exposure?.seconds) && isSeconds(plan.exposure.focalMm))) &&
    Array.isArray(s.checks) &&
    s.checks.every(
      (c: Partial<FollowingCheck> | null) =>
        typeof c?.name === 'string' && (c.at === undefined || isMoment(c.at)),
    ) &&
    (s.since === null || isMoment(s.since)) &&
    isSeconds(s.before) &&
    (s.logged === undefined || Number.isSafeInteger(s.logged)) &&
    typeof s.finished === 'boolean' &&
    isMoment(s.startedAt) &&
    Array.isArray(s.exposures) &&
    s.exposures.every(
      (e: { at?: unknown; kept?: unknown } | null) => isMoment(e?.at) && typeof e?.kept === 'boolean',
    )
  );
}
