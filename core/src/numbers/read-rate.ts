import { ARCSEC_PER_TURN, positive, SAID_BY_NUMBERS, type Units } from './read-quantity.ts';
import { plain, readNumber } from './read-number.ts';
import { add, compare, div, isNegative, isZero, mul, ONE, rational, type Rational } from './rational.ts';
import { error, ok, type Result } from './refusal.ts';

export const SECONDS: Units = [
  [/^(µs|μs|us)$/, rational(1n, 1_000_000n)],
  [/^(ms|millis|milliseconds?)$/, rational(1n, 1000n)],
  [/^(s|sec|secs|seconds?)$/, ONE],
  [/^(m|min|mins|minutes?)$/, rational(60n)],
  [/^(h|hr|hrs|hours?)$/, rational(3600n)],
  [/^(d|days?)$/, rational(86_400n)],
];

const TURNS: readonly (readonly [RegExp, Rational])[] = [
  [/^(turns?|rev|revs)$/, ONE],
  [/^(°|deg|degrees?)$/, rational(1n, 360n)],
  [/^(′|'|arcmin)$/, rational(1n, 21_600n)],
  [/^(″|''|"|arcsec)$/, rational(1n, ARCSEC_PER_TURN)],
];

const unit = (units: readonly (readonly [RegExp, Rational])[], name: string): Rational | null =>
  units.find(([pattern]) => pattern.test(name))?.[1] ?? null;

/** Turns a second of what is written after a number: "rpm", "°/h", "turns a day"; null when it is no rate. */
function rateUnit(name: string): Rational | null {
  if (name === 'rpm') return rational(1n, 60n);
  if (name === 'rps') return ONE;
  const [, top, bottom] = /^(\S+)\s*(?:\/|a |an |per )\s*(\S+)$/.exec(name) ?? [];
  const turns = top === undefined ? null : unit(TURNS, top);
  const seconds = bottom === undefined ? null : unit(SECONDS, bottom);
  return turns && seconds && div(turns, seconds);
}

/** mm a second of "0.5 mm/min", exact; null when that is not what is written. */
export function readSpeed(text: string): Rational | null {
  const [, figure, time] = /^(.+?)\s*mm\s*(?:\/|a |an |per )\s*(\S+)$/.exec(plain(text).toLowerCase()) ?? [];
  const seconds = time === undefined ? null : unit(SECONDS, time);
  const read = figure === undefined ? null : readNumber(figure);
  return seconds && read?.ok && !isZero(read.value) && !isNegative(read.value)
    ? div(read.value, seconds)
    : null;
}

/**
 * Seconds for one turn, exact and above 0: `86164.0905`, `24 h`, `23 h 56 min 4.09 s`, `23:56:04.09`, `2 turns in 24 h`, `0.5 rpm`, `15 °/h`,
 * `15.041 ″/s`, `2 turns a day`.
 * A number alone is seconds. (handbook: follow)
 */
export function readPeriod(text: string): Result<Rational> {
  const [, turnsIn, s] = /^(?:(.+?) turns? in\s+)?(.*)$/.exec(plain(text).toLowerCase())!;
  if (turnsIn !== undefined) {
    const many = readNumber(turnsIn.replace(/^one$/, '1'));
    const time = many.ok ? readPeriod(s!) : many;
    if (!many.ok || !time.ok) return error('notPeriod', text);
    const checked = positive(many.value, text);
    return checked.ok ? ok(div(time.value, checked.value)) : checked;
  }
  return readTime(s!, text);
}

/** `23:56:04.09`, hours, minutes and seconds; `1:30` of two parts, the first of which is told. */
const CLOCK_TIME = /^(\d+):([0-5]?\d):([0-5]?\d(?:\.\d+)?)$/;
const TWO_PARTS = /^(\d+):([0-5]?\d(?:\.\d+)?)$/;
const TIME_PART = /(\d*[.,]?\d+)\s*([a-z]+)\s*/g;

/** A time of several parts, each of a lesser unit than the one before, s: `1 h 30 min`; `1:30` begins with `first`. null when it is none. */
export function timeOfParts(s: string, first: 'h' | 'min' = 'h'): Rational | null {
  const two = TWO_PARTS.exec(s);
  const clock = CLOCK_TIME.exec(s) ?? two;
  const names = two ? (first === 'h' ? ['h', 'min'] : ['min', 's']) : ['h', 'min', 's'];
  const parts = clock
    ? names.map((name, i) => [clock[i + 1]!, name])
    : [...s.matchAll(TIME_PART)].map((m) => [m[1]!, m[2]!]);
  if (!clock && (parts.length < 2 || s.replace(TIME_PART, '') !== '')) return null;
  let sum = rational(0n);
  let last: Rational | null = null;
  for (const [figure, name] of parts) {
    const size = unit(SECONDS, name!);
    const read = readNumber(figure!);
    if (!size || !read.ok || (last && compare(size, last) >= 0)) return null;
    sum = add(sum, mul(read.value, size));
    last = size;
  }
  return sum;
}

/** The same without the turns. */
function readTime(s: string, text: string): Result<Rational> {
  const bare = readNumber(s);
  if (bare.ok) return positive(bare.value, text);
  if (SAID_BY_NUMBERS.includes(bare.refusal.code))
    return { ok: false, refusal: { example: '24 h', ...bare.refusal } };
  const parts = timeOfParts(s);
  if (parts) return positive(parts, text);
  const [, figure, name] = /^([+-]?[\d.,][\d.,/ ]*?)\s*([^\d\s.,/].*)$/.exec(s) ?? [];
  const read = figure === undefined ? null : readNumber(figure);
  if (!read?.ok || name === undefined) return error('notPeriod', text);
  const checked = positive(read.value, text);
  if (!checked.ok) return checked;
  const seconds = unit(SECONDS, name);
  if (seconds) return ok(mul(checked.value, seconds));
  const turns = rateUnit(name);
  return turns ? ok(div(ONE, mul(checked.value, turns))) : error('notPeriod', text);
}

const HERTZ: readonly (readonly [RegExp, Rational])[] = [
  [/^(hz|ticks\/s)$/, ONE],
  [/^khz$/, rational(1000n)],
  [/^mhz$/, rational(1_000_000n)],
];

/** A tick rate in Hz, exact and above 0: `250000`, `250 kHz`, `16 MHz / 64` for a clock behind a prescaler. (handbook: follow) */
export function readClock(text: string): Result<Rational> {
  const s = plain(text).toLowerCase();
  const bare = readNumber(s);
  if (bare.ok) return positive(bare.value, text);
  if (SAID_BY_NUMBERS.includes(bare.refusal.code))
    return { ok: false, refusal: { example: '16 MHz / 64', ...bare.refusal } };
  const [, figure, name, by] = /^([\d.]+)\s*([a-z]+)(?:\s*[/÷]\s*(\d+))?$/.exec(s) ?? [];
  const hertz = name === undefined ? null : unit(HERTZ, name);
  const read = figure === undefined ? null : readNumber(figure);
  if (!hertz || !read?.ok) return error('notClock', text);
  if (by !== undefined && /^0+$/.test(by)) return error('zeroDenominator', text);
  return positive(div(mul(read.value, hertz), rational(BigInt(by ?? '1'))), text);
}
