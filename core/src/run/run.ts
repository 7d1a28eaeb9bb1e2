import { WINDOW, type Driven } from './driven.ts';
import type { RunPlan } from './plan.ts';
import { gapTally, leftPlaces } from './gaps.ts';
import { beyondAt, sequenceOf, type Step } from './sequence.ts';
import { placeNow, rowOf, rowsOf, type Move, type RunSetup, type RunState } from './state.ts';

export type RunEvent =
  | { readonly do: 'next' | 'back' | 'pause' | 'resume' | 'skip' | 'bad'; readonly at: number }
  | { readonly do: 'jump'; readonly gap: number; readonly row?: number; readonly at: number }
  /** the controller stands where the run stands; or it is let go */
  | { readonly do: 'attach'; readonly boot: string; readonly counts: number; readonly at: number }
  | { readonly do: 'detach' | 'away'; readonly at: number }
  | { readonly do: 'reached'; readonly error: number; readonly at: number }
  | { readonly do: 'clamp'; readonly raw: number; readonly at: number }
  | { readonly do: 'holds'; readonly on: boolean; readonly at: number };

/** A run that begins at a gap, 1…D: the work stands there, and the gaps before it count as done. */
export const startRun = (plan: RunPlan, at: number, gap = 1, setup: RunSetup = {}): RunState => ({
  plan,
  gap,
  finished: false,
  paused: false,
  startedAt: at,
  ...(Object.keys(setup).length > 0 && { setup }),
  ...(gap > 1 && { begun: gap - 1 }),
  cut: [],
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
    case 'holds':
      return driven ? { ...state, driven: { ...driven, holds: event.on } } : state;
    case 'bad': {
      const here = placeNow(state);
      const bad = state.bad ?? [];
      if (state.finished) return state;
      const { badHere: _, ...rest } = state;
      return bad.includes(here)
        ? { ...rest, bad: bad.filter((g) => g !== here) }
        : { ...rest, bad: [...bad, here], badHere: true };
    }
    case 'skip': {
      if (state.paused || state.finished) return state;
      if (state.rewinding) return onwards(state, event.at);
      const here = placeNow(state);
      const skipped = [...new Set([...(state.skipped ?? []), here])];
      // what was cut before stays cut
      return onwards((state.cut ?? []).includes(here) ? state : { ...state, skipped }, event.at);
    }
    case 'jump': {
      const there = Number.isSafeInteger(event.gap) && event.gap >= 1 && event.gap <= state.plan.divisions;
      const row = event.row ?? state.row;
      const stays = event.gap === state.gap && (row ?? 1) === rowOf(state) && !state.finished;
      if (state.paused || !there || stays || (row ?? 1) > rowsOf(state.plan)) return state;
      const { rewinding: _, ...rest } = state;
      const to = { gap: event.gap, ...(row !== undefined && { row }) };
      return moved({ ...rest, finished: false, ...to }, { ...to, at: event.at });
    }
    case 'next': {
      if (state.paused || state.finished) return state;
      return onwards(state.rewinding ? state : cutHere(state), event.at);
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

/** The place where the work stands is cut; a bad one that was come back to is cut again, and good. */
function cutHere(state: RunState): RunState {
  const here = placeNow(state);
  const { cut, again = [], bad = [], skipped = [], badHere } = state;
  if (cut === undefined) return state;
  if (bad.includes(here) && badHere) return state;
  const was = cut.includes(here) || bad.includes(here);
  return {
    ...state,
    cut: cut.includes(here) ? cut : [...cut, here],
    ...(was && !again.includes(here) && { again: [...again, here] }),
    ...(bad.includes(here) && { bad: bad.filter((g) => g !== here) }),
    ...(skipped.includes(here) && { skipped: skipped.filter((g) => g !== here) }),
  };
}

/** To the next place, through what the limits put in between; once it came to its end only to what was left. */
function onwards(state: RunState, at: number): RunState {
  const { rewinding, ...rest } = state;
  if (state.ended) {
    const left = leftPlaces(state, 1)[0] === undefined ? undefined : nextLeft(state);
    if (left === undefined) return { ...rest, finished: true };
    const row = Math.floor(left / state.plan.divisions) + 1;
    const gap = (left % state.plan.divisions) + 1;
    return moved(
      { ...rest, gap, ...(row !== rowOf(state) && { row }) },
      { gap, ...(row > 1 && { row }), at },
    );
  }
  const next = state.gap + 1;
  if (!rewinding && sequenceOf(state.plan).indexOf('rewind', next) >= 0)
    return moved({ ...state, rewinding: true }, { gap: next, ...inRow(state), at, rewind: true });
  if (state.gap >= state.plan.divisions) {
    const row = rowOf(state) + 1;
    if (row > rowsOf(state.plan)) return { ...rest, finished: true, ended: true };
    return moved({ ...rest, gap: 1, row }, { gap: 1, row, at });
  }
  return moved({ ...rest, gap: next }, { gap: next, ...inRow(state), at });
}

/** The next place behind this one that is bad or passed over, else the first of all; undefined when this is the only one. */
function nextLeft(state: RunState): number | undefined {
  const here = placeNow(state);
  const left = leftPlaces(state).filter((p) => p !== here);
  return left.find((p) => p > here);
}

const inRow = ({ row }: RunState): { readonly row?: number } => (row === undefined ? {} : { row });

/** Where the controller is sent for the present gap, its own counts; null where the source has none. */
export function targetOf(state: RunState): number | null {
  const { counts } = sequenceOf(state.plan).at(indexNow(state));
  return counts === null ? null : Number(counts) + (state.driven?.zero ?? 0);
}

/** Counts past the present place that take the lost motion up when it is come to from the wrong side: by the same rule as by hand. */
export function beyondOf(state: RunState): number {
  const sequence = sequenceOf(state.plan);
  const step = sequence.at(indexNow(state));
  return step.is === 'rewind' ? 0 : Number(beyondAt(state.plan, sequence, step).counts);
}

/** The controller at this count stands where the run stands now. */
function attached(state: RunState, boot: string, counts: number): RunState {
  const target = targetOf({ ...state, driven: undefined as never });
  const { holds = true } = state.driven ?? {};
  const window = state.plan.windowCounts ?? WINDOW;
  return {
    ...state,
    driven: { phase: 'clamp', zero: counts - (target ?? 0), boot, window, holds, error: 0 },
  };
}

/** On the way to a place: what was known of the last is gone. */
function onTheWay({ raw: _, error: __, ...driven }: Driven): Driven {
  return { ...driven, phase: 'advance' };
}

/** A move is kept, with how far the place that is left was off; a controller is on its way then. */
function moved(before: RunState, move: Move): RunState {
  const { badHere: _, ...state } = before;
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
  return (gapTally(state).toDo * median) / 1000;
}
