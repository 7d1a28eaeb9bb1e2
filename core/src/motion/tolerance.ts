import {
  ARCSEC_PER_TURN,
  compare,
  compareToPi,
  div,
  exactly,
  isZero,
  mul,
  rational,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import type { Job } from '../drive/index.ts';

/** What the job allows at the work: an angle, or a length along a circle of a radius. null asks for nothing. */
export type Tolerance =
  | { readonly as: 'angle'; readonly arcsec: Rational }
  | { readonly as: 'length'; readonly mm: Rational; readonly radiusMm: Rational };

/** The tolerance of a checked job. A length without a radius cannot occur in one. */
export function toleranceOf(job: Job): Tolerance | null {
  if (job.toleranceMm !== undefined && job.radiusMm !== undefined)
    return { as: 'length', mm: exactly(job.toleranceMm), radiusMm: exactly(job.radiusMm) };
  if (job.toleranceArcsec !== undefined) return { as: 'angle', arcsec: exactly(job.toleranceArcsec) };
  return null;
}

/** The tolerance as an angle, ″, for showing: a length has π in it. */
export function toleranceArcsec(t: Tolerance): number {
  if (t.as === 'angle') return toNumber(t.arcsec);
  return (toNumber(div(t.mm, t.radiusMm)) * Number(ARCSEC_PER_TURN)) / (2 * Math.PI);
}

/**
 * Is an error of `steps` microsteps, N to the turn, within the tolerance, the limit itself included?
 * Exact for an angle; for a length the comparison with π is exact too. (handbook: divide)
 */
export function within(t: Tolerance, steps: Rational, stepsPerTurn: Rational): boolean {
  if (isZero(steps)) return true;
  const turns = div(steps, stepsPerTurn);
  if (t.as === 'angle') return compare(mul(turns, rational(ARCSEC_PER_TURN)), t.arcsec) <= 0;
  // 2·π·ρ·turns ≤ length  ⇔  π ≤ length/(2·ρ·turns)
  return compareToPi(div(t.mm, mul(rational(2n), mul(t.radiusMm, turns)))) > 0;
}
