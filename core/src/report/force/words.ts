import type { Grade } from '../../motion/index.ts';
import { type Graded, measured } from '../../words/index.ts';

/** From here on a margin is enough, and from here on close. (handbook: force) */
const ENOUGH = 1.3;

/** A margin in words: enough from 1.3, close from 1, else short by what is lacking. */
export function marginGrade(margin: number | null): Graded {
  if (margin === null) return { grade: 'unknown', word: 'Unknown' };
  if (margin >= ENOUGH) return { grade: 'enough', word: 'Enough' };
  return margin >= 1
    ? { grade: 'close', word: 'Close' }
    : { grade: 'short', word: `Short by ${Math.round((1 - margin) * 100)} %` };
}

export const marginText = (margin: number): string =>
  `${margin >= 100 ? measured(Math.round(margin)) : margin.toFixed(margin < 10 ? 2 : 1)}×`;

/** A torque in the unit that keeps its figures short. */
export const torqueText = (nm: number): string =>
  nm !== 0 && Math.abs(nm) < 0.1 ? `${measured(nm * 1000)} mN·m` : `${measured(nm)} N·m`;

export const worse = (a: Graded, b: Graded): Graded =>
  ORDER.indexOf(b.grade) > ORDER.indexOf(a.grade) ? b : a;
const ORDER: readonly Grade[] = ['enough', 'unknown', 'close', 'short'];
