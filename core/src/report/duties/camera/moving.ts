import type { Drive, Kinematics } from '../../../drive/index.ts';
import { budget, errorTerms, movingOf, type Moving } from '../../../errors/index.ts';
import { piToNumber, toNumber } from '../../../numbers/index.ts';
import { stepAtWork } from '../../../motion/index.ts';
import { listed, measured, timeText } from '../../../words/index.ts';
import type { RateReport } from '../rates/way.ts';

export const time = (seconds: number): string =>
  Number.isFinite(seconds) ? timeText(seconds).join('\u00a0') : 'as long as you like';

/** What moves the picture to and fro while it follows: the rows of the same budget that Picture is drawn from. */
export function movingWith(drive: Drive, k: Kinematics, rate: RateReport | undefined): Moving {
  if (!rate?.follows) return { waves: [], step: 0, fullStep: null, unknown: [] };
  const { rows } = budget({ drive, terms: errorTerms(drive, k), divisions: null, toleranceArcsec: null });
  const full = k.fullStepsPerTurn && k.stepsPerWorkTurn ? piToNumber(k.stepsPerWorkTurn) / k.mode : null;
  return movingOf(rows, Math.abs(toNumber(rate.period)), stepAtWork(drive, k)?.arcsec ?? 0, full);
}

/** Its causes in words, for the working. */
export const movingLines = ({
  waves,
  step,
  fullStep,
  unknown,
}: Moving): readonly (readonly [string, string])[] => [
  ...(step > 0 ? [['one step', `${measured(step)}″, from step to step`] as const] : []),
  ...(fullStep
    ? [['full steps', `±${measured(fullStep.arcsec)}″ every ${measured(fullStep.seconds)} s`] as const]
    : []),
  ...waves.map((w) => [w.title, `±${measured(w.arcsec)}″ every ${measured(w.periodSeconds)} s`] as const),
  ...(unknown.length > 0 ? [['not known', listed(unknown)] as const] : []),
];

/** Beyond this nothing is exposed, s. */
const FOREVER = 1e6;

/** Until when a motion that never grows less stays within what is allowed, s. */
export function roundUntil(moved: (seconds: number) => number, allowed: number, most: number): number {
  if (moved(Math.min(most, FOREVER)) <= allowed) return most;
  // one step alone is more than is allowed
  if (moved(1e-6) > allowed) return 0;
  let [low, high] = [0, Math.min(most, FOREVER)];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (moved(middle) <= allowed) low = middle;
    else high = middle;
  }
  return low;
}

/** Causes that nobody knows the size of: by name while they are few. */
export const unknownWords = (names: readonly string[]): string =>
  names.length > 2 ? `${names.length} unknown` : listed(names);

/** The longest exposure, as far as it is known. */
export const longestText = (seconds: number, unknown: string): string => {
  if (!unknown) return time(seconds);
  return Number.isFinite(seconds) ? `at most ${time(seconds)}` : `${time(seconds)}, without ${unknown}`;
};
