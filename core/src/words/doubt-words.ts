import { isZero } from '../numbers/index.ts';
import { doubtArcsec, doubtPpm, isSure, type Doubt } from '../motion/index.ts';
import type { Graded } from './figure.ts';
import { angleText, listed, measured } from './text.ts';

/** The one wording of how sure a figure is: every page, file and drawing takes it from here. (handbook: numbers) */

/** " if exactly 45 : 1": what a figure rests on that nobody has counted; "" when all of it was. */
export function ifExactly({ printed }: Doubt): string {
  if (printed.length === 0) return '';
  return printed.length <= 2
    ? ` if exactly ${listed(printed)}`
    : ` if all ${printed.length} labels are exact`;
}

/** "±15.4″ as measured": what the measured ratios leave at the closing of a turn, or in a rate; "" without any. */
export function plusMinus(doubt: Doubt, as: 'arcsec' | 'ppm'): string {
  if (isZero(doubt.part)) return '';
  return as === 'arcsec'
    ? `±${angleText(doubtArcsec(doubt))} as measured`
    : `±${measured(doubtPpm(doubt))} ppm as measured`;
}

/** Both, as they follow a word or a figure: " if exactly 45 : 1, ±15.4″ as measured". */
export const doubtText = (doubt: Doubt, as: 'arcsec' | 'ppm'): string => {
  const also = plusMinus(doubt, as);
  return `${ifExactly(doubt)}${also && `, ${also}`}`;
};

/** A grade that tells what it rests on. What cannot be known, and what fails for another reason, stays as it is. */
export const doubtful = (graded: Graded, doubt: Doubt, as: 'arcsec' | 'ppm'): Graded =>
  isSure(doubt) || graded.grade === 'unknown'
    ? graded
    : { ...graded, word: `${graded.word}${doubtText(doubt, as)}`, doubt: true };
