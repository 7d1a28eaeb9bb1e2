import type { FindRequest } from './request.ts';

/** With this many stages a search of divisions or rates takes more than a second. */
const LONG = 4;

/**
 * How many workers are worth their start: each makes the lists anew, so what takes under a second is done sooner by one alone. A
 * ratio is one walk over lists; divisions and rates share out their driven products and drivers. (handbook: find)
 */
export function workersFor({ asked, maxStages, kit }: FindRequest, cores: number): number {
  if (asked.question === 'ratio' || maxStages < LONG) return 1;
  const wheels = kit.families.reduce((n, f) => n + f.wheels.length, 0);
  return wheels < 40 ? 1 : Math.max(1, cores - 1);
}
