import {
  gapTally,
  followedSeconds,
  framesOf,
  isSession,
  placeWord,
  rowOf,
  rowsOf,
  type AnyRun,
  type RunPlan,
  type RunState,
} from '../run/index.ts';

/** Seconds as a clock, from a minute on without a unit: 4.2 and "s", "1:24", "2:04:09". */
export function clockOf(seconds: number, decimals = 1): { readonly figure: string; readonly unit: 's' | '' } {
  if (seconds < 59.95) return { figure: Math.max(0, seconds).toFixed(decimals), unit: 's' };
  const all = Math.floor(seconds + 0.05);
  const two = (n: number): string => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(all / 3600), Math.floor(all / 60) % 60, all % 60];
  return { figure: h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`, unit: '' };
}

/** The same in one piece: "4.2 s", "1:24". */
export function clockText(seconds: number): string {
  const { figure, unit } = clockOf(seconds);
  return unit ? `${figure} ${unit}` : figure;
}

/** What a run of a plan is called until its maker calls it otherwise: "73 divisions", "slide, 41 marks of 0.5 mm". */
export function planName({ train, divisions, scale, rows, ...plan }: RunPlan): string {
  const size = scale ? `${divisions} marks of ${scale.move}` : `${divisions} divisions`;
  if (train === undefined) return size;
  return `${train}, ${rows ? `${divisions} × ${rowsOf({ ...plan, divisions, rows })}` : size}`;
}

/** What a run is called until its maker calls it otherwise. */
export function runName(state: AnyRun): string {
  if (!isSession(state)) return planName(state.plan);
  return state.session === 'frames' ? `${framesOf(state.plan)} frames` : state.plan.rate;
}

/** Where anything that is run stands: "gap 5 of 73", "frame 12 of 240", "1:20:00 followed". `now` in ms. */
export function runPlace(state: AnyRun, now: number): string {
  if (!isSession(state)) {
    const word = placeWord(state.plan);
    if (state.finished) return tallyText(state);
    const row = state.plan.rows ? `row ${rowOf(state)} of ${rowsOf(state.plan)}, ` : '';
    return `${row}${word} ${state.gap} of ${state.plan.divisions}`;
  }
  if (state.session === 'following') {
    const taken = state.exposures.length;
    return `${clockText(followedSeconds(state, now))} followed${taken ? `, ${taken} exposures` : ''}`;
  }
  const all = framesOf(state.plan);
  return state.finished ? `all ${all} exposed` : `frame ${state.frame} of ${all}`;
}

/** The same as a line of the log: "all 73 cut", "frame 12 of 240", "2:10:00 followed, 9 exposures". */
export function runDone(state: AnyRun): string {
  if (isSession(state))
    return runPlace(
      state,
      state.session === 'following' ? (state.exposures.at(-1)?.at ?? state.since ?? 0) : state.startedAt,
    );
  return tallyText(state);
}

/** "all 73 cut", "41 of 44 cut, 2 passed over, 1 bad": what became of the places of a run. (handbook: run) */
export function tallyText(state: RunState): string {
  const { cut, bad, passed, before, all } = gapTally(state);
  const done = state.plan.scale ? 'made' : 'cut';
  return [
    `${cut === all ? `all ${all}` : `${cut} of ${all}`} ${done}`,
    ...(passed > 0 ? [`${passed} passed over`] : []),
    ...(bad > 0 ? [`${bad} bad`] : []),
    ...(before > 0 ? [`${before} before it began`] : []),
  ].join(', ');
}
