import { stepsToArcsec, toleranceArcsec, type Divider, type Division, type Grade } from '../divide/index.ts';
import type { Graded } from './figure.ts';
import { angleText, roughAngle } from './text.ts';

/** Worst first. */
const ORDER = ['misses', 'unknown', 'rounded', 'evenMicrostep', 'even'] as const satisfies readonly Grade[];

export const gradeWords = {
  even: 'Even',
  evenMicrostep: 'Even at a microstep',
  rounded: 'Rounded',
  misses: 'Misses',
  unknown: 'Unknown',
} as const satisfies Record<Grade, string>;

/** The worst of several grades; Unknown for none. */
export const worstGrade = (grades: readonly Grade[]): Grade =>
  ORDER.find((g) => grades.includes(g)) ?? 'unknown';

/** " if exactly 64 : 1": what an Even rests on that nobody has counted. (handbook: numbers, where a ratio comes from) */
function ifExactly(d: Division, { inexact }: Divider): string {
  if (!d.ifExact) return '';
  return inexact.length === 1 ? ` if exactly ${inexact[0]}` : ' if the labels are exact';
}

/** A division's grade in words: "Even", "Even at 1/8", "Rounded ±0.58″", "Misses by 31″". */
export function gradeOfDivision(d: Division, divider: Divider): Graded {
  const worst = stepsToArcsec(d.worstErrorSteps, divider.stepsPerTurn);
  switch (d.grade) {
    case 'even':
      return { grade: 'even', word: `Even${ifExactly(d, divider)}` };
    case 'evenMicrostep':
      return {
        grade: 'evenMicrostep',
        word: `Even at 1/${d.coarsestMode ?? '?'}${ifExactly(d, divider)}`,
      };
    case 'rounded':
      return { grade: 'rounded', word: `Rounded ±${angleText(worst)}` };
    case 'misses': {
      const allowed = divider.tolerance ? toleranceArcsec(divider.tolerance) : 0;
      return { grade: 'misses', word: `Misses by ${roughAngle(worst - allowed)}` };
    }
    case 'unknown':
      return { grade: 'unknown', word: 'Unknown' };
  }
}
