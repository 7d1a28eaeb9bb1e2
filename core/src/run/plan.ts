import {
  add,
  compare,
  div,
  exactly,
  mul,
  nearPi,
  ONE,
  piValue,
  rational,
  scalePi,
  type PiValue,
  type Rational,
} from '../numbers/index.ts';
import { turnsOfTravel, type Room, type StopBy, type Stops } from '../motion/index.ts';

/** How plates make each gap: the holes of one or of two circles, and the wheels that turn the plate meanwhile. (handbook: divide, index plates) */
export interface PlatePlan {
  readonly way: 'circle' | 'compound' | 'wheels';
  /** of the set, from 0 */
  readonly plate: number;
  readonly circles: readonly number[];
  /** on each circle, signed; on a single one besides the whole turns */
  readonly holes: readonly number[];
  readonly wholeTurns: number;
  /** with change wheels: the count it is divided as, drivers and driven */
  readonly near?: number;
  readonly drivers?: readonly number[];
  readonly driven?: readonly number[];
  /** they want one idler more: the plate turns against the crank */
  readonly against?: true;
}

/** A length with π as a symbol, as text. */
export interface PiText {
  readonly q: string;
  readonly piPower: PiValue['piPower'];
}

/** Marks along a slide instead of gaps round a wheel: one every so many mm, from home on. */
export interface ScalePlan {
  /** the move as it was typed: "0.5 mm", "2π" */
  readonly move: string;
  readonly mm: PiText;
  /** mm for one turn of the last shaft */
  readonly travel: PiText;
}

/** What a run follows to its end, whatever happens to the drive meanwhile. Exact numbers as text. */
export interface RunPlan {
  /** whose output is worked at, where a drive has several */
  readonly train?: string;
  readonly divisions: number;
  /** a grid: the other axis, which steps on each time this one has made its turn of gaps */
  readonly rows?: RunPlan;
  /** how many of its divisions are rows, from its first; all unless said */
  readonly rowCount?: number;
  /** all the way round so many times, deeper each time; once unless said */
  readonly passes?: number;
  /** what the work stops by; steps unless said */
  readonly by?: StopBy;
  /** counts of the source for one turn of the work; of a plate its holes */
  readonly stepsPerTurn: string;
  /** turns of the source for one of the work, signed */
  readonly reduction: string;
  /** rests a turn of the work, where a wheel locks */
  readonly places?: string;
  /** turns from home that the work may make */
  readonly room?: { readonly back: string; readonly forth: string; readonly why?: string };
  /** lost motion at the source, in its counts, rounded up; null while it is not known */
  readonly playCounts?: number | null;
  /** ± counts that its motor stops within; those of the motor's card */
  readonly windowCounts?: number;
  readonly plate?: PlatePlan;
  /** `divisions` marks along a slide */
  readonly scale?: ScalePlan;
  /** what all of it rests on: "if exactly 45 : 1" */
  readonly doubt?: string;
  /** of runs begun before limits were kept as `room`: the work is taken back to the start at the end */
  readonly rewind?: true;
}

/** What a place of a plan is called. */
export const placeWord = ({ scale }: RunPlan): 'gap' | 'mark' => (scale ? 'mark' : 'gap');

export const exactPi = ({ q, piPower }: PiText): PiValue => piValue(exactly(q), piPower);

/** Turns of the last shaft from home to a place of the plan, 1…D. Of a scale with π within 10⁻⁷⁰ of it: it is only rounded. */
export function turnsTo({ divisions, scale }: RunPlan, gap: number): Rational {
  if (!scale) return rational(gap - 1, divisions);
  const one = turnsOfTravel(exactPi(scale.mm), exactPi(scale.travel));
  return one ? nearPi(scalePi(one, rational(gap - 1))) : rational(0);
}

/** Where the work of a plan can stop. */
export function stopsOfPlan(plan: RunPlan): Stops {
  const steps = exactly(plan.stepsPerTurn);
  const room = roomOfPlan(plan);
  if (plan.places === undefined) return { by: plan.by ?? 'step', perTurn: steps, perStop: ONE, room };
  const places = exactly(plan.places);
  return { by: 'rest', perTurn: places, perStop: div(steps, places), room };
}

function roomOfPlan({ room, rewind, divisions }: RunPlan): Room | null {
  if (room) return { back: exactly(room.back), forth: exactly(room.forth), why: room.why ?? '' };
  return rewind ? { back: rational(0), forth: rational(divisions - 1, divisions), why: '' } : null;
}

/** Rows that the other axis of a grid can be stepped through from home, within its limits and without winding back. */
export function mostRows({ divisions, ...plan }: RunPlan): number {
  const room = roomOfPlan({ divisions, ...plan });
  if (!room) return divisions;
  return Math.min(divisions, Number((room.forth.n * BigInt(divisions)) / room.forth.d) + 1);
}

/** Why D divisions pass the room there is: the turns they need. null when they keep within it. (handbook: drive, limits of turning) */
export function passesRoom(
  room: Room | null,
  divisions: number,
): { readonly needs: Rational; readonly room: Rational } | null {
  if (!room) return null;
  // gaps beyond what lies ahead are cut a turn further back: the first of them is the farthest there
  const ahead = (room.forth.n * BigInt(divisions)) / room.forth.d + 1n;
  if (ahead >= BigInt(divisions)) return null;
  const backMost = add(ONE, mul(rational(-1), rational(ahead, BigInt(divisions))));
  return compare(backMost, room.back) <= 0
    ? null
    : { needs: rational(divisions - 1, divisions), room: add(room.back, room.forth) };
}
