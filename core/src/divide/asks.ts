import {
  ARCSEC_PER_TURN,
  ceilTimesPi,
  div,
  lcm,
  rational,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import type { Tolerance } from '../motion/index.ts';

/** What the job asks of any train, before one is chosen. */
export interface Asks {
  /** every count Even needs a multiple of this many steps a turn: their least common multiple; null without divisions */
  readonly evenMultiple: bigint | null;
  /** from this many steps a turn, rounding alone stays within tolerance; null without one */
  readonly toleranceSteps: bigint | null;
}

/**
 * Half a microstep is the worst that rounding can do, so N ≥ 648 000″ ÷ tolerance holds it; for a length L at radius ρ,
 * N ≥ π·ρ/L, rounded up exactly. (handbook: divide)
 */
export function asksOf(counts: readonly number[], tolerance: Tolerance | null): Asks {
  return {
    evenMultiple: counts.length > 0 ? lcm(counts.map(BigInt)) : null,
    toleranceSteps: tolerance && stepsWithin(tolerance),
  };
}

function stepsWithin(t: Tolerance): bigint {
  if (t.as === 'angle') return ceil(div(rational(ARCSEC_PER_TURN / 2n), t.arcsec));
  return ceilTimesPi(div(t.radiusMm, t.mm));
}

const ceil = (r: Rational): bigint => (r.n + r.d - 1n) / r.d;

/** Chasing Even for all is not worth it when it asks for this many times the steps the tolerance does. */
export const worthChasing = (asks: Asks): boolean =>
  asks.evenMultiple === null ||
  asks.toleranceSteps === null ||
  toNumber(rational(asks.evenMultiple, asks.toleranceSteps)) < 1000;
