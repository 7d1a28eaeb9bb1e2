import { add, compare, exactly, ONE, rational, toText, type Rational } from '../numbers/index.ts';
import { kinematicsOf, type Drive } from '../drive/index.ts';

/** What a run follows to its end, whatever happens to the drive meanwhile. Exact numbers as text. */
export interface RunPlan {
  readonly divisions: number;
  readonly stepsPerTurn: string;
  /** turns of the source for one of the work, signed */
  readonly reduction: string;
  /** the work may not go on round to the start: it is taken back there instead */
  readonly rewind?: true;
}

export interface Move {
  /** the gap that was reached */
  readonly gap: number;
  /** milliseconds since 1970 */
  readonly at: number;
}

/**
 * A run at the machine: plain data, stored at each move. `gap` is where the work stands, 1…D; gaps before it are done.
 * `finished` after gap D. Paused runs do not go on. (handbook: run)
 */
export interface RunState {
  readonly plan: RunPlan;
  readonly gap: number;
  readonly finished: boolean;
  readonly paused: boolean;
  readonly startedAt: number;
  /** newest last; the first is the start at gap 1 */
  readonly moves: readonly Move[];
}

export type RunEvent = { readonly do: 'next' | 'back' | 'pause' | 'resume'; readonly at: number };

/** The plan for D divisions with the drive as it stands; null when its source has no steps. */
export function planRun(drive: Drive, divisions: number): RunPlan | null {
  const k = kinematicsOf(drive);
  const plan = k.stepsPerTurn && {
    divisions,
    stepsPerTurn: toText(k.stepsPerTurn),
    reduction: toText(k.reduction),
  };
  const room = roomToTurn(drive);
  return plan && room && compare(room, ONE) < 0 ? { ...plan, rewind: true } : plan;
}

/** How far the work may turn in all, turns; null without limits. */
function roomToTurn(drive: Drive): Rational | null {
  const { limits } = drive.train;
  return limits ? add(exactly(limits.back), exactly(limits.forth)) : null;
}

/** Why a run of D divisions would pass the limits of turning; null when it keeps within them. (handbook: drive, limits of turning) */
export function passesLimits(
  drive: Drive,
  divisions: number,
): { readonly room: string; readonly needs: string; readonly why: string } | null {
  const room = roomToTurn(drive);
  const needs = rational(divisions - 1, divisions);
  return room && compare(room, needs) < 0
    ? { room: toText(room), needs: toText(needs), why: drive.train.limits?.why ?? '' }
    : null;
}

export const startRun = (plan: RunPlan, at: number): RunState => ({
  plan,
  gap: 1,
  finished: false,
  paused: false,
  startedAt: at,
  moves: [{ gap: 1, at }],
});

/** The state after an event; the same state when the event does nothing there (back at gap 1, next while paused or finished). */
export function nextState(state: RunState, event: RunEvent): RunState {
  switch (event.do) {
    case 'next':
      if (state.paused || state.finished) return state;
      if (state.gap >= state.plan.divisions) return { ...state, finished: true };
      return moved({ ...state, gap: state.gap + 1 }, event.at);
    case 'back':
      if (state.finished) return { ...state, finished: false };
      if (state.paused || state.gap <= 1) return state;
      return moved({ ...state, gap: state.gap - 1 }, event.at);
    case 'pause':
      return state.finished || state.paused ? state : { ...state, paused: true };
    case 'resume':
      return state.paused ? { ...state, paused: false } : state;
  }
}

const moved = (state: RunState, at: number): RunState => ({
  ...state,
  moves: [...state.moves, { gap: state.gap, at }],
});

/** Gaps that are done: those before the present one, or all. */
export const doneGaps = (state: RunState): number => (state.finished ? state.plan.divisions : state.gap - 1);

/** Moves needed before a pace is told. */
const PACED = 3;

/** Seconds left by the user's own pace, the median of the last forward moves; null before there is one. */
export function secondsLeft(state: RunState): number | null {
  const spans: number[] = [];
  for (let i = 1; i < state.moves.length; i++) {
    const [before, now] = [state.moves[i - 1]!, state.moves[i]!];
    if (now.gap > before.gap) spans.push(now.at - before.at);
  }
  if (spans.length < PACED) return null;
  const last = spans.slice(-21).sort((a, b) => a - b);
  const median = last[Math.floor(last.length / 2)]!;
  return ((state.plan.divisions - doneGaps(state)) * median) / 1000;
}

/** Has the drive changed since, so that a run of it keeps numbers of its own? */
export function planDiffers(plan: RunPlan, drive: Drive): boolean {
  const now = planRun(drive, plan.divisions);
  return (
    now === null ||
    now.stepsPerTurn !== plan.stepsPerTurn ||
    now.reduction !== plan.reduction ||
    now.rewind !== plan.rewind
  );
}

/** Is this a run state that can be resumed? For what comes back from storage or a file. */
export function isRunState(value: unknown): value is RunState {
  const s = value as Partial<RunState> | null;
  const plan = s?.plan;
  if (!s || !plan || !Array.isArray(s.moves)) return false;
  try {
    exactly(plan.stepsPerTurn);
    exactly(plan.reduction);
  } catch {
    return false;
  }
  const D = plan.divisions;
  return Number.isSafeInteger(D) && D > 0 && Number.isSafeInteger(s.gap) && s.gap! >= 1 && s.gap! <= D;
}
