import { piToNumber, toNumber, type Rational } from '../../../numbers/index.ts';
import type { Drive, Kinematics, Timer } from '../../../drive/index.ts';
import { motionOf, runningWaves } from '../../../errors/index.ts';
import { doubtOf } from '../../../motion/index.ts';
import { largestCause, type CauseId, type RateCause } from '../../../follow/index.ts';
import { angleText, lengthText, listed, measured, signed, timeText } from '../../../words/index.ts';
import { figureOf, line, worked, type DutyLine } from '../duty.ts';
import type { RateWay } from './way.ts';

/** Each cause in words: what it is, and what would mend it. */
export const CAUSES = {
  rounding: { label: 'rounding to whole ticks', mend: 'let the intervals alternate, or take a faster timer' },
  speed: { label: 'the source’s own speed', mend: 'change one wheel, or another source' },
  clock: {
    label: 'the clock’s tolerance',
    mend: 'a crystal in its place, or measure it and write the true rate',
  },
  measured: { label: 'the measured ratio', mend: 'count it over more turns, or count the teeth' },
  arm: { label: 'the arm, steady screw', mend: 'the table of speeds, a curved rod, or a shorter session' },
  polar: { label: 'the polar misalignment', mend: 'set the axis truer' },
} as const satisfies Record<CauseId, { readonly label: string; readonly mend: string }>;

const size = (cause: RateCause): string => {
  const text = measured(Math.abs(cause.ppm));
  if (cause.ppm === 0) return '0';
  return cause.sign === 'either' ? `±${text}` : signed(measured(cause.ppm), cause.ppm);
};

/** A line a cause, the largest first: parts in a million, and what it makes in an hour. */
export function causeLines(
  key: string,
  causes: readonly RateCause[],
  period: Rational,
  k: Kinematics,
  session: number,
): readonly DutyLine[] {
  const perTurn = k.travel && piToNumber(k.travel);
  return [...causes]
    .sort((a, b) => Math.abs(b.ppm) - Math.abs(a.ppm))
    .map((cause) => {
      const share = Math.abs(cause.ppm) / 1e6;
      const hour = perTurn
        ? lengthText((share * perTurn * 3600) / toNumber(period)).join(' ')
        : angleText(
            cause.across ? cause.arcsecPerSecond * 3600 : (share * 1_296_000 * 3600) / toNumber(period),
          );
      const over = cause.id === 'arm' ? `, taken over ${timeText(session).join(' ')}` : '';
      return line(
        figureOf({
          key: `${key}.cause.${cause.id}`,
          label: CAUSES[cause.id].label,
          value: cause.ppm,
          text: [size(cause), { unit: 'ppm' }],
          from: [worked('one turn in', `${toNumber(period).toFixed(4)} s`), worked('in an hour', hour)],
        }),
        cause.ppm === 0 ? '' : `${hour} in an hour${over}`,
      );
    });
}

/** Which cause is the largest, and what would mend it. */
export function largestMessage(way: RateWay, timer: Timer | undefined, k: Kinematics): string {
  const largest = largestCause(way.causes);
  const missing = [
    ...(timer && timer.tolerancePpm === undefined ? ['the clock’s tolerance'] : []),
    ...(doubtOf(k).printed.length > 0 ? [`the true ratio of ${listed(doubtOf(k).printed)}`] : []),
  ];
  const not = missing.length > 0 ? ` Not counted, for nobody has given it: ${listed(missing)}.` : '';
  if (largest.ppm === 0) return `Nothing that is known puts it out.${not}`;
  return `The largest is ${CAUSES[largest.id].label}, ${size(largest)} ppm: ${CAUSES[largest.id].mend}.${not}`;
}

/** A picture that is exposed, or a glance, lasts so long, s. */
const LOOKS_ON = 300;

/** What each shaft does while it follows: how far the work moves to and fro in five minutes, the largest first. (handbook: errors) */
export function shaftLines(key: string, drive: Drive, k: Kinematics, period: Rational): readonly DutyLine[] {
  const { waves } = runningWaves(drive, k, Math.abs(toNumber(period)));
  return [...waves]
    .sort((a, b) => motionOf(b, LOOKS_ON) - motionOf(a, LOOKS_ON))
    .map((w, i) =>
      line(
        figureOf({
          key: `${key}.shaft.${i}`,
          label: w.title,
          value: w.arcsec,
          text: [`±${angleText(motionOf(w, LOOKS_ON) / 2)}`],
          from: [
            worked('amplitude', `±${angleText(w.arcsec)} every ${timeText(w.periodSeconds).join(' ')}`),
            worked(
              'in 5 min',
              `2A·sin(π·t/P), at most 2A: ${angleText(motionOf(w, LOOKS_ON))} from least to greatest`,
            ),
          ],
        }),
        `every ${timeText(w.periodSeconds).join(' ')}`,
      ),
    );
}
