import {
  parseRational,
  type Rational,
  isNegative,
  isWhole,
  isZero,
  numerator,
  toNumber,
} from './rational.ts';
import { error, ok, type Result } from './refusal.ts';

/** What a pen, a spreadsheet or another keyboard writes for a plain sign: minus, times, colon, quotes; spaces that only group digits go. */
export const plain = (text: string): string =>
  text
    .replace(/(?<=\d)[\u00a0\u2009\u202f\u2007\u2006](?=\d{3}(?!\d))/g, '')
    .replace(/[\u2212\u2013\u2014\u2010\u2011]/g, '-')
    .replace(/[\u00a0\u2006\u2007\u2008\u2009\u200a\u202f]/g, ' ')
    .replace(/[“”„]/g, '"')
    .replace(/[‘’‚]/g, "'")
    .replace(/[×✕·]/g, 'x')
    .replace(/[∶]/g, ':')
    .trim();

const EXPONENT = /^[+-]?\d+(\.\d+)?[eE][+-]?\d+$/;
/** 12,5: a decimal comma */
const COMMA = /^[+-]?\d*,\d+$/;
/** 1 200, 12 000.5: one number, its digits in groups */
const GROUPED = /^[+-]?\d{1,3}( \d{3})+(\.\d+)?$/;
/** 1,200: a thousand and more to some, a little more than one to others */
const DOUBTFUL = /^[+-]?\d{1,3},\d{3}$/;

/**
 * A decimal or a fraction as people write it, exact: "76", "0.9", "12,5", "1/8", "1 1/8", "1 200". Refuses exponents by name, and asks which is
 * meant by a comma before three digits; the reading is said beside the field. (handbook: numbers, reading input)
 */
export function readNumber(text: string): Result<Rational> {
  const s = plain(text);
  if (s === '') return error('empty', text);
  if (s.length > 100) return error('tooLong', text, { limit: '100' });
  if (EXPONENT.test(s)) return error('exponent', text);
  if (DOUBTFUL.test(s))
    return error('doubtfulComma', s, { limit: s.replace(',', ''), example: s.replace(',', '.') });
  if (COMMA.test(s)) return readNumber(s.replace(',', '.'));
  if (/\/\s*0+(\.0+)?$/.test(s)) return error('zeroDenominator', text);
  const mixed = /^([+-]?)(\d+) +(\d+)\/(\d+)$/.exec(s);
  const spread = mixed
    ? `${mixed[1]}${BigInt(mixed[2]!) * BigInt(mixed[4]!) + BigInt(mixed[3]!)}/${mixed[4]}`
    : (GROUPED.test(s) ? s.replaceAll(' ', '') : s).replace(/\s*\/\s*/, '/').replace(/^([+-]?)\./, '$10.');
  const r = parseRational(spread);
  return r ? ok(r) : error('notNumber', text);
}

/** How a text was read where it could be read otherwise: "12,5" as 12.5, "1 200" as 1200; null where it says itself. */
export function readingOf(text: string): string | null {
  const s = plain(text);
  if (!/\d,\d|\d \d{3}(?!\d)/.test(s)) return null;
  const [figure] = /^[+-]?[\d,. ]*\d/.exec(s) ?? [];
  const read = figure === undefined ? null : readNumber(figure);
  return read?.ok ? String(toNumber(read.value)) : null;
}

/** A physical size may be shown as a power of ten, and is then written so: 2e-7 is 0.0000002. */
export function withoutExponent(text: string): string {
  const [, sign, whole = '', part = '', power, rest = ''] =
    /^\s*([+-]?)(\d*)(?:\.(\d+))?[eE]([+-]?\d{1,3})(\D.*)?$/.exec(text) ?? [];
  if (power === undefined || whole + part === '') return text;
  const by = Number(power);
  const digits = whole + part;
  const at = whole.length + by;
  const plainText =
    at <= 0
      ? `0.${'0'.repeat(-at)}${digits}`
      : at >= digits.length
        ? digits.padEnd(at, '0')
        : `${digits.slice(0, at)}.${digits.slice(at)}`;
  return `${sign}${plainText}${rest}`;
}

/** Limits of a field; both ends are allowed. */
export interface Limits {
  readonly min: number;
  readonly max: number;
  readonly unit?: string;
  readonly example?: string;
}

/** A whole count such as teeth or steps, within limits. Says notWhole, zero, negative, tooSmall or tooLarge by name. */
export function readCount(text: string, limits: Limits): Result<number> {
  const { min, max, ...told } = limits;
  const read = readNumber(text);
  if (!read.ok) return { ok: false, refusal: { ...read.refusal, ...told } };
  const n = read.value;
  if (!isWhole(n)) return error('notWhole', text.trim(), told);
  if (isNegative(n)) return error('negative', text.trim(), told);
  if (isZero(n) && min > 0) return error('zero', text.trim(), told);
  if (n.n < BigInt(min)) return error('tooSmall', text.trim(), { ...told, limit: String(min) });
  if (n.n > BigInt(max)) return error('tooLarge', text.trim(), { ...told, limit: String(max) });
  return ok(Number(numerator(n)));
}

/** A physical size above 0 within limits, as a double: a module, a pitch, an efficiency. Not for anything that must come out even. */
export function readSize(text: string, limits: Limits): Result<number> {
  const { min, max, ...told } = limits;
  const read = readNumber(text);
  if (!read.ok) return { ok: false, refusal: { ...read.refusal, ...told } };
  const n = toNumber(read.value);
  if (isNegative(read.value)) return error('negative', text.trim(), told);
  if (isZero(read.value) && min > 0) return error('zero', text.trim(), told);
  if (n < min) return error('tooSmall', text.trim(), { ...told, limit: String(min) });
  if (n > max) return error('tooLarge', text.trim(), { ...told, limit: String(max) });
  return ok(n);
}

/** A physical number within limits, of either sign, as a double: a declination, an hour angle. */
export function readSigned(text: string, limits: Limits): Result<number> {
  const { min, max, ...told } = limits;
  const read = readNumber(text);
  if (!read.ok) return { ok: false, refusal: { ...read.refusal, ...told } };
  const n = toNumber(read.value);
  if (n < min) return error('tooSmall', text.trim(), { ...told, limit: String(min) });
  return n > max ? error('tooLarge', text.trim(), { ...told, limit: String(max) }) : ok(n);
}
