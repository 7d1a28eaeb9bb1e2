import { WINDOW, type Driven } from './driven.ts';
import type { RunPlan } from './plan.ts';
import { sequenceOf, type Step } from './sequence.ts';

export interface Move {
  /** the gap that was reached */
  readonly gap: number;
  /** of a grid, the row it is in; the first unless said */
  readonly row?: number;
  /** it was wound back, towards that gap; D + 1 is home */
  readonly rewind?: true;
  /** milliseconds since 1970 */
  readonly at: number;
  /** counts that the work stood off when this place was left */
  readonly off?: number;
}

/** How the set-up before a run went: minutes, or why it was skipped. */
export interface RunSetup {
  readonly minutes?: number;
  readonly skipped?: string;
}

/**
 * A run at the machine: plain data, stored at each move. `gap` is where the work stands, 1…D; gaps before it are done.
 * `finished` after gap D. Paused runs do not go on. (handbook: run)
 */
export interface RunState {
  readonly plan: RunPlan;
  readonly gap: number;
  /** of a grid, the row it stands in, 1 and on; the first unless said */
  readonly row?: number;
  readonly finished: boolean;
  /** it is being wound back before the next gap, or home after the last */
  readonly rewinding?: boolean;
  readonly paused: boolean;
  readonly startedAt: number;
  readonly setup?: RunSetup;
  /** a controller drives it */
  readonly driven?: Driven;
  /** gaps that were marked as bad, or passed over; of all rounds together, from 0 */
  readonly bad?: readonly number[];
  readonly skipped?: readonly number[];
  /** newest last; the first is the start */
  readonly moves: readonly Move[];
}

export type RunEvent =
  | { readonly do: 'next' | 'back' | 'pause' | 'resume' | 'skip' | 'bad'; readonly at: number }
  | { readonly do: 'jump'; readonly gap: number; readonly at: number }
  /** the controller stands where the run stands; or it is let go */
  | { readonly do: 'attach'; readonly boot: string; readonly counts: number; readonly at: number }
  | { readonly do: 'detach' | 'away'; readonly at: number }
  | { readonly do: 'reached'; readonly error: number; readonly at: number }
  | { readonly do: 'clamp'; readonly raw: number; readonly at: number }
  | { readonly do: 'window'; readonly counts: number; readonly at: number }
  | { readonly do: 'holds'; readonly on: boolean; readonly at: number };

/** A run that begins at a gap, 1…D: the work stands there, and the gaps before it count as done. */
export const startRun = (plan: RunPlan, at: number, gap = 1, setup: RunSetup = {}): RunState => ({
  plan,
  gap,
  finished: false,
  paused: false,
  startedAt: at,
  ...(Object.keys(setup).length > 0 && { setup }),
  moves: [{ gap, at }],
});

/** The state after an event; the same state when the event does nothing there (back at gap 1, next while paused or finished). */
export function nextState(state: RunState, event: RunEvent): RunState {
  const { driven } = state;
  switch (event.do) {
    case 'attach':
      return state.finished ? state : attached(state, event.boot, event.counts);
    case 'detach': {
      const { driven: _, ...rest } = state;
      return rest;
    }
    case 'away':
      return driven ? { ...state, driven: onTheWay(driven) } : state;
    case 'reached':
      return driven?.phase === 'advance'
        ? { ...state, driven: { ...driven, phase: 'clamp', error: event.error } }
        : state;
    case 'clamp':
      return driven?.phase === 'clamp'
        ? { ...state, driven: { ...driven, phase: 'cut', raw: event.raw } }
        : state;
    case 'window':
      return driven ? { ...state, driven: { ...driven, window: event.counts } } : state;
    case 'holds':
      return driven ? { ...state, driven: { ...driven, holds: event.on } } : state;
    case 'bad': {
      const here = placeNow(state);
      const bad = state.bad ?? [];
      const after = bad.includes(here) ? bad.filter((g) => g !== here) : [...bad, here];
      return state.finished ? state : { ...state, bad: after };
    }
    case 'skip': {
      if (state.paused || state.finished) return state;
      const skipped = [...new Set([...(state.skipped ?? []), placeNow(state)])];
      return nextState({ ...state, skipped }, { do: 'next', at: event.at });
    }
    case 'jump': {
      const there = Number.isSafeInteger(event.gap) && event.gap >= 1 && event.gap <= state.plan.divisions;
      if (state.paused || !there || event.gap === state.gap) return state;
      const { rewinding: _, ...rest } = state;
      return moved(
        { ...rest, finished: false, gap: event.gap },
        { gap: event.gap, ...inRow(state), at: event.at },
      );
    }
    case 'next': {
      if (state.paused || state.finished) return state;
      const { rewinding, ...rest } = state;
      const next = state.gap + 1;
      if (!rewinding && sequenceOf(state.plan).indexOf('rewind', next) >= 0)
        return moved(
          { ...state, rewinding: true },
          { gap: next, ...inRow(state), at: event.at, rewind: true },
        );
      if (state.gap >= state.plan.divisions) {
        const row = rowOf(state) + 1;
        if (row > rowsOf(state.plan)) return { ...rest, finished: true };
        return moved({ ...rest, gap: 1, row }, { gap: 1, row, at: event.at });
      }
      return moved({ ...rest, gap: next }, { gap: next, ...inRow(state), at: event.at });
    }
    case 'back': {
      if (state.paused && !state.finished) return state;
      const { rewinding, ...rest } = state;
      if (rewinding || state.finished)
        return moved({ ...rest, finished: false }, { gap: state.gap, ...inRow(state), at: event.at });
      if (state.gap > 1)
        return moved({ ...state, gap: state.gap - 1 }, { gap: state.gap - 1, ...inRow(state), at: event.at });
      const row = rowOf(state) - 1;
      if (row < 1) return state;
      const { divisions } = state.plan;
      return moved({ ...state, gap: divisions, row }, { gap: divisions, row, at: event.at });
    }
    case 'pause':
      return state.finished || state.paused ? state : { ...state, paused: true };
    case 'resume':
      return state.paused ? { ...state, paused: false } : state;
  }
}

/** Rows of a grid, or passes all the way round; 1 for a run of one axis that is cut once. */
export const rowsOf = ({ rows, rowCount, passes }: RunPlan): number =>
  rows ? (rowCount ?? rows.divisions) : (passes ?? 1);

/** The row a run stands in, from 1. */
export const rowOf = (state: Pick<RunState, 'row'>): number => state.row ?? 1;

const inRow = ({ row }: RunState): { readonly row?: number } => (row === undefined ? {} : { row });

/** All places of a run, of all its rows. */
export const placesOf = (plan: RunPlan): number => plan.divisions * rowsOf(plan);

/** Where the controller is sent for the present gap, its own counts; null where the source has none. */
export function targetOf(state: RunState): number | null {
  const { counts } = sequenceOf(state.plan).at(indexNow(state));
  return counts === null ? null : Number(counts) + (state.driven?.zero ?? 0);
}

/** Counts past a place that take the lost motion up when it is come to from the wrong side. */
export const beyondOf = ({ plan }: RunState): number => 2 * Math.max(0, plan.playCounts ?? 0);

/** The controller at this count stands where the run stands now. */
function attached(state: RunState, boot: string, counts: number): RunState {
  const target = targetOf({ ...state, driven: undefined as never });
  const { window = WINDOW, holds = true } = state.driven ?? {};
  return {
    ...state,
    driven: { phase: 'clamp', zero: counts - (target ?? 0), boot, window, holds, error: 0 },
  };
}

/** On the way to a place: what was known of the last is gone. */
function onTheWay({ raw: _, error: __, ...driven }: Driven): Driven {
  return { ...driven, phase: 'advance' };
}

/** The present place among all of a run, from 0. */
export const placeNow = (state: RunState): number =>
  (rowOf(state) - 1) * state.plan.divisions + state.gap - 1;

/** A move is kept, with how far the place that is left was off; a controller is on its way then. */
function moved(state: RunState, move: Move): RunState {
  const { driven } = state;
  if (!driven) return { ...state, moves: [...state.moves, move] };
  const off = driven.phase === 'cut' && driven.error ? { off: driven.error } : {};
  return { ...state, driven: onTheWay(driven), moves: [...state.moves, { ...move, ...off }] };
}

/** The step of the sequence that a run stands at now. */
export const indexNow = (state: RunState): number => indexOfMove(state, state.moves.at(-1)!);

/** The steps that the run went through, the newest first, at most `most` of them. */
export function stepsBack(
  state: RunState,
  most: number,
): readonly { readonly at: number; readonly step: Step }[] {
  const sequence = sequenceOf(state.plan);
  return state.moves
    .slice(-most)
    .reverse()
    .map((m) => ({ at: m.at, step: sequence.at(indexOfMove(state, m)) }));
}

function indexOfMove({ plan }: RunState, move: Move): number {
  const sequence = sequenceOf(plan);
  const at = move.rewind ? sequence.indexOf('rewind', move.gap) : -1;
  return at >= 0 ? at : Math.max(0, sequence.indexOf('gap', Math.min(move.gap, plan.divisions)));
}

/** Gaps that are done: those before the present one, or all; of a grid those of the rows before, too. */
export const doneGaps = (state: RunState): number =>
  state.finished ? placesOf(state.plan) : (rowOf(state) - 1) * state.plan.divisions + state.gap - 1;

/** The same of the present row of a grid alone: what the picture of the wheel shows. */
export const doneInRow = (state: RunState): number => (state.finished ? state.plan.divisions : state.gap - 1);

/** Moves needed before a pace is told. */
const PACED = 3;

/** Seconds left by the user's own pace, the median of the last forward moves; null before there is one. */
export function secondsLeft(state: RunState): number | null {
  const spans: number[] = [];
  for (let i = 1; i < state.moves.length; i++) {
    const [before, now] = [state.moves[i - 1]!, state.moves[i]!];
    if ((now.gap > before.gap || rowOf(now) > rowOf(before)) && !now.rewind) spans.push(now.at - before.at);
  }
  if (spans.length < PACED) return null;
  const last = spans.slice(-21).sort((a, b) => a - b);
  const median = last[Math.floor(last.length / 2)]!;
  return ((placesOf(state.plan) - doneGaps(state)) * median) / 1000;
}
