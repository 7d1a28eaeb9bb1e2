import {
  ARCSEC_PER_TURN,
  gcd,
  roundDiv,
  toNumber,
  worstResidue,
  rational,
  div,
  type Rational,
} from '../numbers/index.ts';
import type { Kinematics } from '../drive/index.ts';
import { within, type Tolerance } from './tolerance.ts';

/** Even: on whole motor steps. EvenMicrostep: on a microstep. Rounded: within tolerance. Misses: outside. Unknown: something is missing. */
export type Grade = 'even' | 'evenMicrostep' | 'rounded' | 'misses' | 'unknown';

/** How a drive divides a turn into D. Steps are microsteps in the mode in use. (handbook: divide) */
export interface Division {
  readonly divisions: number;
  readonly grade: Grade;
  /** N/D in lowest terms a/b */
  readonly step: Rational;
  /** the least of the driver's modes in which N/D is whole; null for none */
  readonly coarsestMode: number | null;
  /** b: what the train lacks */
  readonly missingFactor: bigint;
  /** worst |target(i) − i·N/D| over one turn, magnitude */
  readonly worstErrorSteps: Rational;
  /** worst |target(i+1) − target(i) − N/D| */
  readonly spacingErrorSteps: Rational;
  /** D·round(N/D) − N, what one repeated count leaves in the last gap; positive: thin tooth */
  readonly closingErrorSteps: Rational;
  /** D·floor(N/D) − N, for a truncated count; never positive */
  readonly truncatedErrorSteps: Rational;
  /** round(N) − N, where the table stands after one turn */
  readonly returnErrorSteps: Rational;
  /** the repeated count, round(N/D) */
  readonly repeatedStep: bigint;
  /** D > N: some divisions fall on the same step and do not move */
  readonly idle: boolean;
  /** Even only if a nominal ratio is exactly what its label says */
  readonly ifExact: boolean;
}

/** What a division needs to know of the drive; one for a whole list. */
export interface Divider {
  readonly stepsPerTurn: Rational;
  readonly fullStepsPerTurn: Rational;
  readonly modes: readonly number[];
  readonly nominal: boolean;
  readonly tolerance: Tolerance | null;
}

/** null when the source has no steps: every division is then Unknown. */
export function dividerOf(k: Kinematics, tolerance: Tolerance | null): Divider | null {
  const { stepsPerTurn, fullStepsPerTurn, modes, nominal } = k;
  return stepsPerTurn && fullStepsPerTurn
    ? { stepsPerTurn, fullStepsPerTurn, modes, nominal, tolerance }
    : null;
}

/** Divides a turn of N = `stepsPerTurn` microsteps into D. Throws a RangeError unless D is a positive whole number. (handbook: divide) */
export function divide(d: Divider, divisions: number): Division {
  if (!Number.isSafeInteger(divisions) || divisions < 1)
    throw new RangeError('a turn is divided into 1 or more');
  const D = BigInt(divisions);
  const { n: Nn, d: Nd } = d.stepsPerTurn;
  const step = rational(Nn, Nd * D);
  const [a, b] = [step.n, step.d];
  const k = roundDiv(a, b);
  const f = a % b;
  const worst = worstErrorOf(a, b, Nd === 1n, divisions);
  const owed = owedMode(d, D);
  return {
    divisions,
    grade: gradeOf(d, worst, owed, b),
    step,
    coarsestMode: d.modes.find((m) => BigInt(m) % owed === 0n) ?? null,
    missingFactor: b,
    worstErrorSteps: worst,
    spacingErrorSteps: b === 1n ? worst : rational(2n * f > b ? f : b - f, b),
    closingErrorSteps: rational(D * k * Nd - Nn, Nd),
    truncatedErrorSteps: rational(-D * f, b),
    returnErrorSteps: rational(roundDiv(Nn, Nd) * Nd - Nn, Nd),
    repeatedStep: k,
    idle: D * Nd > Nn,
    ifExact: d.nominal && b === 1n,
  };
}

/** Up to here one turn is walked division by division; beyond, the residues are searched. Both give the same. */
const WALKED = 2048;

/** Worst distance of i·a/b from a whole number over i = 0…D. For whole N all residues occur: (b−1)/(2b) for odd b, ½ for even. */
export function worstErrorOf(a: bigint, b: bigint, wholeTurn: boolean, divisions: number): Rational {
  if (b === 1n) return rational(0n);
  if (wholeTurn || b <= BigInt(divisions)) return b % 2n === 1n ? rational(b - 1n, 2n * b) : rational(1n, 2n);
  const r = a % b;
  if (divisions > WALKED || b > BigInt(Number.MAX_SAFE_INTEGER) / 4n)
    return rational(worstResidue(r, b, BigInt(divisions)), b);
  const [by, round] = [Number(r), Number(b)];
  let [at, worst] = [0, 0];
  for (let i = 1; i <= divisions; i++) {
    at += by;
    if (at >= round) at -= round;
    const distance = Math.min(at, round - at);
    if (distance > worst) worst = distance;
  }
  return rational(BigInt(worst), b);
}

/** What a mode must be a multiple of for s·m·|R|/D to be whole: 1 when whole motor steps do. */
function owedMode(d: Divider, D: bigint): bigint {
  const { n, d: below } = d.fullStepsPerTurn;
  return (below * D) / gcd(n, below * D);
}

function gradeOf(d: Divider, worst: Rational, owed: bigint, b: bigint): Grade {
  if (b === 1n) return owed === 1n ? 'even' : 'evenMicrostep';
  return d.tolerance === null || within(d.tolerance, worst, d.stepsPerTurn) ? 'rounded' : 'misses';
}

/** One microstep at the work, ″, exact. */
export const microstepArcsec = (stepsPerTurn: Rational): Rational =>
  div(rational(ARCSEC_PER_TURN), stepsPerTurn);

/** Steps as an angle at the work, ″. */
export const stepsToArcsec = (steps: Rational, stepsPerTurn: Rational): number =>
  toNumber(div(steps, stepsPerTurn)) * Number(ARCSEC_PER_TURN);
