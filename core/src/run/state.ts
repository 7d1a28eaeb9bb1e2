import type { Driven } from './driven.ts';
import type { RunPlan } from './plan.ts';

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
 * A run at the machine: plain data, stored at each move. `gap` is where the work stands, 1…D; what became of each is another thing.
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
  /** places that were cut, and of them those cut again; of all rounds together, from 0. Runs of earlier versions have none */
  readonly cut?: readonly number[];
  readonly again?: readonly number[];
  /** places that were marked as bad, or passed over; the same */
  readonly bad?: readonly number[];
  readonly skipped?: readonly number[];
  /** the place it began at: those before it were done before */
  readonly begun?: number;
  /** it came to its end once: what it goes to since then is what was left */
  readonly ended?: true;
  /** the place was marked as bad since it was come to, so going on leaves it bad */
  readonly badHere?: true;
  /** newest last; the first is the start */
  readonly moves: readonly Move[];
}

/** Rows of a grid, or passes all the way round; 1 for a run of one axis that is cut once. */
export const rowsOf = ({ rows, rowCount, passes }: RunPlan): number =>
  rows ? (rowCount ?? rows.divisions) : (passes ?? 1);

/** The row a run stands in, from 1. */
export const rowOf = (state: Pick<RunState, 'row'>): number => state.row ?? 1;

/** All places of a run, of all its rows. */
export const placesOf = (plan: RunPlan): number => plan.divisions * rowsOf(plan);

/** The present place among all of a run, from 0. */
export const placeNow = (state: RunState): number =>
  (rowOf(state) - 1) * state.plan.divisions + state.gap - 1;
