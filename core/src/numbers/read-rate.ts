import { ARCSEC_PER_TURN, positive } from './read-quantity.ts';
import { plain, readNumber } from './read-number.ts';
import { div, isNegative, isZero, mul, ONE, rational, type Rational } from './rational.ts';
import { error, ok, type Result } from './refusal.ts';

const SECONDS: readonly (readonly [RegExp, Rational])[] = [
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
 * Seconds for one turn, exact and above 0: `86164.0905`, `24 h`, `1 turn in 24 h`, `0.5 rpm`, `15 °/h`, `15.041 ″/s`, `2 turns a day`.
 * A number alone is seconds. (handbook: follow)
 */
export function readPeriod(text: string): Result<Rational> {
  const s = plain(text)
    .toLowerCase()
    .replace(/^(?:1|one) turn in\s+/, '');
  const bare = readNumber(s);
  if (bare.ok) return positive(bare.value, text);
  if (['empty', 'exponent', 'decimalComma', 'zeroDenominator'].includes(bare.refusal.code))
    return error(bare.refusal.code, text, { example: '24 h' });
  const [, figure, name] = /^([+-]?[\d.][\d./ ]*?)\s*([^\d\s./].*)$/.exec(s) ?? [];
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
  if (['empty', 'exponent', 'decimalComma', 'zeroDenominator'].includes(bare.refusal.code))
    return error(bare.refusal.code, text, { example: '16 MHz / 64' });
  const [, figure, name, by] = /^([\d.]+)\s*([a-z]+)(?:\s*[/÷]\s*(\d+))?$/.exec(s) ?? [];
  const hertz = name === undefined ? null : unit(HERTZ, name);
  const read = figure === undefined ? null : readNumber(figure);
  if (!hertz || !read?.ok) return error('notClock', text);
  if (by !== undefined && /^0+$/.test(by)) return error('zeroDenominator', text);
  return positive(div(mul(read.value, hertz), rational(BigInt(by ?? '1'))), text);
}
