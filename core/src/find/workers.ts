import { lcm } from '../numbers/index.ts';
import { missingOf } from './reason.ts';
import type { FindRequest } from './request.ts';

/** With this many stages a search of divisions or rates takes more than a second. */
const LONG = 4;
/** Fewer different wheels than this are soon checked. */
const FEW_WHEELS = 40;
/** One driven product in more than so many comes into question: making the lists is then most of the work. */
const SPARSE = 300n;

/**
 * How many workers are worth their start: each makes the lists anew, so what takes a second is done sooner by one alone. A ratio is
 * one walk over lists; rates share out their drivers, divisions their driven products where there are enough of them. (handbook: find)
 */
export function workersFor({ asked, maxStages, kit, source }: FindRequest, cores: number): number {
  const wheels = kit.families.reduce((n, f) => n + f.wheels.length, 0);
  if (asked.question === 'ratio' || maxStages < LONG || wheels < FEW_WHEELS) return 1;
  if (asked.question === 'divisions') {
    const perMode = (source?.modes ?? [1]).map((m) => BigInt(m * (source?.fullSteps ?? 1)));
    if (missingOf(lcm(asked.divisions), perMode) > SPARSE) return 1;
  }
  return Math.max(1, cores - 1);
}
