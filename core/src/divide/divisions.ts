import {
  ARCSEC_PER_TURN,
  abs,
  compare,
  gcd,
  roundDiv,
  toNumber,
  worstResidue,
  rational,
  div,
  type Rational,
} from '../numbers/index.ts';
import { countsPerTurn, type Encoder, type Kinematics } from '../drive/index.ts';
import {
  doubtFrom,
  doubtOfStops,
  gradeRests,
  gradeSteps,
  steeredCounts,
  stopsOf,
  type Doubt,
  type Grade,
  type Steered,
  type StopBy,
  type Tolerance,
} from '../motion/index.ts';

/** How a drive divides a turn into D. Steps are what the work stops by: microsteps in the mode in use, marks, counts, or rests. (handbook: divide) */
export interface Division {
  readonly divisions: number;
  readonly grade: Grade;
  /** N/D in lowest terms a/b */
  readonly step: Rational;
  /** the least of the driver's modes in which N/D is whole; null for none */
  readonly coarsestMode: number | null;
  /** b: what the train lacks */
  readonly missingFactor: bigint;
  /** worst |target(i) − i·N/D| over the places of the first turn, magnitude */
  readonly worstErrorSteps: Rational;
  /** worst |gap − N/D| over the gaps of the first turn, the last one closing on place 0 as the work does */
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
}

/** What a division needs to know of the drive; one for a whole list. */
export interface Divider {
  readonly by: StopBy;
  /** places a turn at which the work can stop */
  readonly stepsPerTurn: Rational;
  /** of them, those that are whole motor steps */
  readonly fullStepsPerTurn: Rational;
  readonly modes: readonly number[];
  readonly doubt: Doubt;
  readonly tolerance: Tolerance | null;
}

/** null when nothing holds the work: every division is then Unknown. With a wheel that locks the steps are its rests. */
export function dividerOf(drive: Steered, k: Kinematics, tolerance: Tolerance | null): Divider | null {
  const stops = stopsOf(drive, k);
  if (!stops) return null;
  const counted = steeredCounts(drive, k) !== null;
  const doubt = doubtOfStops(drive, k);
  const base = { by: stops.by, stepsPerTurn: stops.perTurn, doubt, tolerance };
  return stops.by === 'rest' || counted || !k.fullStepsPerTurn
    ? { ...base, fullStepsPerTurn: stops.perTurn, modes: [1] }
    : { ...base, fullStepsPerTurn: k.fullStepsPerTurn, modes: k.modes };
}

/** An encoder's counts graded like steps. (handbook: drive, sources) */
export function counterOf(k: Kinematics, encoder: Encoder, tolerance: Tolerance | null): Divider | null {
  const counts = k.hinge ? null : countsPerTurn(k, encoder);
  if (!counts) return null;
  const doubt = doubtFrom(k, encoder.shaft);
  return { by: 'count', stepsPerTurn: counts, fullStepsPerTurn: counts, modes: [1], doubt, tolerance };
}

/** Divides a turn of N = `stepsPerTurn` places into D. Throws a RangeError unless D is a positive whole number. (handbook: divide) */
export function divide(d: Divider, divisions: number): Division {
  if (!Number.isSafeInteger(divisions) || divisions < 1)
    throw new RangeError('a turn is divided into 1 or more');
  const D = BigInt(divisions);
  const { n: Nn, d: Nd } = d.stepsPerTurn;
  const step = rational(Nn, Nd * D);
  const [a, b] = [step.n, step.d];
  const k = roundDiv(a, b);
  const worst = worstErrorOf(a, b, Nd === 1n, divisions);
  const owed = owedMode(d, D);
  const lands = b > 1n ? 'between' : owed === 1n ? 'fullStep' : 'microstep';
  return {
    divisions,
    grade: d.by === 'rest' ? gradeRests(b === 1n) : gradeSteps(lands, worst, d.stepsPerTurn, d.tolerance),
    step,
    coarsestMode: d.modes.find((m) => BigInt(m) % owed === 0n) ?? null,
    missingFactor: b,
    worstErrorSteps: worst,
    spacingErrorSteps: spacingOf(a, b, Nd === 1n, divisions),
    closingErrorSteps: rational(D * k * Nd - Nn, Nd),
    truncatedErrorSteps: rational(-D * (a % b), b),
    returnErrorSteps: rational(roundDiv(Nn, Nd) * Nd - Nn, Nd),
    repeatedStep: k,
    idle: D * Nd > Nn,
  };
}

/**
 * The worst gap of the first turn against a/b. Its gaps are floor(a/b) or one more; for a turn that is not whole only those that
 * occur count, and the last closes on place 0 as the work does. (handbook: divide, N not whole)
 */
function spacingOf(a: bigint, b: bigint, wholeTurn: boolean, divisions: number): Rational {
  if (b === 1n) return rational(0n);
  const [f, q, last] = [a % b, a / b, BigInt(divisions - 1)];
  const [short, long] = [rational(f, b), rational(b - f, b)];
  if (wholeTurn) return compare(short, long) > 0 ? short : long;
  const reached = roundDiv(last * a, b);
  const longer = reached - last * q;
  const found = [
    abs(rational(reached * b - last * a, b)),
    ...(longer > 0n ? [long] : []),
    ...(longer < last ? [short] : []),
  ];
  return found.reduce((worst, e) => (compare(e, worst) > 0 ? e : worst));
}

/** Up to here one turn is walked division by division; beyond, the residues are searched. Both give the same. */
const WALKED = 2048;

/** Worst distance of i·a/b from a whole number over i = 0…D − 1. For whole N all residues occur: (b−1)/(2b) for odd b, ½ for even. */
export function worstErrorOf(a: bigint, b: bigint, wholeTurn: boolean, divisions: number): Rational {
  if (b === 1n) return rational(0n);
  if (wholeTurn || b <= BigInt(divisions)) return b % 2n === 1n ? rational(b - 1n, 2n * b) : rational(1n, 2n);
  const r = a % b;
  if (divisions > WALKED || b > BigInt(Number.MAX_SAFE_INTEGER) / 4n)
    return rational(worstResidue(r, b, BigInt(divisions - 1)), b);
  const [by, round] = [Number(r), Number(b)];
  let [at, worst] = [0, 0];
  for (let i = 1; i < divisions; i++) {
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

/** One microstep at the work, ″, exact. */
export const microstepArcsec = (stepsPerTurn: Rational): Rational =>
  div(rational(ARCSEC_PER_TURN), stepsPerTurn);

/** Steps as an angle at the work, ″. */
export const stepsToArcsec = (steps: Rational, stepsPerTurn: Rational): number =>
  toNumber(div(steps, stepsPerTurn)) * Number(ARCSEC_PER_TURN);
