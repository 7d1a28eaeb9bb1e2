import { isWhole, mul, rational, scalePi, toNumber, type PiValue, type Rational } from '../numbers/index.ts';
import type { Kinematics, Move } from '../drive/index.ts';
import {
  doubtOfStops,
  gradeRests,
  gradeWithin,
  landPi,
  stopsOf,
  travelled,
  turnsOfTravel,
  type Doubt,
  type Grade,
  type Steered,
} from '../motion/index.ts';

/** How a linear output makes one move. Steps are what it stops by, π kept as a symbol. */
export interface JudgedMove {
  readonly move: Move;
  readonly steps: PiValue;
  readonly grade: Grade;
  /** where it is sent: the place that comes nearest within the limits */
  readonly nearest: bigint;
  /** where it stands against the move, mm, positive too far; 0 when Even */
  readonly errorMm: number;
  readonly coarsestMode: number | null;
  readonly doubt: Doubt;
  /** the limits of turning stop it before */
  readonly stopped: boolean;
}

/**
 * steps = move · N ÷ travel a turn. Even iff no π is left and it is whole, on whole motor steps iff that holds for s·|R|; a move
 * with a π left over never is. A wheel that locks stops it at its rests. (handbook: numbers, π stays a symbol)
 */
export function judgeMove(
  drive: Steered,
  k: Kinematics,
  move: Move,
  toleranceMm: Rational | null,
): JudgedMove | null {
  const stops = stopsOf(drive, k);
  const turns = k.travel && turnsOfTravel(move.mm, k.travel);
  if (!stops || !turns || !k.travel) return null;
  const landing = landPi(stops, turns);
  const steps = scalePi(turns, stops.perTurn);
  const even = steps.piPower === 0 && isWhole(steps.q);
  const stopped = landing.by === 'limit';
  const errorMm = even && !stopped ? 0 : travelled(landing.error, k.travel);
  const base = { move, steps, nearest: landing.counts, errorMm, doubt: doubtOfStops(drive, k), stopped };
  const misses = stopped || gradeWithin(errorMm, toleranceMm && toNumber(toleranceMm)) === 'misses';
  if (stops.by === 'rest')
    return { ...base, coarsestMode: null, grade: misses ? 'misses' : gradeRests(even) };
  if (!even || misses || !k.fullStepsPerTurn)
    return { ...base, coarsestMode: null, grade: misses ? 'misses' : 'rounded' };
  // counts of an encoder are not divided further
  if (stops.by === 'count') return { ...base, coarsestMode: 1, grade: 'even' };
  const full = mul(turns.q, k.fullStepsPerTurn);
  const coarsestMode = k.modes.find((m) => isWhole(mul(full, rational(m)))) ?? null;
  return { ...base, coarsestMode, grade: isWhole(full) ? 'even' : 'evenMicrostep' };
}
