import {
  abs,
  compare,
  decimal,
  div,
  isZero,
  mul,
  rational,
  sub,
  type Rational,
} from '../../numbers/index.ts';
import { periodOf, rateName, type Drive, type Kinematics, type Rate, type Timer } from '../../drive/index.ts';
import type { Grade } from '../../divide/index.ts';
import { clockOff, ppm, secondsADay, timingOf, type Timing } from '../../follow/index.ts';
import type { Graded } from '../figure.ts';
import { counted, grouped, measured, mixed, signed, signedAngle, whole } from '../text.ts';
import type { Rich } from '../rich.ts';
import { drawn, figuresOf, sentences } from './rate-figures.ts';
import { driftOver, ppmSays, type RateReport, type RateWay } from './rate-way.ts';

const UNKNOWN: Graded = { grade: 'unknown', word: 'Unknown' };

/** The rates of the job, as the timer and the train keep them. (handbook: follow) */
export const rateReports = (drive: Drive, k: Kinematics): readonly RateReport[] =>
  (drive.job.rates ?? []).map((rate, at) => rateReport(drive, k, rate, at));

function rateReport(drive: Drive, k: Kinematics, rate: Rate, at: number): RateReport {
  const { timer } = drive;
  const period = periodOf(rate);
  const N = k.stepsPerTurn;
  const timing = N && timer ? timingOf(N, period, timer) : null;
  const ways = timing && timer ? waysOf(timing, timer, period) : N ? [] : runs(drive, k, period);
  const wanted = timer?.how === 'fixed' ? 'fixed' : 'spread';
  const chosen = ways.find((w) => w.how === wanted) ?? ways[0] ?? null;
  const key = `rate.${at}`;
  const clock = timer?.tolerancePpm === undefined ? null : clockSays(timer, period);
  return {
    key,
    rate,
    name: rateName(rate),
    sense: rate.reverse ? 'back' : 'forward',
    period,
    timing,
    ways,
    chosen,
    graded: chosen?.graded ?? { ...UNKNOWN, word: N ? 'No timer given' : 'Unknown' },
    figures: figuresOf(drive, k, { key, rate, period, timing, chosen }),
    clock,
    says: sentences(timer, timing, period, N),
    drift: chosen && drawn(ways, chosen, timer, period, key),
  };
}

function waysOf(timing: Timing, timer: Timer, period: Rational): readonly RateWay[] {
  const { spread, fixed, beside, even } = timing;
  const q = whole(spread.q);
  const way = (how: RateWay['how'], title: string, ticks: Rich, off: Rational, graded: Graded): RateWay => ({
    how,
    title,
    ticks,
    off,
    ppm: ppmSays(off),
    fiveMinutes: signedAngle(driftOver(off, period, 300)),
    hour: signedAngle(driftOver(off, period, 3600)),
    day: signed(measured(secondsADay(off)), secondsADay(off)),
    graded,
  });
  const fit = (graded: Graded): Graded =>
    timing.fits
      ? graded
      : { grade: 'misses', word: timing.fixed ? `Over ${timer.bits ?? 16} bits` : 'Too fast' };
  const shared = way(
    'spread',
    even ? `Always ${q}` : `Share ${q} and ${whole(spread.q + 1n)}`,
    mixed(timing.interval),
    rational(0),
    fit(even ? { grade: 'even', word: 'Even' } : { grade: 'rounded', word: 'Rounded ±1 tick' }),
  );
  if (even) return [shared];
  const always = (how: 'fixed' | 'beside', f: typeof fixed): readonly RateWay[] =>
    f ? [way(how, `Always ${whole(f.ticks)}`, [whole(f.ticks)], f.off, fit(gradeOff(f.off, timer)))] : [];
  return [shared, ...always('fixed', fixed), ...always('beside', beside)];
}

/** Within what is allowed it is rounded; else it misses by the rest. */
function gradeOff(off: Rational, timer: Timer | undefined): Graded {
  if (isZero(off)) return { grade: 'even', word: 'Even' };
  const within = timer?.withinPpm;
  const over = within === undefined ? 0 : Math.abs(ppm(off)) - within;
  return over > 0
    ? { grade: 'misses', word: `Misses by ${measured(over)} ppm` }
    : { grade: 'rounded', word: 'Rounded' };
}

/** A source that runs by itself: its own speed against the one that is wanted. */
function runs(drive: Drive, k: Kinematics, period: Rational): readonly RateWay[] {
  if (k.speed.estimate) return [];
  const made = div(mul(rational(60), abs(k.reduction)), k.speed.rpm);
  const off = sub(div(period, made), rational(1));
  return [
    {
      how: 'runs',
      title: `One turn in ${grouped(decimal(made, 4))} s`,
      ticks: mixed(made),
      off,
      ppm: ppmSays(off),
      fiveMinutes: signedAngle(driftOver(off, period, 300)),
      hour: signedAngle(driftOver(off, period, 3600)),
      day: signed(measured(secondsADay(off)), secondsADay(off)),
      graded: gradeOff(off, drive.timer),
    },
  ];
}

function clockSays(timer: Timer, period: Rational): RateReport['clock'] {
  const off = clockOff(timer);
  return {
    ppm: `±${measured(ppm(off))} ppm`,
    hour: `±${signedAngle(driftOver(off, period, 3600)).replace('+', '')}`,
    says: `The clock itself may bring ±${measured(ppm(off))} ppm, which is ±${measured(driftOver(off, period, 3600))}″ in an hour.`,
  };
}

const ORDER: readonly Grade[] = ['misses', 'unknown', 'rounded', 'even'];

/** The rate that is kept worst; null for none. */
export function worstRate(rates: readonly RateReport[]): RateReport | null {
  return rates.reduce<RateReport | null>((worst, r) => {
    if (!worst) return r;
    const [a, b] = [ORDER.indexOf(r.graded.grade), ORDER.indexOf(worst.graded.grade)];
    if (a !== b) return a < b ? r : worst;
    return r.chosen && worst.chosen && compare(abs(r.chosen.off), abs(worst.chosen.off)) > 0 ? r : worst;
  }, null);
}

/** "follows the stars and two more", for the title. */
export function followsSay(rates: readonly Rate[]): string {
  const [first] = rates;
  if (!first) return '';
  const the = first.name || first.kind === 'period' ? rateName(first) : `the ${rateName(first)}`;
  return `follows ${the.replace('the half ', 'half the ')}${rates.length > 1 ? ` and ${counted(rates.length - 1, 'more', 'more')}` : ''}`;
}
