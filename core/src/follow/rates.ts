import { exactly, mul, rational, type Rational } from '../numbers/index.ts';
import type { Rate, RateKind } from '../drive/index.ts';
import { ratePeriods } from '../drive/index.ts';

/** What a rate is called: its own name, else that of its kind. */
export function rateName(rate: Rate): string {
  const own = rate.name?.trim();
  if (own) return own;
  const name = ratePeriods[rate.kind].title.toLowerCase();
  return rate.half ? `half ${name}` : name;
}

/** Seconds for one turn of the work, exact; a half rate takes twice as long. (handbook: follow) */
export function periodOf(rate: Rate): Rational {
  const seconds = ratePeriods[rate.kind].seconds;
  const period = seconds === null ? exactly(rate.seconds ?? '1') : exactly(seconds);
  return rate.half ? mul(rational(2), period) : period;
}

/** Is the period of this kind its own, and not one that is written? */
export const isNamed = (kind: RateKind): boolean => ratePeriods[kind].seconds !== null;
