import { div, isZero, mul, piToNumber, rational, toNumber, type Rational } from '../../../numbers/index.ts';
import type { Kinematics, Rate } from '../../../drive/index.ts';
import { arcsecAnHour, ppm, type RateCause, type Timing, type TurningArm } from '../../../follow/index.ts';
import {
  type Figure,
  type Graded,
  lengthText,
  measured,
  type Rich,
  signed,
  signedAngle,
} from '../../../words/index.ts';
import type { DutyChart, DutyLine } from '../duty.ts';

/** One way of keeping the rate: intervals that alternate, or one of the two whole ones always. */
export interface RateWay {
  readonly how: 'spread' | 'fixed' | 'beside' | 'runs';
  readonly title: string;
  readonly ticks: Rich;
  /** wanted over made, less one: positive runs fast; exact, but where π is cut off */
  readonly off: Rational;
  /** "+21.6" */
  readonly ppm: string;
  readonly fiveMinutes: string;
  readonly hour: string;
  readonly day: string;
  readonly causes: readonly RateCause[];
  readonly graded: Graded;
}

/** A rate with all that keeps it. */
export interface RateReport {
  readonly key: string;
  readonly rate: Rate;
  readonly name: string;
  /** "forward", "back" */
  readonly sense: string;
  readonly period: Rational;
  readonly timing: Timing | null;
  readonly ways: readonly RateWay[];
  /** the way that is in force */
  readonly chosen: RateWay | null;
  /** what puts it out: of the way in force, or while nobody gave a timer what is known without one */
  readonly kept: readonly RateCause[];
  /** the work turns at this rate at all */
  readonly follows: boolean;
  readonly graded: Graded;
  readonly figures: readonly Figure[];
  /** each cause with what it does, the largest first, and the sentence that names it */
  readonly causes: readonly DutyLine[];
  readonly largest: string;
  /** what each shaft brings to and fro in five minutes, whatever the rate is on the mean */
  readonly shafts: readonly DutyLine[];
  readonly message: readonly string[];
  readonly drift: DutyChart | null;
  /** the hinge that it opens; null for all other outputs */
  readonly arm: TurningArm | null;
  /** what all of it rests on: "if exactly 45 : 1, ±11.9 ppm as measured" */
  readonly doubt: string;
}

export const ppmMessage = (off: Rational): string => {
  const value = ppm(off);
  return isZero(off) ? '0' : signed(measured(value), value);
};

/** ″ that a rate gains in so many seconds. */
export const driftOver = (off: Rational, period: Rational, seconds: number): number =>
  (arcsecAnHour(off, period) * seconds) / 3600;

/** The same in words: an angle where the work turns, a length where it travels. */
export function driftText(k: Kinematics, off: Rational, period: Rational, seconds: number): string {
  if (!k.travel) return signedAngle(driftOver(off, period, seconds));
  const turns = toNumber(div(mul(off, rational(Math.round(seconds))), period));
  const mm = turns * piToNumber(k.travel);
  return mm === 0 ? '0 mm' : signed(lengthText(mm).join(' '), mm);
}
