import { decimal, div, isZero, mul, rational, toText, type Rational } from '../../numbers/index.ts';
import { ratePeriods, type Drive, type Kinematics, type Rate, type Timer } from '../../drive/index.ts';
import { clockOff, overheadSeconds, ppm, tickHz, type Timing } from '../../follow/index.ts';
import type { Figure } from '../figure.ts';
import { fraction, grouped, measured, mixed, signed, signedAngle, timeText, whole } from '../text.ts';
import { stepsFigure } from '../train.ts';
import { figureOf, worked, type DutyChart } from './duty.ts';
import { driftOver, ppmSays, type RateWay } from './rate-way.ts';

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

export function sentences(
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

/** A session when none is given, minutes. */
const SESSION_MINUTES = 60;

export function drawn(
  ways: readonly RateWay[],
  chosen: RateWay,
  timer: Timer | undefined,
  period: Rational,
  key: string,
): DutyChart {
  const session = timer?.sessionMinutes ?? SESSION_MINUTES;
  const straight = (off: Rational): [number, number][] =>
    [0, session].map((m) => [m, driftOver(off, period, m * 60)]);
  const clock = timer ? clockOff(timer) : rational(0);
  const other = ways.find((w) => w !== chosen);
  return {
    key: `${key}.drift`,
    title:
      session === SESSION_MINUTES ? 'Drift over an hour' : `Drift over ${timeText(session * 60).join(' ')}`,
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
    says: `${chosen.title}: ${signedAngle(driftOver(chosen.off, period, session * 60))} at its end${isZero(clock) ? '' : `, and the clock ±${measured(driftOver(clock, period, session * 60))}″`}.`,
  };
}
