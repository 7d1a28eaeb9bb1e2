import {
  abs,
  compare,
  decimal,
  div,
  isZero,
  mul,
  rational,
  sub,
  toNumber,
  toText,
  type Rational,
} from '../../numbers/index.ts';
import { ratePeriods, type Drive, type Kinematics, type Rate, type Timer } from '../../drive/index.ts';
import type { Grade } from '../../divide/index.ts';
import {
  arcsecAnHour,
  clockOff,
  overheadSeconds,
  periodOf,
  ppm,
  rateName,
  secondsADay,
  tickHz,
  timingOf,
  type Timing,
} from '../../follow/index.ts';
import type { Figure, Graded } from '../figure.ts';
import { stepsFigure } from '../train.ts';
import { counted, fraction, grouped, measured, mixed, signed, signedAngle, whole } from '../text.ts';
import type { Rich } from '../rich.ts';
import { figureOf, worked, type DutyChart } from './duty.ts';

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

const UNKNOWN: Graded = { grade: 'unknown', word: 'Unknown' };

/** The rates of the job, as the timer and the train keep them. (handbook: follow) */
export const rateReports = (drive: Drive, k: Kinematics): readonly RateReport[] =>
  (drive.job.rates ?? []).map((rate, at) => rateReport(drive, k, rate, at));

const ppmSays = (off: Rational): string => {
  const value = ppm(off);
  return value === 0 ? '0' : signed(measured(value), value);
};
const driftOver = (off: Rational, period: Rational, seconds: number): number =>
  (arcsecAnHour(off, period) * seconds) / 3600;

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
    timing.fits ? graded : { grade: 'misses', word: `Over ${timer.bits ?? 16} bits` };
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

interface Kept {
  readonly key: string;
  readonly rate: Rate;
  readonly period: Rational;
  readonly timing: Timing | null;
  readonly chosen: RateWay | null;
}

function figuresOf(
  drive: Drive,
  k: Kinematics,
  { key, rate, period, timing, chosen }: Kept,
): readonly Figure[] {
  const { timer } = drive;
  const label = ratePeriods[rate.kind].title.toLowerCase();
  const turn = [
    worked(
      `one turn, ${label}${rate.half ? ', half as fast' : ''}`,
      period.d < 10n ** 12n ? [...mixed(period), ' s'] : `${decimal(period, 6)} s`,
      true,
    ),
  ];
  if (!timing || !timer || !k.stepsPerTurn)
    return chosen
      ? [
          figureOf({
            key: `${key}.off`,
            label: 'rate, off by',
            value: toText(chosen.off),
            text: [chosen.ppm, { unit: 'ppm' }],
            exact: k.inexact.length === 0,
            from: [...turn, worked('the work turns once in', [...chosen.ticks, ' s'], true)],
          }),
        ]
      : [];
  const over = overheadSeconds(timer);
  const wait = [
    ...turn,
    worked('steps a turn', stepsFigure(drive, k).text, true),
    worked('one step', [...fraction(div(period, k.stepsPerTurn)), ' s'], true),
    worked(
      { timer: 'ticks a second', ms: 'waits whole milliseconds', us: 'waits whole microseconds' }[
        timer.waits ?? 'timer'
      ],
      [...mixed(tickHz(timer)), ' Hz'],
      true,
    ),
    ...(isZero(over) ? [] : [worked('besides, each step takes', `${timer.overheadUs} µs`, true)]),
  ];
  const ticks = figureOf({
    key: `${key}.ticks`,
    label: 'ticks between two steps',
    value: toText(timing.interval),
    text: mixed(timing.interval),
    exact: k.inexact.length === 0,
    from: wait,
  });
  const rateOf = figureOf({
    key: `${key}.steps`,
    label: 'steps a second',
    value: toText(timing.stepsPerSecond),
    text: [grouped(decimal(timing.stepsPerSecond, 4)), { unit: 'steps/s' }],
    exact: false,
    from: [...turn, worked('steps a turn', stepsFigure(drive, k).text, true)],
  });
  const off =
    chosen &&
    figureOf({
      key: `${key}.off`,
      label: 'rate, off by',
      value: toText(chosen.off),
      text:
        chosen.off.n === 0n
          ? ['0', { unit: 'ppm' }]
          : [signed(measured(ppm(chosen.off)), ppm(chosen.off)), { unit: 'ppm' }],
      exact: chosen.off.n === 0n,
      from: [
        ...wait,
        worked('ticks between two steps', mixed(timing.interval), true),
        worked('waits', chosen.title, true),
        ...(chosen.how === 'spread'
          ? [worked('in the long run', 'exactly right; never more than one tick early', true)]
          : [worked('in an hour', chosen.hour), worked('in a day', `${chosen.day} s`)]),
      ],
    });
  return [ticks, rateOf, ...(off ? [off] : [])];
}

function sentences(
  timer: Timer | undefined,
  timing: Timing | null,
  period: Rational,
  N: Rational | null,
): readonly string[] {
  if (!N) return [];
  if (!timer)
    return ['Give the timer that makes the steps: its ticks a second, and how wide its counter is.'];
  if (!timing) return [];
  const out: string[] = [];
  if (!timing.fits)
    out.push(
      timing.fixed
        ? `The counter of ${timer.bits ?? 16} bits is too narrow for ${whole(timing.spread.q + 1n)} ticks: take a coarser prescaler, or count overflows in software.`
        : 'The steps come faster than the ticks: take a faster clock, or coarser microsteps.',
    );
  if (!timing.even && timing.fits)
    out.push(
      `Shared, the pattern repeats after ${whole(timing.spread.den)} steps: a sum gains ${whole(timing.spread.num)}; at ${whole(timing.spread.den)} it pays back with one tick more.`,
    );
  if (timing.fixed && !timing.even && Math.abs(ppm(timing.fixed.off)) > 1)
    out.push(
      `One interval always would be off by ${ppmSays(timing.fixed.off)} ppm, ${measured(Math.abs(driftOver(timing.fixed.off, period, 3600)))}″ in an hour.`,
    );
  return out;
}

/** A session of an hour, in minutes, error in ″ at the work. */
const SESSION_MINUTES = 60;

function drawn(
  ways: readonly RateWay[],
  chosen: RateWay,
  timer: Timer | undefined,
  period: Rational,
  key: string,
): DutyChart {
  const straight = (off: Rational): [number, number][] =>
    [0, SESSION_MINUTES].map((m) => [m, driftOver(off, period, m * 60)]);
  const clock = timer ? clockOff(timer) : rational(0);
  const other = ways.find((w) => w !== chosen);
  return {
    key: `${key}.drift`,
    title: 'Drift over an hour',
    x: 'min',
    y: '″',
    series: [
      { name: chosen.title, points: straight(chosen.off), look: 'main' },
      ...(other ? [{ name: other.title, points: straight(other.off), look: 'second' as const }] : []),
      ...(isZero(clock)
        ? []
        : [
            { name: 'clock at its worst', points: straight(clock), look: 'limit' as const },
            { name: '', points: straight(mul(clock, rational(-1))), look: 'limit' as const },
          ]),
    ],
    says: `${chosen.title}: ${chosen.hour} after an hour${isZero(clock) ? '' : `, and the clock ±${measured(driftOver(clock, period, 3600))}″`}.`,
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
