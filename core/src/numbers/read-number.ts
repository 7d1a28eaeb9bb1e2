import { parseRational, type Rational, isNegative, isWhole, isZero, numerator } from './rational.ts';
import { error, ok, type Result } from './refusal.ts';

/** What a pen or another keyboard writes for a plain sign: minus, times, colon, primes, spaces. */
export const plain = (text: string): string =>
  text
    .replace(/[\u2212\u2013\u2014\u2010\u2011]/g, '-')
    .replace(/[\u00a0\u2009\u202f\u2007]/g, ' ')
    .replace(/[×✕·]/g, 'x')
    .replace(/[∶]/g, ':')
    .trim();

const EXPONENT = /^[+-]?\d+(\.\d+)?[eE][+-]?\d+$/;
const COMMA = /^[+-]?\d+,\d+$/;

/** A decimal or a fraction as people write it, exact: "76", "0.9", "1/8", "1 1/8". Refuses exponents and decimal commas by name. */
export function readNumber(text: string): Result<Rational> {
  const s = plain(text);
  if (s === '') return error('empty', text);
  if (s.length > 100) return error('tooLong', text, { limit: '100' });
  if (EXPONENT.test(s)) return error('exponent', text);
  if (COMMA.test(s)) return error('decimalComma', text);
  if (/\/\s*0+(\.0+)?$/.test(s)) return error('zeroDenominator', text);
  const mixed = /^([+-]?)(\d+) +(\d+)\/(\d+)$/.exec(s);
  const spread = mixed
    ? `${mixed[1]}${BigInt(mixed[2]!) * BigInt(mixed[4]!) + BigInt(mixed[3]!)}/${mixed[4]}`
    : s.replace(/\s*\/\s*/, '/').replace(/^\./, '0.');
  const r = parseRational(spread);
  return r ? ok(r) : error('notNumber', text);
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
  const n = Number(read.value.n) / Number(read.value.d);
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
  const n = (Number(read.value.s) * Number(read.value.n)) / Number(read.value.d);
  if (n < min) return error('tooSmall', text.trim(), { ...told, limit: String(min) });
  return n > max ? error('tooLarge', text.trim(), { ...told, limit: String(max) }) : ok(n);
}
