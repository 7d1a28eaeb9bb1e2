import {
  ARCSEC_PER_TURN,
  abs,
  decimal,
  div,
  exactly,
  floorDiv,
  isNegative,
  mul,
  nearPi,
  piToNumber,
  rational,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import { crankTurns } from '../divide/index.ts';
import type { StopBy } from '../motion/index.ts';
import {
  exactPi,
  placeWord,
  sequenceOf,
  turnsTo,
  wayBetween,
  type PlatePlan,
  type RunPlan,
  type Step,
  type Way,
} from '../run/index.ts';
import {
  angleText,
  dms,
  grouped,
  lengthText,
  measured,
  mixed,
  plainText,
  type Rich,
  signed,
  signedAngle,
  whole,
} from '../words/index.ts';

/** Where a place lies: at an angle, or so far along a slide. */
export type Place = (ReturnType<typeof dms> | { readonly mm: string }) & { readonly back: boolean };

/** "minus 4 degrees 55 minutes 53.4 seconds", "12.5000 mm": a place read aloud */
export const placeSpoken = (of: Place): string =>
  `${of.back ? 'minus ' : ''}${'mm' in of ? `${of.mm} mm` : `${of.d} degrees ${of.m} minutes ${of.s} seconds`}`;

/** "4°55′53.4″", "12.5000 mm" */
export const placeText = (of: Place): string =>
  `${of.back ? '−' : ''}${'mm' in of ? `${of.mm} mm` : `${of.d}°${of.m}′${of.s}″`}`;

/** One line of the run sheet: where to go, in what the work stops by, in degrees and in turns of the source's shaft. */
export interface SheetRow {
  readonly is: Step['is'];
  /** 1…D; D + 1 leads home */
  readonly gap: number;
  /** gap − 1 */
  readonly move: number;
  /** where the source is sent, its counts from home, signed; of a plate the hole */
  readonly target: string;
  /** of a plate: the hole on each circle that a pin drops into */
  readonly holes: readonly string[];
  /** from the line before, signed: "+3 460", "−3 459", of a plate "12 on 61"; "" at the start */
  readonly moved: string;
  readonly way: Way | null;
  readonly exact: Rich;
  readonly error: string;
  /** the same: ″, or mm along a slide; 0 where there is none */
  readonly off: number;
  /** the wanted place of the work */
  readonly wanted: Place;
  /** where the work then stands */
  readonly position: Place;
  /** turns of the source's shaft from the start, exact: of a plate whole turns and holes */
  readonly crank: Rich;
}

/** The sheet of a run: its head, and its rows on demand. (handbook: divide, absolute targets; run) */
export interface Sheet {
  /** lines: the gaps, what is wound back between them, and the way home */
  readonly length: number;
  readonly steps: Rich;
  /** from gap to gap, in what the work stops by */
  readonly step: Rich;
  /** turns of the source's shaft from gap to gap */
  readonly crank: Rich;
  /** "microsteps", "marks", "counts", "holes", "rests" */
  readonly unit: string;
  /** whose turns are told: "motor", "crank", or "source" before a wheel that locks */
  readonly source: string;
  /** what a place is called: "gap", "mark" */
  readonly place: 'gap' | 'mark';
  readonly plate: PlatePlan | null;
  /** line i, from 0 */
  readonly row: (i: number) => SheetRow;
  /** a step of the run, reached from another */
  readonly rowOf: (step: Step, before: Step | null) => SheetRow;
  readonly indexOf: (is: Step['is'], gap: number) => number;
}

/** What the work stops by is counted in, and what turns at the head of the train. */
export const stopWords = {
  step: { unit: 'microsteps', source: 'motor' },
  mark: { unit: 'marks', source: 'crank' },
  count: { unit: 'counts', source: 'motor' },
  hole: { unit: 'holes', source: 'crank' },
  rest: { unit: 'rests', source: 'source' },
} as const satisfies Readonly<Record<StopBy, { readonly unit: string; readonly source: string }>>;

export function sheet(plan: RunPlan): Sheet {
  const sequence = sequenceOf(plan);
  const { stops } = sequence;
  const D = plan.divisions;
  const R = exactly(plan.reduction);
  const place = placeOf(plan);
  const rowOf = (step: Step, before: Step | null): SheetRow => {
    const way = before && wayBetween(plan, sequence, before, step);
    const off = atWork(plan, toNumber(step.error));
    return {
      is: step.is,
      gap: step.gap,
      move: step.gap - 1,
      target: plan.plate ? holeNumbers(plan.plate, step.gap).join(' and ') : whole(step.counts ?? step.stop),
      holes: plan.plate ? holeNumbers(plan.plate, step.gap) : [],
      moved:
        way && before ? (plan.plate ? plateMove(plan.plate, way, before, step) : signedCount(way.by)) : '',
      way,
      exact: exactSteps(plan, step, stops.perTurn),
      error: step.is === 'gap' ? offText(plan, off) : '',
      off: step.is === 'gap' ? off : 0,
      wanted: place(step.wanted),
      position: place(step.at),
      crank: plan.plate
        ? plateCrank(plan.plate, step.gap - 1)
        : stops.by === 'rest'
          ? mixed(mul(step.at, abs(R)))
          : turnsText(plan, mul(step.wanted, abs(R))),
    };
  };
  const at = (i: number): Step => sequence.at(i);
  return {
    length: sequence.length,
    steps: mixed(stops.by === 'rest' ? stops.perTurn : exactly(plan.stepsPerTurn)),
    step: plan.scale ? exactSteps(plan, at(1), stops.perTurn) : mixed(div(stops.perTurn, rational(D))),
    crank: plan.plate
      ? plateCrank(plan.plate, 1)
      : plan.scale
        ? turnsText(plan, mul(turnsTo(plan, 2), abs(R)))
        : mixed(crankTurns(R, D, 1)),
    ...stopWords[stops.by],
    place: placeWord(plan),
    plate: plan.plate ?? null,
    row: (i) => rowOf(at(i), i === 0 ? null : at(i - 1)),
    rowOf,
    indexOf: sequence.indexOf,
  };
}

/** How places of a plan are told: angles, or mm along a slide. */
export function placeOf({ scale }: RunPlan): (turns: Rational) => Place {
  if (!scale)
    return (turns) => ({ ...dms(mul(abs(turns), rational(ARCSEC_PER_TURN))), back: isNegative(turns) });
  const travel = nearPi(exactPi(scale.travel));
  return (turns) => ({ mm: grouped(decimal(mul(abs(turns), travel), 4)), back: isNegative(turns) });
}

/** Turns of the work as ″ there, or as mm along a slide. */
export const atWork = ({ scale }: RunPlan, turns: number): number =>
  scale ? turns * piToNumber(exactPi(scale.travel)) : turns * Number(ARCSEC_PER_TURN);

/** What a place is off by, signed: "+0.9″", "−0.31 µm". `size` as `atWork` gives it. */
export const offText = ({ scale }: RunPlan, size: number): string =>
  scale ? signed(lengthText(size).join(' '), size) : signedAngle(size);

/** The same without its sign. */
export const sizeText = ({ scale }: RunPlan, size: number): string =>
  scale ? lengthText(size).join(' ') : angleText(size);

/** Steps of a place, exactly: of a scale with π in it a decimal, for there is no fraction. */
const exactSteps = (plan: RunPlan, step: Step, perTurn: Rational): Rich =>
  turnsText(plan, mul(step.wanted, perTurn));

const hasPi = ({ scale }: RunPlan): boolean =>
  scale !== undefined && scale.mm.piPower !== scale.travel.piPower;

const turnsText = (plan: RunPlan, value: Rational): Rich =>
  hasPi(plan) ? [measured(toNumber(value))] : mixed(value);

/** "+3 460", "−3 459" */
export const signedCount = (n: bigint): string => (n > 0n ? `+${whole(n)}` : whole(n));

/** The hole of each circle that stands under its pin for a gap: the running number from the first, so that a slip is found. */
export function holeNumbers({ circles, holes }: PlatePlan, gap: number): readonly string[] {
  return circles.map((circle, i) => {
    const n = BigInt(gap - 1) * BigInt(holes[i]!);
    const size = BigInt(circle);
    return (n - floorDiv(n, size) * size).toString();
  });
}

/**
 * The move of the crank by plates from one place to another, as it is made: on one circle whole turns and holes, on two what each pin goes by;
 * "back" where it goes back, past the place and forward again. (handbook: run, any move is told from where the work stands)
 */
function plateMove(plan: PlatePlan, { by }: Way, before: Step, step: Step): string {
  // on one circle the way is holes; on two, and with wheels, it is so many single moves
  const moves = plan.circles.length === 1 ? null : step.gap - before.gap;
  const size =
    moves === null
      ? holesText(by < 0n ? -by : by, plan.circles[0]!)
      : plainText(plateCrank(plan, Math.abs(moves)));
  const back = moves === null ? by < 0n : moves < 0;
  return back ? `back ${size}` : size;
}

/** "1 turn and 2 on 22" */
function holesText(holes: bigint, circle: number): string {
  const [turns, rest] = [holes / BigInt(circle), holes % BigInt(circle)];
  const whole_ = turns === 0n ? '' : turns === 1n ? '1 turn' : `${whole(turns)} turns`;
  const part = rest === 0n ? '' : `${whole(rest)} on ${circle}`;
  return [whole_, part].filter(Boolean).join(' and ') || 'no move';
}

/** What must be set at the head before a run by plates: the circle, the wheels, what is free to turn; "" where nothing is. */
export function plateSetup({ way, circles, near, drivers, driven, against }: PlatePlan): string {
  if (way !== 'wheels')
    return circles.length === 2 ? `two pins, on circles ${circles.join(' and ')}` : `circle ${circles[0]}`;
  return `divided as ${near} on circle ${circles[0]}: change wheels ${drivers!.join(' × ')} : ${driven!.join(' × ')}${against ? ' with an idler more' : ''}, the plate free to turn`;
}

/** What the crank has made after so many moves: "12 turns and 24 on 61"; on two circles each for itself. */
export function plateCrank({ circles, holes, wholeTurns }: PlatePlan, moves: number): Rich {
  if (circles.length === 2)
    return [
      circles
        .map((circle, i) => `${grouped(String(holes[i]! * moves)).replace('-', '−')} on ${circle}`)
        .join(' and '),
    ];
  const circle = circles[0]!;
  const all = BigInt(moves) * (BigInt(wholeTurns) * BigInt(circle) + BigInt(holes[0]!));
  return [all === 0n ? '0 turns' : holesText(all, circle)];
}

/** "about 1 h 22 min", from seconds; "" when there is no pace yet. */
export function timeLeft(seconds: number | null): string {
  if (seconds === null) return '';
  const minutes = Math.round(seconds / 60);
  if (minutes < 1) return 'under a minute';
  return minutes < 60 ? `about ${minutes} min` : `about ${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}
