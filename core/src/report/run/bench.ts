import { gcd } from '../../numbers/index.ts';
import {
  gapStates,
  gapTally,
  leftPlaces,
  placeWord,
  rowOf,
  rowsOf,
  sequenceOf,
  stepsBack,
  type PlatePlan,
  type RunPlan,
  type RunState,
  type Step,
} from '../../run/index.ts';
import { platePicture, type PlatePicture } from '../duties/plates/picture.ts';
import { tallyText, whole } from '../../words/index.ts';
import { type Place, plateSetup, sheet, type Sheet, type SheetRow } from '../../plans/index.ts';

/** What the bench shows of a run: what to do now, what was before, what comes then. (handbook: run) */
export interface BenchReport {
  readonly row: SheetRow;
  /** where it came from; `cut` when that place is */
  readonly before: { readonly title: string; readonly target: string; readonly cut: boolean } | null;
  /** whose turns are told: "motor", "crank" */
  readonly source: string;
  /** the last moves, newest first, with the time of each */
  readonly last: readonly { readonly at: number; readonly row: SheetRow }[];
  /** where it stands: "Gap 4", "Rewind", "Done" */
  readonly place: string;
  /** what now: the same, "Waiting" or "All cut" */
  readonly title: string;
  /** what to do: "Back by 3 459 microsteps, 51 beyond that and forward again; clamp, cut." */
  readonly message: string;
  readonly then: { readonly title: string; readonly message: string };
  /** of a grid: which row, and where the other axis stands; null for one axis */
  readonly grid: {
    readonly title: string;
    readonly train: string;
    readonly target: string;
    readonly at: Place;
  } | null;
  /** what the large key does */
  readonly go: string;
  /** at the end the first place that is bad or passed over: there the large key goes; null when nothing is left */
  readonly left: { readonly gap: number; readonly row: number } | null;
  /** the crank by plates: the move, the hole it ends in, how it is made; null by motor */
  readonly plate: {
    readonly move: string;
    readonly hole: string;
    readonly arms: string;
    readonly check: string;
    /** the pin must be in hole 0 now; if it is not, a hole was miscounted since this gap. null where there is nothing to see */
    readonly slip: { readonly message: string; readonly since: number } | null;
    readonly picture: PlatePicture;
  } | null;
}

/** Moves that are listed beside the target. */
const LAST = 6;

export function benchReport(state: RunState): BenchReport {
  const { plan } = state;
  const s = sheet(plan);
  const sequence = sequenceOf(plan);
  const back = stepsBack(state, LAST + 1);
  const step = back[0]!.step;
  const came = back[1]?.step ?? null;
  const row = s.rowOf(step, came);
  const at = sequence.indexOf(step.is, step.gap);
  const next = at + 1 < s.length ? s.rowOf(sequence.at(at + 1), step) : null;
  return {
    source: s.source,
    row,
    before: came && {
      title: came.is === 'rewind' ? 'Rewound' : placeOf(came, plan),
      target: s.rowOf(came, null).target,
      cut: came.is === 'rewind' || isCutAt(state, came),
    },
    last: back.slice(0, LAST).map((b, i) => ({ at: b.at, row: s.rowOf(b.step, back[i + 1]?.step ?? null) })),
    place: state.finished ? 'Done' : placeOf(step, plan),
    title: state.finished ? endTitle(state) : state.paused ? 'Waiting' : placeOf(step, plan),
    message: nowMessage(state, row, s.unit),
    then: rowEnds(state, next) ?? thenMessage(next, s),
    grid: gridOf(state),
    go: goMessage(state, next),
    left: leftAt(state),
    plate: plan.plate ? plateMessage(plan.plate, row, step, came, plan.divisions) : null,
  };
}

const placeOf = (step: Step, { divisions, scale }: RunPlan): string => {
  if (step.is === 'rewind')
    return step.gap <= divisions ? 'Rewind' : scale ? 'Back to the start' : 'Rewind to the start';
  return `${scale ? 'Mark' : 'Gap'} ${step.gap}`;
};

/** Is the place of a step cut, in the row that the work was in when it left it? */
function isCutAt(state: RunState, came: Step): boolean {
  const row = state.moves.at(-2)?.row ?? 1;
  const place = (row - 1) * state.plan.divisions + came.gap - 1;
  return ['cut', 'again'].includes(gapStates(state)(place));
}

/** The other axis of a grid, where it stands in this row. */
function gridOf(state: RunState): BenchReport['grid'] {
  const { rows } = state.plan;
  if (!rows) return null;
  const other = sheet(rows).row(rowStep(rows, rowOf(state)));
  return {
    title: `Row ${rowOf(state)} of ${rowsOf(state.plan)}`,
    train: rows.train ?? '',
    target: other.target,
    at: other.position,
  };
}

const rowStep = (rows: RunPlan, row: number): number => Math.max(0, sequenceOf(rows).indexOf('gap', row));

/** At the end of a row of a grid the other axis goes on, and this one begins again. */
function rowEnds(state: RunState, next: SheetRow | null): BenchReport['then'] | null {
  const { rows, divisions } = state.plan;
  if (!rows || state.gap < divisions || rowOf(state) >= rowsOf(state.plan) || next?.is === 'rewind')
    return null;
  const s = sheet(rows);
  const to = s.row(rowStep(rows, rowOf(state) + 1));
  return { title: `Row ${rowOf(state) + 1}`, message: `${rows.train ?? 'the other'} to ${to.target}` };
}

/** The true signed move: back passes the lost motion and comes forward. */
function moveMessage({ way }: SheetRow, unit: string): string {
  if (!way || way.by === 0n) return '';
  const size = whole(way.by < 0n ? -way.by : way.by);
  if (way.by > 0n) return `On by ${size} ${unit}`;
  if (way.cramped)
    return `Back by ${size} ${unit}; the limit leaves no room to come from behind: take the backlash out by hand`;
  return way.beyond > 0n
    ? `Back by ${size} ${unit}: ${whole(way.beyond)} beyond that, past the backlash, and forward again`
    : `Back by ${size} ${unit}`;
}

function nowMessage(state: RunState, row: SheetRow, unit: string): string {
  if (state.finished) return endMessage(state);
  if (state.paused) return 'P goes on where you were.';
  // the counts of a lock are the source's, whatever its rests are called
  const counted = unit === 'rests' ? 'counts of the source' : unit;
  const move = moveMessage(row, counted);
  if (row.is === 'rewind')
    return state.plan.scale
      ? `${move}. The slide goes home, the work clear of the tool.`
      : `${move}. Wind it back slowly, the work clear of the cutter.`;
  if (state.plan.plate)
    return row.way ? `${plateWay(row)}; pin in the hole, clamp, cut.` : 'Pin in the hole, clamp, cut.';
  if (state.plan.scale) return move ? `${move}; clamp, mark.` : 'Clamp and make the first mark.';
  return move ? `${move}; clamp, cut.` : 'Clamp and cut the first gap.';
}

/** The move by plates in words: back goes past the place, by more than the backlash, and comes forward to it. */
function plateWay({ moved }: SheetRow): string {
  const back = moved.startsWith('back ');
  return back ? `Back by ${moved.slice(5)}, past it, and forward to the hole` : `On by ${moved}`;
}

/** Places that an end names. */
const NAMED_LEFT = 6;

const endTitle = (state: RunState): string => {
  const { cut, all } = gapTally(state);
  if (cut < all) return 'At the end';
  return state.plan.scale ? 'All marked' : 'All cut';
};

/** What the end says: how many are cut, and which are bad or passed over. (handbook: run, a gap is cut, or it is not) */
function endMessage(state: RunState): string {
  const left = leftPlaces(state, NAMED_LEFT + 1);
  const word = placeWord(state.plan);
  const of = gapStates(state);
  const names = left
    .slice(0, NAMED_LEFT)
    .map((p) => `${placeName(state, p)}${of(p) === 'bad' ? ', bad' : ''}`);
  const sentence = `${tallyText(state).replace(/^./, (c) => c.toUpperCase())}.`;
  if (left.length === 0) return `${sentence} Back takes you to the last one.`;
  return `${sentence} Left: ${word} ${names.join('; ')}${left.length > NAMED_LEFT ? '; and more' : ''}. The large key goes there.`;
}

/** "4", or in a later row or pass "4 in row 2". */
function placeName({ plan }: RunState, place: number): string {
  const [row, gap] = [Math.floor(place / plan.divisions) + 1, (place % plan.divisions) + 1];
  return rowsOf(plan) > 1 ? `${gap} in ${plan.rows ? 'row' : 'pass'} ${row}` : String(gap);
}

function thenMessage(next: SheetRow | null, { unit, place }: Sheet): BenchReport['then'] {
  if (!next) return { title: 'Done', message: 'it stands at the start again' };
  if (next.is === 'return') return { title: 'Done', message: 'on to the start' };
  if (next.is === 'rewind')
    return { title: place === 'mark' ? 'Home' : 'Rewind', message: `${next.moved} ${unit}` };
  return { title: `${place === 'mark' ? 'Mark' : 'Gap'} ${next.gap}`, message: next.moved };
}

/** Where the large key goes at the end. */
function leftAt(state: RunState): BenchReport['left'] {
  const [first] = state.finished ? leftPlaces(state, 1) : [];
  const { divisions } = state.plan;
  return first === undefined
    ? null
    : { gap: (first % divisions) + 1, row: Math.floor(first / divisions) + 1 };
}

function goMessage(state: RunState, next: SheetRow | null): string {
  const [left] = state.finished ? leftPlaces(state, 1) : [];
  if (left !== undefined) return `Go to ${placeWord(state.plan)} ${placeName(state, left)}`;
  const { rewinding, gap, plan } = state;
  const lastRow = rowOf(state) >= rowsOf(plan);
  const round = plan.rows ? 'next row' : 'next pass';
  if (rewinding) return `Rewound, ${gap < plan.divisions ? 'go on' : lastRow ? 'finish' : round}`;
  const done = plan.scale ? 'Marked' : 'Cut';
  if (next?.is === 'rewind') return `${done}, ${plan.scale ? 'go home' : 'rewind'}`;
  if (gap >= plan.divisions && !lastRow) return `${done}, ${round}`;
  return `${done}, ${gap < plan.divisions ? 'go on' : 'finish'}`;
}

/** Turns, holes and circle of the move that leads to a gap, and where the pin ends. */
function plateMessage(
  plan: PlatePlan,
  row: SheetRow,
  { gap }: Step,
  came: Step | null,
  D: number,
): NonNullable<BenchReport['plate']> {
  const { circles, holes, wholeTurns, way } = plan;
  const pins = circles.map((circle, i) => `${holeAt(holes[i]!, circle, gap - 1)} on ${circle}`);
  // one gap on is the move that the arms are set for
  const usual = came !== null && gap - came.gap === 1;
  return {
    move: row.moved || 'Start',
    hole: pins.join(', '),
    arms: way === 'compound' || holes[0] === 0 || !usual ? '' : `sector arms over ${holes[0]! + 1} holes`,
    check:
      gap === D
        ? 'One more move closes the turn: the pin must drop into hole 0.'
        : way === 'wheels'
          ? `${plateSetup(plan).replace(/^./, (c) => c.toUpperCase())}.`
          : '',
    slip: slipAt(plan, gap),
    picture: platePicture(
      [circles],
      way === 'compound'
        ? { plate: 0, circles: circles as [number, number], holes: holes as [number, number] }
        : { plate: 0, circle: circles[0]!, holes: holes[0]!, wholeTurns },
      Math.max(0, (came?.gap ?? gap) - 1),
    ),
  };
}

/** Each circle whose pin has come round to hole 0 tells whether all moves since it last did were right. (handbook: run) */
function slipAt({ circles, holes, way }: PlatePlan, gap: number): NonNullable<BenchReport['plate']>['slip'] {
  if (way === 'wheels' || gap === 1) return null;
  const round = circles.flatMap((circle, i) => {
    const by = Math.abs(holes[i]!) % circle;
    if (by === 0 || holeAt(holes[i]!, circle, gap - 1) !== 0) return [];
    return [{ circle, moves: circle / Number(gcd(BigInt(by), BigInt(circle))) }];
  });
  // of two circles the one that came round last leaves the fewest moves in question
  const [soonest] = round.sort((a, b) => a.moves - b.moves);
  if (!soonest) return null;
  const since = Math.max(1, gap - soonest.moves);
  return {
    since,
    message: `The pin on ${round.map((r) => r.circle).join(' and ')} must be in hole 0 now. If it is not, a hole was miscounted since gap ${since}.`,
  };
}

const holeAt = (by: number, circle: number, moves: number): number =>
  Number((((BigInt(by) * BigInt(moves)) % BigInt(circle)) + BigInt(circle)) % BigInt(circle));
