import { add, isNegative, isZero, mul, neg, rational, type Rational, ZERO } from './rational.ts';
import { plain, readNumber } from './read-number.ts';
import { error, ok, type Result } from './refusal.ts';

/** 1 turn = 360° = 21 600′ = 1 296 000″. */
export const ARCSEC_PER_TURN = 1_296_000n;

/** What a number itself is refused for goes before what is wrong with its unit. */
export const SAID_BY_NUMBERS: readonly string[] = ['empty', 'exponent', 'doubtfulComma', 'zeroDenominator'];

export const ANGLE_UNITS: Units = [
  [/^(″|''|"|arcsec|sec|s)$/, rational(1n)],
  [/^(′|'|arcmin|min|m)$/, rational(60n)],
  [/^(°|deg|degrees?|d)$/, rational(3600n)],
  [/^(turns?|rev)$/, rational(ARCSEC_PER_TURN)],
];

export const LENGTH_UNITS: Units = [
  [/^(µm|μm|um|micron|microns)$/, rational(1n, 1000n)],
  [/^mm$/, rational(1n)],
  [/^cm$/, rational(10n)],
  [/^m$/, rational(1000n)],
  [/^(in|inch|inches|"|″)$/, rational(254n, 10n)],
];

const NUMBER = String.raw`(?:\d{1,3}(?: \d{3})+(?:\.\d+)?|\d+ +\d+\/\d+|\d*[.,]?\d+(?:\/\d+)?)`;

/** How much each way of writing a unit is of the family's base. */
export type Units = readonly (readonly [pattern: RegExp, size: Rational])[];

/**
 * An angle in arcseconds, exact: `15"`, `54'`, `0.9°`, `0.9 deg`, `1° 30' 15"`. A number with no unit is arcseconds.
 * A leading ± is read over: tolerances are written with it. (handbook: numbers, reading input)
 */
export function readAngle(text: string): Result<Rational> {
  const s = plain(text).replace(/^±\s*/, '').replace(/''/g, '″');
  const bare = readNumber(s);
  if (bare.ok) return ok(bare.value);
  if (SAID_BY_NUMBERS.includes(bare.refusal.code))
    return { ok: false, refusal: { example: '15″', ...bare.refusal } };
  return readParts(s, ANGLE_UNITS, text, 'notAngle', '″, ′ or °');
}

/** An angle above 0; for tolerances. */
export function readPositiveAngle(text: string): Result<Rational> {
  const read = readAngle(text);
  return read.ok ? positive(read.value, text, '15″') : read;
}

/** A length above 0 in millimetres, exact: `30`, `0.02 mm`, `5 µm`, `1/8 in` (1 in = 25.4 mm). No unit means millimetres. */
export function readLength(text: string): Result<Rational> {
  const s = plain(text).replace(/^±\s*/, '');
  const bare = readNumber(s);
  if (bare.ok) return positive(bare.value, text, '30 mm');
  if (SAID_BY_NUMBERS.includes(bare.refusal.code))
    return { ok: false, refusal: { example: '30 mm', ...bare.refusal } };
  const read = readParts(s, LENGTH_UNITS, text, 'notLength', 'mm, µm or in');
  return read.ok ? positive(read.value, text, '30 mm') : read;
}

/** Refused at 0 and below. */
export function positive(value: Rational, text: string, example?: string): Result<Rational> {
  const told = example === undefined ? {} : { example };
  if (isZero(value)) return error('zero', text, told);
  return isNegative(value) ? error('negative', text, told) : ok(value);
}

function readParts(
  s: string,
  units: Units,
  text: string,
  code: 'notAngle' | 'notLength',
  known: string,
): Result<Rational> {
  if (s.length > 100) return error('tooLong', text, { limit: '100' });
  // one sign, for all of it: −21° 7′ is 7′ further back
  const [, sign, figures] = /^([+-]?)\s*(.*)$/.exec(s)!;
  const parts = [...figures!.matchAll(new RegExp(`(${NUMBER})\\s*([^\\d\\s.,+-]+)\\s*`, 'g'))];
  if (parts.length === 0 || parts.map((m) => m[0]).join('').length !== figures!.length)
    return error(code, text);
  let sum = ZERO;
  let last = -1;
  for (const [, figure, name] of parts) {
    const size = units.findIndex(([pattern]) => pattern.test(name!.toLowerCase()));
    if (size < 0)
      return error('unknownUnit', text, { unit: known, example: code === 'notAngle' ? '15″' : '30 mm' });
    const read = readNumber(figure!);
    // Degrees before minutes before seconds, each once: anything else is a slip.
    if (!read.ok || (last >= 0 && size >= last)) return error(code, text);
    last = size;
    sum = add(sum, mul(read.value, units[size]![1]));
  }
  return ok(sign === '-' ? neg(sum) : sum);
}
