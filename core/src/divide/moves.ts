import {
  div,
  divPi,
  isWhole,
  mul,
  piToNumber,
  rational,
  roundPi,
  scalePi,
  toNumber,
  type PiValue,
  type Rational,
} from '../numbers/index.ts';
import type { Kinematics, Move } from '../drive/index.ts';
import type { Grade } from './divisions.ts';

/** How a linear output makes one move. Steps are microsteps in the mode in use, π kept as a symbol. */
export interface JudgedMove {
  readonly move: Move;
  readonly steps: PiValue;
  readonly grade: Grade;
  /** the whole steps that come nearest */
  readonly nearest: bigint;
  /** where they stand against the move, mm, positive too far; 0 when Even */
  readonly errorMm: number;
  readonly coarsestMode: number | null;
}

/**
 * steps = move · N ÷ travel a turn. Even iff no π is left and it is whole, on whole motor steps iff that holds for s·|R|; a move
 * with a π left over never is. (handbook: numbers, π stays a symbol)
 */
export function judgeMove(k: Kinematics, move: Move, toleranceMm: Rational | null): JudgedMove | null {
  if (!k.travel || !k.stepsPerTurn || !k.fullStepsPerTurn) return null;
  const turns = divPi(move.mm, k.travel);
  const steps = scalePi(turns, k.stepsPerTurn);
  const nearest = roundPi(steps);
  const even = steps.piPower === 0 && isWhole(steps.q);
  if (even) {
    const full = mul(turns.q, k.fullStepsPerTurn);
    const coarsestMode = k.modes.find((m) => isWhole(mul(full, rational(m)))) ?? null;
    return {
      move,
      steps,
      grade: isWhole(full) ? 'even' : 'evenMicrostep',
      nearest,
      errorMm: 0,
      coarsestMode,
    };
  }
  const perStep = piToNumber(scalePi(k.travel, div(rational(1n), k.stepsPerTurn)));
  const errorMm = (Number(nearest) - piToNumber(steps)) * perStep;
  const misses = toleranceMm !== null && Math.abs(errorMm) > toNumber(toleranceMm);
  return { move, steps, grade: misses ? 'misses' : 'rounded', nearest, errorMm, coarsestMode: null };
}
