import { isMoment, isSeconds } from './moments.ts';

/** One axis of a shot: where it is sent frame by frame, its own counts from its start, and the same in words. */
export interface FramesAxis {
  readonly name: string;
  readonly targets: readonly number[];
  readonly places: readonly string[];
}

/** Shoot, move, shoot: what a session follows to its end, whatever happens to the drive. Times in seconds. (handbook: travel) */
export interface FramesPlan {
  readonly train?: string;
  readonly axes: readonly FramesAxis[];
  /** from mark to mark; null where the frames follow each other by hand */
  readonly interval: number | null;
  readonly exposure: number;
  readonly write: number;
  readonly settle: number;
  /** kept free of each interval */
  readonly margin: number;
  /** the slowest axis on the way into each frame */
  readonly moves: readonly number[];
  readonly batterySeconds?: number;
  readonly doubt?: string;
}

/** A frame that was exposed; `late` by so many seconds where the work had not come to rest at its mark. */
export interface FrameShot {
  readonly frame: number;
  /** milliseconds since 1970 */
  readonly at: number;
  readonly late?: number;
}

/** Plain data, stored at each frame. */
export interface FramesState {
  readonly session: 'frames';
  readonly plan: FramesPlan;
  /** the frame that is next, or under way: 1…F */
  readonly frame: number;
  readonly finished: boolean;
  readonly paused: boolean;
  /** when the work sets off for this frame and when its shutter opens, ms; null while it waits, and always without an interval */
  readonly clock: { readonly from: number; readonly mark: number; readonly late?: number } | null;
  /** the controller's count at this shot's own 0, and the start of the controller that it belongs to */
  readonly zero?: number;
  readonly boot?: string;
  readonly startedAt: number;
  /** newest last */
  readonly shots: readonly FrameShot[];
}

export type FramesEvent =
  | { readonly do: 'pause' | 'back' | 'shot'; readonly at: number }
  /** with a controller that it did not know: its count at this shot's own 0 */
  | { readonly do: 'go'; readonly at: number; readonly zero?: number; readonly boot?: string }
  /** it has not come to rest: the shutter waits until then */
  | { readonly do: 'late'; readonly mark: number; readonly at: number }
  | { readonly do: 'jump'; readonly frame: number; readonly at: number };

/** Seconds that are counted down before the first frame of a start, at least. */
const LEAD = 5;

export const framesOf = ({ moves }: FramesPlan): number => moves.length;

export const startFrames = (plan: FramesPlan, at: number): FramesState => ({
  session: 'frames',
  plan,
  frame: 1,
  finished: false,
  paused: true,
  clock: null,
  startedAt: at,
  shots: [],
});

/** Seconds into a frame: the move, and until it has come to rest. */
const before = ({ moves, settle }: FramesPlan, frame: number): number => moves[frame - 1]! + settle;

/** The state after an event; the same state where the event does nothing. (handbook: travel, shoot, move, shoot) */
export function nextFrames(state: FramesState, event: FramesEvent): FramesState {
  const { plan, clock } = state;
  switch (event.do) {
    case 'go': {
      if (state.finished || !state.paused) return state;
      const mark = event.at + 1000 * Math.max(LEAD, before(plan, state.frame));
      return {
        ...state,
        paused: false,
        clock: plan.interval === null ? null : { from: event.at, mark },
        ...(event.zero !== undefined && { zero: event.zero }),
        ...(event.boot !== undefined && { boot: event.boot }),
      };
    }
    case 'pause':
      return state.finished || state.paused ? state : { ...state, paused: true, clock: null };
    case 'late': {
      if (!clock || event.mark <= clock.mark) return state;
      const late = (clock.late ?? 0) + (event.mark - clock.mark) / 1000;
      return { ...state, clock: { ...clock, mark: event.mark, late } };
    }
    case 'shot': {
      if (state.finished || state.paused) return state;
      const at = clock?.mark ?? event.at;
      const shot: FrameShot = {
        frame: state.frame,
        at,
        ...(clock?.late && { late: Number(clock.late.toFixed(3)) }),
      };
      const shots = [...state.shots, shot];
      if (state.frame >= framesOf(plan)) return { ...state, shots, clock: null, finished: true };
      // from mark to mark is the interval, whenever the page came round to it
      const next = clock &&
        plan.interval !== null && {
          from: at + 1000 * (plan.exposure + plan.write),
          mark: at + 1000 * plan.interval,
        };
      return { ...state, shots, frame: state.frame + 1, clock: next || null };
    }
    case 'back':
      return nextFrames(state, { do: 'jump', frame: state.frame - (state.finished ? 0 : 1), at: event.at });
    case 'jump': {
      const there = Number.isSafeInteger(event.frame) && event.frame >= 1 && event.frame <= framesOf(plan);
      if (!there || (event.frame === state.frame && !state.finished)) return state;
      return { ...state, frame: event.frame, finished: false, paused: true, clock: null };
    }
  }
}

/** What is done of a frame at a moment. */
export type FramePhase = 'waits' | 'move' | 'settle' | 'countdown' | 'expose' | 'write' | 'over' | 'hand';

/** At a moment: the phase, the seconds until it ends, and until the shutter opens; negative once it is open. */
export function frameNow(
  { plan, clock, frame, paused, finished }: FramesState,
  now: number,
): { readonly phase: FramePhase; readonly left: number; readonly toMark: number } {
  if (finished || paused) return { phase: 'waits', left: 0, toMark: 0 };
  if (!clock) return { phase: 'hand', left: 0, toMark: 0 };
  const since = (now - clock.from) / 1000;
  const toMark = (clock.mark - now) / 1000;
  const move = plan.moves[frame - 1]!;
  const ends: readonly (readonly [FramePhase, number])[] = [
    ['move', move - since],
    ['settle', move + plan.settle - since],
    ['countdown', toMark],
    ['expose', toMark + plan.exposure],
    ['write', toMark + plan.exposure + plan.write],
  ];
  const [phase, left] = ends.find(([, s]) => s > 0) ?? ['over', 0];
  return { phase, left, toMark };
}

/** What is left of an interval after the exposure, the writing, the move into the next frame, its settling and the margin; s. null without an interval or after the last frame. */
export function slackOf({ plan, frame }: FramesState): number | null {
  if (plan.interval === null || frame >= framesOf(plan)) return null;
  return plan.interval - plan.exposure - plan.write - before(plan, frame + 1) - plan.margin;
}

/** Seconds from the first mark until the last of so many frames is written; null by hand. */
export const shotLength = (
  { interval, exposure, write, moves }: FramesPlan,
  frames = moves.length,
): number | null => (interval === null ? null : (frames - 1) * interval + exposure + write);

/** Seconds from now to the end of the last exposure; null by hand and while it waits. */
export function framesLeft(state: FramesState, now: number): number | null {
  const { plan, clock, frame } = state;
  const rest = shotLength(plan, framesOf(plan) - frame + 1);
  return clock && rest !== null ? (clock.mark - now) / 1000 + rest : null;
}

/** Most frames and axes that a session keeps. */
const MAX_FRAMES = 100_000;

/** For what comes back from storage or a file. */
export function isFramesState(value: unknown): value is FramesState {
  const s = value as Partial<FramesState> | null;
  const plan = s?.plan;
  if (s?.session !== 'frames' || !plan || !Array.isArray(plan.moves) || !Array.isArray(plan.axes))
    return false;
  const frames = plan.moves.length;
  const isFrame = (n: unknown): boolean =>
    Number.isSafeInteger(n) && (n as number) >= 1 && (n as number) <= frames;
  return (
    frames >= 1 &&
    frames <= MAX_FRAMES &&
    plan.moves.every(isSeconds) &&
    (plan.interval === null || isSeconds(plan.interval)) &&
    [plan.exposure, plan.write, plan.settle, plan.margin].every(isSeconds) &&
    (plan.axes as readonly Partial<FramesAxis>[]).every(
      (a) =>
        typeof a?.name === 'string' &&
        [a.targets, a.places].every((list) => Array.isArray(list) && list.length === frames) &&
        a.targets!.every(Number.isSafeInteger),
    ) &&
    isFrame(s.frame) &&
    typeof s.finished === 'boolean' &&
    typeof s.paused === 'boolean' &&
    isMoment(s.startedAt) &&
    (s.zero === undefined || Number.isSafeInteger(s.zero)) &&
    (s.boot === undefined || typeof s.boot === 'string') &&
    (s.clock === null || (isMoment(s.clock?.from) && isMoment(s.clock?.mark))) &&
    Array.isArray(s.shots) &&
    (s.shots as readonly Partial<FrameShot>[]).every((x) => isFrame(x?.frame) && isMoment(x?.at))
  );
}
