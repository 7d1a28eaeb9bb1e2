import type { Rational } from '../numbers/index.ts';
import { within, type Tolerance } from './tolerance.ts';

/**
 * Even: on whole motor steps. EvenMicrostep: on a microstep. Rounded: within tolerance. Misses: outside. Passes: within what is
 * allowed, where nothing has to come out even. Enough, close, short: of a speed or a force. Unknown: something is missing.
 */
export type Grade =
  'even' | 'evenMicrostep' | 'passes' | 'enough' | 'rounded' | 'close' | 'misses' | 'short' | 'unknown';

/** Worst first. */
export const GRADES = [
  'misses',
  'short',
  'unknown',
  'close',
  'rounded',
  'enough',
  'passes',
  'evenMicrostep',
  'even',
] as const satisfies readonly Grade[];

/** The worst of several; Unknown for none. */
export const worstGrade = (grades: readonly Grade[]): Grade =>
  GRADES.find((g) => grades.includes(g)) ?? 'unknown';

/** Needs attention: it does not do what is asked. */
export const fails = (grade: Grade): boolean => grade === 'misses' || grade === 'short';

/** Steps that land: whole motor steps, a microstep, or rounded to one. `worst` and `stepsPerTurn` in the same steps. (handbook: divide) */
export function gradeSteps(
  lands: 'fullStep' | 'microstep' | 'between',
  worst: Rational,
  stepsPerTurn: Rational,
  tolerance: Tolerance | null,
): Grade {
  if (lands !== 'between') return lands === 'fullStep' ? 'even' : 'evenMicrostep';
  return tolerance === null || within(tolerance, worst, stepsPerTurn) ? 'rounded' : 'misses';
}

/** What locks is Even or it misses: its rests are what they are. (handbook: drive, Geneva) */
export const gradeRests = (whole: boolean): Grade => (whole ? 'even' : 'misses');

/** A figure held against what is allowed; null allows anything. */
export const gradeWithin = (value: number, allowed: number | null): 'passes' | 'misses' =>
  allowed === null || Math.abs(value) <= allowed ? 'passes' : 'misses';

/** What there is against what is wanted. (handbook: force, margin) */
export const gradeReach = (there: number, wanted: number): 'enough' | 'short' =>
  there >= wanted ? 'enough' : 'short';

/**
 * A rate: Even where its intervals are right in the long run, Rounded where one interval is not; it misses where the counter cannot
 * hold it, the controller cannot step so fast, or the largest of its causes passes what is allowed. (handbook: follow)
 */
export function gradeRate(
  exact: boolean,
  possible: boolean,
  largestPpm: number,
  allowedPpm: number | null,
): Grade {
  if (!possible || gradeWithin(largestPpm, allowedPpm) === 'misses') return 'misses';
  return exact ? 'even' : 'rounded';
}

/** Frames of a sweep: all alike, uneven where nobody sees it, or seen. (handbook: travel) */
export const gradeFrames = (alike: boolean, ripple: number, seen: number): Grade =>
  alike ? 'even' : ripple > seen ? 'misses' : 'rounded';

/** A ratio between outputs: Even when it is exactly as wanted, Rounded within the parts in a million allowed, for it does add up. */
export const gradeRatio = (exact: boolean, ppm: number, allowed: number | null): Grade =>
  exact ? 'even' : allowed !== null && Math.abs(ppm) <= allowed ? 'rounded' : 'misses';
