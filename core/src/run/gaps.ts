import { placeNow, placesOf, rowOf, type RunState } from './state.ts';

/**
 * What became of a place of a run, whatever the work stands at: to do, cut, cut again, bad, passed over, or done before the run began.
 * (handbook: run, a gap is cut, or it is not)
 */
export type GapState = 'toDo' | 'cut' | 'again' | 'bad' | 'passed' | 'before';

/** How many places of a run are what; together all of them. */
export interface GapTally {
  /** cut, once or again */
  readonly cut: number;
  readonly bad: number;
  readonly passed: number;
  readonly before: number;
  readonly toDo: number;
  readonly all: number;
}

/** Of runs that were begun before each gap had a state: those behind it were cut, but for those passed over. */
function legacyCut(state: RunState): readonly number[] {
  const here = state.finished ? placesOf(state.plan) : placeNow(state);
  return Array.from({ length: here }, (_, i) => i).filter((i) => !(state.skipped ?? []).includes(i));
}

/** The state of each place, from 0, of all rows and passes together: reckoned once for a state. */
export function gapStates(state: RunState): (place: number) => GapState {
  const cut = new Set(state.cut ?? legacyCut(state));
  const again = new Set(state.again);
  const bad = new Set(state.bad);
  const skipped = new Set(state.skipped);
  const begun = state.begun ?? 0;
  // what was left when the run came to its end was passed over
  const ended = state.finished || state.ended === true;
  return (place) => {
    if (bad.has(place)) return 'bad';
    if (again.has(place)) return 'again';
    if (cut.has(place)) return 'cut';
    if (skipped.has(place)) return 'passed';
    if (place < begun) return 'before';
    return ended ? 'passed' : 'toDo';
  };
}

/** How many are cut, bad, passed over and to do. "31 of 73" counts those that are cut. */
export function gapTally(state: RunState): GapTally {
  const of = gapStates(state);
  const all = placesOf(state.plan);
  const out = { cut: 0, bad: 0, passed: 0, before: 0, toDo: 0, all };
  for (let i = 0; i < all; i++) {
    const is = of(i);
    out[is === 'again' ? 'cut' : is]++;
  }
  return out;
}

/** Places that are bad or passed over, from 0, at most `most`: what an end offers to go back to. */
export function leftPlaces(state: RunState, most = Infinity): readonly number[] {
  const of = gapStates(state);
  const out: number[] = [];
  for (let i = 0; i < placesOf(state.plan) && out.length < most; i++)
    if (of(i) === 'bad' || of(i) === 'passed') out.push(i);
  return out;
}

/** Is a gap, 1…D, of the present row cut? For the picture of the wheel. */
export function cutInRow(state: RunState): (gap: number) => boolean {
  const of = gapStates(state);
  const first = (rowOf(state) - 1) * state.plan.divisions;
  return (gap) => ['cut', 'again'].includes(of(first + gap - 1));
}

/** How many gaps of the present row are cut. */
export function cutCount(state: RunState): number {
  const isCut = cutInRow(state);
  let n = 0;
  for (let gap = 1; gap <= state.plan.divisions; gap++) if (isCut(gap)) n++;
  return n;
}
