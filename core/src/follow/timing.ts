import {
  abs,
  add,
  div,
  exactly,
  floor,
  isWhole,
  mul,
  rational,
  round,
  sub,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import type { Timer } from '../drive/index.ts';

/** Intervals of q ticks, and of q + 1 as often as num in den. `num` 0 is one interval always. (handbook: follow) */
export interface Spread {
  readonly q: bigint;
  readonly num: bigint;
  readonly den: bigint;
}

/** One fixed interval, and what it does to the rate: positive is fast. */
export interface Fixed {
  readonly ticks: bigint;
  /** wanted over made, less one; exact */
  readonly off: Rational;
}

/** How a timer keeps a rate of steps. */
export interface Timing {
  readonly stepsPerSecond: Rational;
  /** ticks between two steps, less what each step takes anyway; exact */
  readonly interval: Rational;
  /** the nearest, and the one at its other side; null when the interval rounds to no tick at all */
  readonly fixed: Fixed | null;
  readonly beside: Fixed | null;
  readonly spread: Spread;
  /** the counter holds the longest of these intervals */
  readonly fits: boolean;
  /** F·T is whole */
  readonly even: boolean;
}

/** Ticks a second of what waits: the timer's, or 1 000 or 1 000 000 for a loop that waits whole milliseconds or microseconds. */
export function tickHz(timer: Timer): Rational {
  switch (timer.waits ?? 'timer') {
    case 'ms':
      return rational(1000);
    case 'us':
      return rational(1_000_000);
    case 'timer':
      return exactly(timer.tickHz);
  }
}

/** What one step takes besides the wait, seconds; exact. */
export const overheadSeconds = (timer: Timer): Rational =>
  timer.overheadUs === undefined ? rational(0) : div(exactly(timer.overheadUs), rational(1_000_000));

/**
 * How `steps` a turn, one turn in `period` seconds, come out in ticks. Both above 0. Throws a RangeError for no steps.
 * (handbook: follow)
 */
export function timingOf(steps: Rational, period: Rational, timer: Timer): Timing {
  const hz = tickHz(timer);
  const wanted = div(period, steps);
  const over = overheadSeconds(timer);
  const interval = mul(hz, sub(wanted, over));
  const ticks = round(interval);
  const q = floor(interval);
  const part = sub(interval, rational(q));
  const fixedAt = (n: bigint): Fixed | null => {
    if (n < 1n) return null;
    const made = sub(div(wanted, add(div(rational(n), hz), over)), rational(1));
    return { ticks: n, off: made };
  };
  const longest = timer.how === 'fixed' ? ticks : isWhole(interval) ? q : q + 1n;
  const bits = timer.bits ?? 16;
  return {
    stepsPerSecond: div(steps, period),
    interval,
    fixed: fixedAt(ticks),
    beside: isWhole(interval) ? null : fixedAt(ticks === q ? q + 1n : q),
    spread: { q, num: part.n, den: part.d },
    fits: ticks >= 1n && longest <= (1n << BigInt(bits)) - 1n,
    even: isWhole(interval),
  };
}

/** The first `count` intervals by error diffusion, in ticks: a sum gains num, and pays den back with a longer wait. (handbook: follow) */
export function* intervals({ q, num, den }: Spread, count: number): Generator<bigint> {
  let sum = 0n;
  for (let i = 0; i < count; i++) {
    sum += num;
    if (sum >= den) {
      sum -= den;
      yield q + 1n;
    } else yield q;
  }
}

/** Parts in a million. */
export const ppm = (off: Rational): number => toNumber(mul(off, rational(1_000_000)));

/** What a rate that is off does at the work: ″ in an hour. The period in seconds. */
export const arcsecAnHour = (off: Rational, period: Rational): number =>
  toNumber(div(mul(off, rational(1_296_000n * 3600n)), period));

export const secondsADay = (off: Rational): number => toNumber(mul(off, rational(86_400)));

/** The greatest the clock itself may bring, as `off` is given. */
export const clockOff = (timer: Timer): Rational =>
  abs(div(exactly(String(timer.tolerancePpm ?? 0)), rational(1_000_000)));
