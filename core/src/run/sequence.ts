import {
  abs,
  add,
  compare,
  div,
  exactly,
  mul,
  neg,
  rational,
  sub,
  ZERO,
  type Rational,
} from '../numbers/index.ts';
import { brought, land, sourceCounts, type Stops } from '../motion/index.ts';
import { stopsOfPlan, turnsTo, type RunPlan } from './plan.ts';

/** One line of a sequence at the machine. (handbook: run) */
export interface Step {
  /** a gap to cut, a winding back, or the way to where it began */
  readonly is: 'gap' | 'rewind' | 'return';
  /** 1…D; of a rewind the gap it leads to, of the return and the last rewind D + 1 */
  readonly gap: number;
  /** turns of the work from home, signed */
  readonly wanted: Rational;
  /** where it stops, the same */
  readonly at: Rational;
  readonly error: Rational;
  /** the place it stops at: microsteps, marks, counts, holes or rests, from home */
  readonly stop: bigint;
  /** counts of the source from home; null when it has none */
  readonly counts: bigint | null;
}

/** A whole turn of D gaps, with what the limits put in between. Steps are made when asked for. */
export interface Sequence {
  readonly length: number;
  readonly stops: Stops;
  /** step i, from 0 */
  readonly at: (i: number) => Step;
  /** the index of a gap, and of the rewind that leads to it; −1 for none */
  readonly indexOf: (is: Step['is'], gap: number) => number;
}

/** The sequence of a plan: gap by gap, a rewind where the room ahead is used up, and at the end home. A scale is never turned round. */
export function sequenceOf(plan: RunPlan): Sequence {
  const stops = stopsOfPlan(plan);
  const D = plan.divisions;
  const { room } = stops;
  // the first gap that the room ahead does not hold; it and all after it are cut a turn further back
  const turned = room && !plan.scale ? Number((room.forth.n * BigInt(D)) / room.forth.d) + 2 : Infinity;
  const rewinds = turned <= D ? 1 : 0;
  const wantedOf = (gap: number): Rational => {
    const straight = turnsTo(plan, gap);
    return gap >= turned ? (brought(room, straight) ?? straight) : straight;
  };
  const stepAt = (is: Step['is'], gap: number, wanted: Rational): Step => {
    const { counts, at, error } = land(stops, wanted);
    return { is, gap, wanted, at, error, stop: counts, counts: sourceCounts(stops, counts) };
  };
  const gapStep = (gap: number): Step => stepAt('gap', gap, wantedOf(gap));
  const rewindTo = (gap: number): Step => {
    const place = wantedOf(gap);
    const behind = sub(place, overshoot(plan, stops));
    const floor = room ? neg(room.back) : behind;
    return stepAt('rewind', gap, compare(behind, floor) < 0 ? floor : behind);
  };
  const end = (): Step =>
    room || plan.scale ? stepAt('rewind', D + 1, ZERO) : stepAt('return', D + 1, rational(1));
  return {
    length: D + rewinds + 1,
    stops,
    at: (i) => {
      if (i >= D + rewinds) return end();
      if (!rewinds || i < turned - 1) return gapStep(i + 1);
      return i === turned - 1 ? rewindTo(turned) : gapStep(i);
    },
    indexOf: (is, gap) => {
      if (gap > D) return is === end().is ? D + rewinds : -1;
      if (is === 'rewind') return rewinds && gap === turned ? turned - 1 : -1;
      return is === 'gap' ? gap - 1 + (rewinds && gap >= turned ? 1 : 0) : -1;
    },
  };
}

/** How far beyond a place it goes back before it comes forward, turns of the work: more than the lost motion; half a turn of the source while that is not known. */
export function overshoot(plan: RunPlan, stops: Stops): Rational {
  if (stops.by === 'rest') return div(rational(1), stops.perTurn);
  if (typeof plan.playCounts !== 'number') return abs(div(rational(1, 2), exactly(plan.reduction)));
  return div(rational(plan.playCounts + 1), exactly(plan.stepsPerTurn));
}

/** The move from one step to the next, as it is made. */
export interface Way {
  /** counts of the source, signed: negative back; stops where it has none */
  readonly by: bigint;
  /** back, it goes so many counts beyond and comes forward again; 0 for a move forward */
  readonly beyond: bigint;
  /** the room behind is too short to come from behind */
  readonly cramped: boolean;
}

/** Going back passes the lost motion and comes forward, within the limits. (handbook: run, approach from one side) */
export function wayBetween(plan: RunPlan, sequence: Sequence, from: Step, to: Step): Way {
  const { stops } = sequence;
  const by = (to.counts ?? to.stop) - (from.counts ?? from.stop);
  if (by >= 0n || to.is === 'rewind' || stops.by === 'hole') return { by, beyond: 0n, cramped: false };
  const { counts, cramped } = beyondAt(plan, sequence, to);
  return { by, beyond: counts, cramped };
}

/** Counts of the source that a place may be passed by and come to forward, within the limits: one rule for hand and controller. (handbook: run) */
export function beyondAt(
  plan: RunPlan,
  { stops }: Sequence,
  to: Step,
): { readonly counts: bigint; readonly cramped: boolean } {
  const over = overshoot(plan, stops);
  const behind = sub(to.at, over);
  const cramped = stops.room !== null && compare(behind, neg(stops.room.back)) < 0;
  const room = stops.room ? add(to.at, stops.room.back) : over;
  const turns = cramped ? (compare(room, ZERO) > 0 ? room : ZERO) : over;
  const per = stops.perStop ? mul(stops.perTurn, stops.perStop) : stops.perTurn;
  const counts = abs(mul(turns, per));
  return { counts: counts.n / counts.d, cramped };
}
