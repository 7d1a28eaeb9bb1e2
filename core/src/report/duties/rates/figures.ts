import {
  decimal,
  div,
  isZero,
  mul,
  piText,
  piToNumber,
  rational,
  toNumber,
  toText,
  type Rational,
} from '../../../numbers/index.ts';
import {
  ratePeriods,
  type Drive,
  type Kinematics,
  type Rate,
  type Timer,
  counterBits,
  tickHz,
} from '../../../drive/index.ts';
import { doubtOf, isSure } from '../../../motion/index.ts';
import { clockOff, largestCause, ofRate, overheadSeconds, ppm, type Timing } from '../../../follow/index.ts';
import {
  type Figure,
  fraction,
  grouped,
  measured,
  mixed,
  type Rich,
  signed,
  timeText,
  whole,
  type WorkingLine,
} from '../../../words/index.ts';
import { stepsFigure } from '../../train/train.ts';
import { figureOf, worked, type DutyChart } from '../duty.ts';
import { CAUSES } from './causes.ts';
import { driftOver, driftText, ppmMessage, type RateWay } from './way.ts';

interface Kept {
  readonly key: string;
  readonly rate: Rate;
  readonly period: Rational;
  readonly timing: Timing | null;
  readonly chosen: RateWay | null;
}

export function figuresOf(
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
  const N = k.stepsPerWorkTurn;
  if (!timing || !timer || !N)
    return chosen
      ? [
          figureOf({
            key: `${key}.off`,
            label: 'rate, off by',
            value: toText(chosen.off),
            text: [chosen.ppm, { unit: 'ppm' }],
            exact: isSure(doubtOf(k)),
            from: [...turn, worked('the work turns once in', [...chosen.ticks, ' s'], true)],
          }),
        ]
      : [];
  const over = overheadSeconds(timer);
  const wait = [
    ...turn,
    worked('steps a turn', stepsFigure(drive, k).text, true),
    timing.holdsPi
      ? worked('one step', `${(1 / toNumber(timing.stepsPerSecond)).toPrecision(12)} s`)
      : worked('one step', [...fraction(div(period, N.q)), ' s'], true),
    worked(
      { timer: 'ticks a second', ms: 'waits whole milliseconds', us: 'waits whole microseconds' }[
        timer.waits ?? 'timer'
      ],
      [...mixed(tickHz(timer)), ' Hz'],
      true,
    ),
    ...(isZero(over) ? [] : [worked('overhead per step', `${timer.overheadUs} µs`, true)]),
    ...(timing.holdsPi ? [worked('steps a turn, exactly', piText(N), true)] : []),
  ];
  const ticks = figureOf({
    key: `${key}.ticks`,
    label: 'ticks between two steps',
    value: timing.holdsPi ? toNumber(timing.interval) : toText(timing.interval),
    text: timing.holdsPi ? [`${grouped(decimal(timing.interval, 4))}…`] : mixed(timing.interval),
    exact: isSure(doubtOf(k)) && !timing.holdsPi,
    from: wait,
  });
  const rateOf = figureOf({
    key: `${key}.steps`,
    label: 'steps a second',
    value: timing.holdsPi ? toNumber(timing.stepsPerSecond) : toText(timing.stepsPerSecond),
    text: [grouped(decimal(timing.stepsPerSecond, 4)), { unit: 'steps/s' }],
    exact: false,
    from: [...turn, worked('steps a turn', stepsFigure(drive, k).text, true)],
  });
  return [
    ticks,
    rateOf,
    ...(chosen ? [offFigure(key, chosen, wait, timing), meanFigure(key, chosen, wait)] : []),
  ];
}

/** What the steps alone leave in the long run, with what comes on top of it in the working. */
function meanFigure(key: string, chosen: RateWay, wait: readonly WorkingLine[]): Figure {
  return figureOf({
    key: `${key}.mean`,
    label: 'rate, off by its steps',
    value: ppm(chosen.off),
    text: [chosen.ppm, { unit: 'ppm' }],
    exact: isZero(chosen.off),
    from: [
      ...wait,
      worked('waits', chosen.title, true),
      ...ofRate(chosen.causes)
        .filter((c) => c.id !== 'rounding' && c.ppm !== 0)
        .map((c) =>
          worked(`besides, ${CAUSES[c.id].label}`, `${c.sign === 'either' ? '±' : ''}${measured(c.ppm)} ppm`),
        ),
    ],
  });
}

/** What the verdict shows where it is not even: the largest of all causes, for a rate is no truer than that. */
function offFigure(key: string, chosen: RateWay, wait: readonly WorkingLine[], timing: Timing): Figure {
  const largest = largestCause(chosen.causes);
  const either = largest.sign === 'either';
  const text: Rich =
    largest.ppm === 0
      ? ['0', { unit: 'ppm' }]
      : [
          either ? `±${measured(Math.abs(largest.ppm))}` : signed(measured(largest.ppm), largest.ppm),
          { unit: 'ppm' },
        ];
  return figureOf({
    key: `${key}.off`,
    label: 'rate, off by at most',
    value: largest.ppm,
    text,
    exact: largest.ppm === 0,
    from: [
      ...wait,
      worked(
        'ticks between two steps',
        timing.holdsPi ? `${decimal(timing.interval, 6)}…` : mixed(timing.interval),
        !timing.holdsPi,
      ),
      worked('waits', chosen.title, true),
      ...(chosen.how === 'spread'
        ? [worked('in the long run', `${chosen.ppm} ppm; never more than one tick early`, true)]
        : [worked('in an hour', chosen.hour), worked('in a day', `${chosen.day} s`)]),
      ...chosen.causes.map((c) =>
        worked(CAUSES[c.id].label, `${c.sign === 'either' ? '±' : ''}${measured(c.ppm)} ppm`),
      ),
      worked('the largest', CAUSES[largest.id].label, true),
    ],
  });
}

export function sentences(
  timer: Timer | undefined,
  timing: Timing | null,
  period: Rational,
  steps: boolean,
): readonly string[] {
  if (!steps) return [];
  if (!timer)
    return ['Give the controller that makes the steps: its timer rate, and how wide its counter is.'];
  if (!timing) return [];
  const out: string[] = [];
  if (!timing.fits)
    out.push(
      timing.fixed
        ? `The counter of ${counterBits(timer)} bits is too narrow for ${whole(timing.spread.q + 1n)} ticks: take a coarser prescaler, or count overflows in software.`
        : 'The steps come faster than the ticks: take a faster clock, or coarser microsteps.',
    );
  if (timing.tooFast)
    out.push(
      `${grouped(decimal(timing.stepsPerSecond, 1))} steps a second are more than the controller can make: coarser microsteps, or less reduction.`,
    );
  if (timing.holdsPi)
    out.push(
      'The interval holds π: what alternates is the nearest fraction of 16 bits, and these are the constants at the start of the arm.',
    );
  if (!timing.even && timing.fits)
    out.push(
      `Alternating, the pattern repeats after ${whole(timing.spread.den)} steps: a sum gains ${whole(timing.spread.num)} a step, and one tick is added when it overflows ${whole(timing.spread.den)}.`,
    );
  if (timing.fixed && !timing.even && Math.abs(ppm(timing.fixed.off)) > 1)
    out.push(
      `One interval always would be off by ${ppmMessage(timing.fixed.off)} ppm, ${measured(Math.abs(driftOver(timing.fixed.off, period, 3600)))}″ in an hour.`,
    );
  return out;
}

/** A session when none is given, minutes. */
const SESSION_MINUTES = 60;

export function drawn(
  ways: readonly RateWay[],
  chosen: RateWay,
  timer: Timer | undefined,
  period: Rational,
  key: string,
  k: Kinematics,
): DutyChart {
  const session = timer?.sessionMinutes ?? SESSION_MINUTES;
  // one unit a picture: that of what is drawn at its end
  const far = Math.max(...chosen.causes.map((c) => Math.abs(c.ppm)), 1e-9) / 1e6;
  const reach = (far * 1_296_000 * session * 60) / toNumber(period);
  const [unit, scale] = k.travel
    ? (['mm', piToNumber(k.travel) / 1_296_000] as const)
    : reach < 120
      ? (['″', 1] as const)
      : reach < 7200
        ? (['′', 1 / 60] as const)
        : (['°', 1 / 3600] as const);
  const straight = (off: Rational): [number, number][] =>
    [0, session].map((m) => [m, driftOver(off, period, m * 60) * scale]);
  const clock = timer ? clockOff(timer) : rational(0);
  const other = ways.find((w) => w !== chosen);
  return {
    key: `${key}.drift`,
    title:
      session === SESSION_MINUTES ? 'Drift over an hour' : `Drift over ${timeText(session * 60).join(' ')}`,
    x: 'min',
    y: unit,
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
    message: `${chosen.title}: ${driftText(k, chosen.off, period, session * 60)} at its end${isZero(clock) ? '' : `, and the clock ±${driftText(k, clock, period, session * 60).replace('+', '')}`}.`,
  };
}
