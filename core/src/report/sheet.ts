import {
  ARCSEC_PER_TURN,
  abs,
  div,
  exactly,
  floorDiv,
  isNegative,
  mul,
  rational,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import { crankTurns } from '../divide/index.ts';
import type { StopBy } from '../motion/index.ts';
import { sequenceOf, wayBetween, type PlatePlan, type RunPlan, type Step, type Way } from '../run/index.ts';
import { plainText, type Rich } from './rich.ts';
import { dms, grouped, mixed, signedAngle, whole } from './text.ts';

type Dms = ReturnType<typeof dms> & { readonly back: boolean };

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
  readonly errorArcsec: number;
  /** the wanted angle at the work */
  readonly wanted: Dms;
  /** where the work then stands */
  readonly position: Dms;
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
  const angle = (turns: Rational): Dms => ({
    ...dms(mul(abs(turns), rational(ARCSEC_PER_TURN))),
    back: isNegative(turns),
  });
  const rowOf = (step: Step, before: Step | null): SheetRow => {
    const way = before && wayBetween(plan, sequence, before, step);
    const errorArcsec = toNumber(step.error) * Number(ARCSEC_PER_TURN);
    return {
      is: step.is,
      gap: step.gap,
      move: step.gap - 1,
      target: plan.plate ? holeNumbers(plan.plate, step.gap).join(' and ') : whole(step.counts ?? step.stop),
      holes: plan.plate ? holeNumbers(plan.plate, step.gap) : [],
      moved: way ? (plan.plate ? plainText(plateCrank(plan.plate, 1)) : signedCount(way.by)) : '',
      way,
      exact: mixed(mul(step.wanted, stops.perTurn)),
      error: step.is === 'gap' ? signedAngle(errorArcsec) : '',
      errorArcsec: step.is === 'gap' ? errorArcsec : 0,
      wanted: angle(step.wanted),
      position: angle(step.at),
      crank: plan.plate
        ? plateCrank(plan.plate, step.gap - 1)
        : stops.by === 'rest'
          ? mixed(mul(step.at, abs(R)))
          : mixed(mul(step.wanted, abs(R))),
    };
  };
  const at = (i: number): Step => sequence.at(i);
  return {
    length: sequence.length,
    steps: mixed(stops.by === 'rest' ? stops.perTurn : exactly(plan.stepsPerTurn)),
    step: mixed(div(stops.perTurn, rational(D))),
    crank: plan.plate ? plateCrank(plan.plate, 1) : mixed(crankTurns(R, D, 1)),
    ...stopWords[stops.by],
    plate: plan.plate ?? null,
    row: (i) => rowOf(at(i), i === 0 ? null : at(i - 1)),
    rowOf,
    indexOf: sequence.indexOf,
  };
}

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

/** What the crank has made after so many moves: "12 turns and 24 on 61"; on two circles each for itself. */
export function plateCrank({ circles, holes, wholeTurns }: PlatePlan, moves: number): Rich {
  if (circles.length === 2)
    return [
      circles
        .map((circle, i) => `${grouped(String(holes[i]! * moves)).replace('-', '−')} on ${circle}`)
        .join(' and '),
    ];
  const circle = BigInt(circles[0]!);
  const all = BigInt(moves) * (BigInt(wholeTurns) * circle + BigInt(holes[0]!));
  const [turns, rest] = [all / circle, all % circle];
  if (rest === 0n) return [turns === 1n ? '1 turn' : `${whole(turns)} turns`];
  const part = `${whole(rest)} on ${circle}`;
  return [turns === 0n ? part : `${turns === 1n ? '1 turn' : `${whole(turns)} turns`} and ${part}`];
}

/** "about 1 h 22 min", from seconds; "" when there is no pace yet. */
export function timeLeft(seconds: number | null): string {
  if (seconds === null) return '';
  const minutes = Math.round(seconds / 60);
  if (minutes < 1) return 'under a minute';
  return minutes < 60 ? `about ${minutes} min` : `about ${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}
