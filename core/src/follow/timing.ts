import {
  abs,
  add,
  compare,
  div,
  exactly,
  floor,
  isWhole,
  mul,
  nearestFraction,
  nearPi,
  rational,
  round,
  sub,
  toNumber,
  type PiValue,
  type Rational,
} from '../numbers/index.ts';
import { counterBits, tickHz, type Timer } from '../drive/index.ts';

/** Intervals of q ticks, and of q + 1 as often as num in den. `num` 0 is one interval always. (handbook: follow) */
export interface Spread {
  readonly q: bigint;
  readonly num: bigint;
  readonly den: bigint;
}

/** One fixed interval, and what it does to the rate: positive is fast. */
export interface Fixed {
  readonly ticks: bigint;
  /** wanted over made, less one; exact, or by 70 figures of π */
  readonly off: Rational;
}

/** How a timer keeps a rate of steps. */
export interface Timing {
  /** exact, or by 70 figures of π */
  readonly stepsPerSecond: Rational;
  /** ticks between two steps, less what each step takes anyway; exact, or by 70 figures of π */
  readonly interval: Rational;
  /** the steps of a turn hold π, and so does the interval: what is shared out is the nearest fraction of 16 bits */
  readonly holdsPi: boolean;
  /** the nearest, and the one at its other side; null when the interval rounds to no tick at all */
  readonly fixed: Fixed | null;
  readonly beside: Fixed | null;
  readonly spread: Spread;
  /** what the shared intervals leave in the long run: 0, but where π is cut off */
  readonly spreadOff: Rational;
  /** the counter holds the longest of these intervals */
  readonly fits: boolean;
  /** faster than the controller can step */
  readonly tooFast: boolean;
  /** F·T is whole */
  readonly even: boolean;
}

/** What one step takes besides the wait, seconds; exact. */
export const overheadSeconds = (timer: Timer): Rational =>
  timer.overheadUs === undefined ? rational(0) : div(exactly(timer.overheadUs), rational(1_000_000));

/** The longest wait a counter holds, ticks. */
export const longestWait = (timer: Timer): bigint => (1n << BigInt(counterBits(timer))) - 1n;

/** Less than a thousandth of a part in a million is none: no clock is told apart so finely. */
const shown = (off: Rational): Rational => (compare(abs(off), NONE) < 0 ? rational(0) : off);
const NONE = rational(1n, 10n ** 9n);

/** A denominator of what is shared out where the interval holds π. */
const SHARED = 65_536n;

/**
 * How `steps` a turn, one turn in `period` seconds, come out in ticks. Both above 0. Throws a RangeError for no steps.
 * (handbook: follow)
 */
export function timingOf(steps: PiValue, period: Rational, timer: Timer): Timing {
  const hz = tickHz(timer);
  const holdsPi = steps.piPower !== 0;
  const perSecond = div(nearPi(steps), period);
  const wanted = div(rational(1), perSecond);
  const over = overheadSeconds(timer);
  const interval = mul(hz, sub(wanted, over));
  const ticks = round(interval);
  const q = floor(interval);
  const made = (wait: Rational): Rational => sub(div(wanted, add(div(wait, hz), over)), rational(1));
  const fixedAt = (n: bigint): Fixed | null => (n < 1n ? null : { ticks: n, off: made(rational(n)) });
  const part = holdsPi ? nearestFraction(sub(interval, rational(q)), SHARED) : sub(interval, rational(q));
  const even = isWhole(interval);
  const longest = timer.how === 'fixed' ? ticks : even ? q : q + 1n;
  return {
    stepsPerSecond: perSecond,
    interval,
    holdsPi,
    fixed: fixedAt(ticks),
    beside: even ? null : fixedAt(ticks === q ? q + 1n : q),
    spread: { q, num: part.n, den: part.d },
    spreadOff: holdsPi && q >= 1n ? shown(made(add(rational(q), part))) : rational(0),
    fits: ticks >= 1n && longest <= longestWait(timer),
    tooFast:
      timer.maxStepsPerSecond !== undefined && compare(perSecond, exactly(timer.maxStepsPerSecond)) > 0,
    even,
  };
}

/** The first `count` intervals by error diffusion, in ticks: a sum gains num, and one tick is added when it overflows den. (handbook: follow) */
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
