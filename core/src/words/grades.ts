import { toleranceArcsec, type Grade } from '../motion/index.ts';
import { stepsToArcsec, type Divider, type Division } from '../divide/index.ts';
import { doubtful } from './doubt-words.ts';
import type { Graded } from './figure.ts';
import { angleText, roughAngle } from './text.ts';

export const gradeWords = {
  even: 'Even',
  evenMicrostep: 'Even at a microstep',
  passes: 'Passes',
  enough: 'Enough',
  rounded: 'Rounded',
  close: 'Close',
  misses: 'Misses',
  short: 'Short',
  unknown: 'Unknown',
} as const satisfies Record<Grade, string>;

/** A division's grade in words, with what it rests on: "Even", "Even at 1/8 if exactly 45 : 1", "Rounded ±0.58″", "Misses by 31″". */
export const gradeOfDivision = (d: Division, divider: Divider): Graded =>
  doubtful(bare(d, divider), divider.doubt, 'arcsec');

function bare(d: Division, divider: Divider): Graded {
  const worst = stepsToArcsec(d.worstErrorSteps, divider.stepsPerTurn);
  switch (d.grade) {
    case 'evenMicrostep':
      return { grade: d.grade, word: `Even at 1/${d.coarsestMode ?? '?'}` };
    case 'rounded':
      return { grade: d.grade, word: `Rounded ±${angleText(worst)}` };
    case 'misses': {
      const allowed = divider.tolerance && divider.by !== 'rest' ? toleranceArcsec(divider.tolerance) : 0;
      return { grade: d.grade, word: `Misses by ${roughAngle(worst - allowed)}` };
    }
    default:
      return { grade: d.grade, word: gradeWords[d.grade] };
  }
}
