import { isZero, type Rational } from '../../numbers/index.ts';
import type { Rate } from '../../drive/index.ts';
import { arcsecAnHour, ppm, type Timing } from '../../follow/index.ts';
import type { Figure, Graded } from '../figure.ts';
import type { Rich } from '../rich.ts';
import { measured, signed } from '../text.ts';
import type { DutyChart } from './duty.ts';

/** One way of keeping the rate: intervals shared, or one of the two whole ones always. */
export interface RateWay {
  readonly how: 'spread' | 'fixed' | 'beside' | 'runs';
  readonly title: string;
  readonly ticks: Rich;
  /** wanted over made, less one: positive runs fast; exact */
  readonly off: Rational;
  /** "+21.6" */
  readonly ppm: string;
  readonly fiveMinutes: string;
  readonly hour: string;
  readonly day: string;
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
  readonly graded: Graded;
  readonly figures: readonly Figure[];
  /** the clock's own tolerance, beside the arithmetic; null when it is not known */
  readonly clock: { readonly ppm: string; readonly hour: string; readonly says: string } | null;
  readonly says: readonly string[];
  readonly drift: DutyChart | null;
}

export const ppmSays = (off: Rational): string => {
  const value = ppm(off);
  return isZero(off) ? '0' : signed(measured(value), value);
};

export const driftOver = (off: Rational, period: Rational, seconds: number): number =>
  (arcsecAnHour(off, period) * seconds) / 3600;
