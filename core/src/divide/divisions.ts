import {
  ARCSEC_PER_TURN,
  gcd,
  mul,
  roundDiv,
  toNumber,
  worstResidue,
  rational,
  div,
  type Rational,
} from '../numbers/index.ts';
import { countsPerTurn, type Encoder, type Kinematics } from '../drive/index.ts';
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
  /** the ratios that matter and are only printed, or measured: "64 : 1" */
  readonly inexact: readonly string[];
  readonly tolerance: Tolerance | null;
  /** places at which a locking wheel lets the work rest, a turn; they decide alone. null without one */
  readonly lock: Rational | null;
}

/** null when the source has no steps and nothing locks: every division is then Unknown. A lock without steps counts its places. */
export function dividerOf(k: Kinematics, tolerance: Tolerance | null): Divider | null {
  const stepsPerTurn = k.stepsPerTurn ?? k.lock?.places;
  const fullStepsPerTurn = k.fullStepsPerTurn ?? k.lock?.places;
  const inexact = k.inexact.filter((i) => i.stage > (k.lock?.stage ?? -1)).map((i) => i.label);
  return stepsPerTurn && fullStepsPerTurn
    ? { stepsPerTurn, fullStepsPerTurn, modes: k.modes, inexact, tolerance, lock: k.lock?.places ?? null }
    : null;
}

/** An encoder's counts graded like steps. (handbook: drive, sources) */
export function counterOf(k: Kinematics, encoder: Encoder, tolerance: Tolerance | null): Divider | null {
  const counts = countsPerTurn(k, encoder);
  if (!counts) return null;
  const inexact = k.inexact.filter((i) => i.stage >= encoder.shaft).map((i) => i.label);
  return { stepsPerTurn: counts, fullStepsPerTurn: counts, modes: [1], inexact, tolerance, lock: null };
}

/** The same in places of the wheel that locks, where there is one: what figures and charts are drawn from. */
export const inPlaces = (d: Divider): Divider =>
  d.lock === null ? d : { ...d, stepsPerTurn: d.lock, fullStepsPerTurn: d.lock, modes: [1] };

/** Divides a turn of N = `stepsPerTurn` microsteps into D. Throws a RangeError unless D is a positive whole number. (handbook: divide) */
export function divide(d: Divider, divisions: number): Division {
  if (!Number.isSafeInteger(divisions) || divisions < 1)
    throw new RangeError('a turn is divided into 1 or more');
  if (d.lock) return locked(d, d.lock, divisions);
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
    ifExact: d.inexact.length > 0 && b === 1n,
  };
}

/**
 * With a wheel that locks the work rests at `places` a turn and nowhere else: D is Even iff places/D is whole, else it misses,
 * whatever the motor does. Errors are the places' own, as motor steps. (handbook: drive, Geneva)
 */
function locked(d: Divider, places: Rational, divisions: number): Division {
  const own = divide(
    { ...d, stepsPerTurn: places, fullStepsPerTurn: places, modes: [d.modes[0] ?? 1], lock: null },
    divisions,
  );
  const perPlace = div(d.stepsPerTurn, places);
  const even = own.missingFactor === 1n;
  return {
    ...own,
    grade: even ? 'even' : 'misses',
    step: div(d.stepsPerTurn, rational(divisions)),
    coarsestMode: even ? (d.modes[0] ?? 1) : null,
    worstErrorSteps: mul(own.worstErrorSteps, perPlace),
    spacingErrorSteps: mul(own.spacingErrorSteps, perPlace),
    closingErrorSteps: mul(own.closingErrorSteps, perPlace),
    truncatedErrorSteps: mul(own.truncatedErrorSteps, perPlace),
    returnErrorSteps: mul(own.returnErrorSteps, perPlace),
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
