import {
  add,
  compare,
  div,
  exactly,
  mul,
  nearPi,
  neg,
  piToNumber,
  piValue,
  rational,
  round,
  roundPi,
  scalePi,
  sub,
  toNumber,
  type PiValue,
  type Rational,
} from '../numbers/index.ts';
import { sourceKindOf, type Kinematics, type Train } from '../drive/index.ts';
import { steeredCounts, type Steered, type StopBy } from './step.ts';

/** How far the work may turn from home, turns, both 0 or more; exact. */
export interface Room {
  readonly back: Rational;
  readonly forth: Rational;
  readonly why: string;
}

/** Where the work can stop at all: so many places a turn, from home on, within the room it has. */
export interface Stops {
  readonly by: StopBy;
  /** places a turn of the work (of the last shaft, for one that travels) */
  readonly perTurn: Rational;
  /** counts of the source for one place: 1, but for the rests of a wheel that locks, where any count of its dwell will do; null when the source has none */
  readonly perStop: Rational | null;
  readonly room: Room | null;
}

/** Where the work stops when it is sent to a place. */
export interface Landing {
  /** of the places, from home */
  readonly counts: bigint;
  /** turns from home */
  readonly at: Rational;
  /** at − wanted, turns: positive too far */
  readonly error: Rational;
  /** what it stops by; a limit where the place lies beyond the room */
  readonly by: StopBy | 'limit';
}

/** The room of a train; null when it may turn on for ever. (handbook: drive, limits of turning) */
export function roomOf(train: Train): Room | null {
  const { limits } = train;
  return limits ? { back: exactly(limits.back), forth: exactly(limits.forth), why: limits.why ?? '' } : null;
}

/**
 * Where the work of a drive can stop. An encoder that corrects decides, as finely as it counts; a wheel that locks decides alone, for
 * what stands before it does not reach the work. null when nothing holds it: a source without steps and no lock, or a hinge, which does not turn round. (handbook: drive, Geneva)
 */
export function stopsOf(drive: Steered, k: Kinematics): Stops | null {
  if (k.hinge) return null;
  const { train } = drive;
  const room = roomOf(train);
  const counts = steeredCounts(drive, k);
  if (counts) return { by: 'count', perTurn: counts, perStop: rational(1n), room };
  if (k.lock)
    return {
      by: 'rest',
      perTurn: k.lock.places,
      perStop: k.stepsPerTurn && div(k.stepsPerTurn, k.lock.places),
      room,
    };
  const by = sourceKindOf(train.source).stops;
  return by && k.stepsPerTurn ? { by, perTurn: k.stepsPerTurn, perStop: rational(1n), room } : null;
}

/** Holes of one circle, by a crank on a worm of W: W·H of them a turn of the work. (handbook: divide, index plates) */
export const holesOf = (worm: Rational, circle: number, room: Room | null = null): Stops => ({
  by: 'hole',
  perTurn: mul(worm, rational(circle)),
  perStop: rational(1n),
  room,
});

/** `wanted` turns from home, halves forward: the nearest place, or the last one within the limits. */
export function land(stops: Stops, wanted: Rational): Landing {
  const nearest = round(mul(wanted, stops.perTurn));
  const counts = within(stops, nearest);
  const at = div(rational(counts), stops.perTurn);
  return { counts, at, error: sub(at, wanted), by: counts === nearest ? stops.by : 'limit' };
}

/** The same for a place whose turns hold π, with its error as a double, turns. `wanted` is 0 or more. */
export function landPi(
  stops: Stops,
  wanted: PiValue,
): { readonly counts: bigint; readonly error: number; readonly by: Landing['by'] } {
  const exact = scalePi(wanted, stops.perTurn);
  const nearest = roundPi(exact);
  const counts = within(stops, nearest);
  return {
    counts,
    error: toNumber(div(sub(rational(counts), nearPi(exact)), stops.perTurn)),
    by: counts === nearest ? stops.by : 'limit',
  };
}

/** Where the counts of the source stand for a place: whole counts, halves forward. */
export const sourceCounts = (stops: Stops, counts: bigint): bigint | null =>
  stops.perStop && round(mul(rational(counts), stops.perStop));

function within({ room, perTurn }: Stops, counts: bigint): bigint {
  if (!room) return counts;
  const turns = div(rational(counts), perTurn);
  if (compare(turns, room.forth) > 0) return floorOf(mul(room.forth, perTurn));
  return compare(turns, neg(room.back)) < 0 ? -floorOf(mul(room.back, perTurn)) : counts;
}

const floorOf = (r: Rational): bigint => r.n / r.d;

/** A turn more, or less, that brings a place into the room; null when none does. */
export function brought(room: Room | null, wanted: Rational): Rational | null {
  if (!room) return wanted;
  for (const turns of [0, -1]) {
    const there = add(wanted, rational(turns));
    if (compare(there, room.forth) <= 0 && compare(there, neg(room.back)) >= 0) return there;
  }
  return null;
}

/** A length along a travel as turns of the last shaft. */
export const turnsOfTravel = (mm: PiValue, travel: PiValue): PiValue | null => {
  const power = mm.piPower - travel.piPower;
  return power === -1 || power === 0 || power === 1 ? piValue(div(mm.q, travel.q), power) : null;
};

/** Turns of the last shaft as a length, mm. */
export const travelled = (turns: number, travel: PiValue): number => turns * piToNumber(travel);
