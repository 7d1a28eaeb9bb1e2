import {
  decimal,
  floorDiv,
  isPrime,
  numerator,
  rational,
  scientific,
  tenTo,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import type { Factors } from '../numbers/index.ts';
import type { Exponents } from '../divide/index.ts';
import { THIN, type Piece, type Rich } from './rich.ts';

/** The one place where figures become text. */

const MINUS = '−';

/** Digits in groups of three: "1 094 400", "14 991", "1 140". A minus is a real one. */
export function grouped(digits: string): string {
  const negative = digits.startsWith('-');
  const [whole = '', part] = (negative ? digits.slice(1) : digits).split('.');
  const groups = whole.replace(/\B(?=(\d{3})+(?!\d))/g, THIN);
  return `${negative ? MINUS : ''}${groups}${part === undefined ? '' : `.${part}`}`;
}

/** A whole number; beyond 21 digits as a power of ten with four figures. */
export function whole(n: bigint): string {
  const digits = (n < 0n ? -n : n).toString();
  if (digits.length <= 21) return grouped(n.toString());
  return `${n < 0n ? MINUS : ''}${digits[0]}.${digits.slice(1, 4)} × ${tenTo(digits.length - 1)}`;
}

/** A fraction too long to stack is given as a decimal with "…". */
const LONGEST_STACK = 12;

/** An exact rational as a mixed number: 11 282 46/97. */
export function mixed(r: Rational): Rich {
  if (r.d === 1n) return [whole(numerator(r))];
  const q = r.n / r.d;
  const rest = r.n - q * r.d;
  const sign = numerator(r) < 0n ? MINUS : '';
  if (r.d.toString().length > LONGEST_STACK) return [`${grouped(decimal(r, 6))}…`];
  return [...(q === 0n ? (sign ? [sign] : []) : [sign + whole(q)]), stacked(rest, r.d)];
}

/** A mixed number on one line that keeps its thin gaps: "78 666 2/3". For r above 0. */
export const inLine = (r: Rational): string =>
  r.d === 1n ? whole(r.n) : `${r.n < r.d ? '' : `${whole(r.n / r.d)} `}${whole(r.n % r.d)}/${whole(r.d)}`;

/** An exact rational as one fraction: 1 094 400/97. */
export function fraction(r: Rational): Rich {
  if (r.d === 1n) return [whole(numerator(r))];
  if (r.n.toString().length > LONGEST_STACK * 2) return [`${grouped(decimal(r, 6))}…`];
  return [...(numerator(r) < 0n ? [MINUS] : []), stacked(r.n, r.d)];
}

export const stacked = (n: bigint, d: bigint): Piece => ({
  frac: [grouped(n.toString()), grouped(d.toString())],
});

/** The plain pieces of a text in strong letters. */
export const strong = (rich: Rich): Rich => rich.map((p) => (typeof p === 'string' ? { strong: p } : p));

/** A figure for a cell or a file, ungrouped: so many decimals at most, and no noughts at their end. */
export const trimmed = (value: number, decimals: number): string => String(Number(value.toFixed(decimals)));

/** mm as a maker reads them: no zeros behind the point that say nothing. */
export const millimetres = (mm: number): string => trimmed(mm, 3);

/** Digits that carry meaning for a physical magnitude: three figures below 10, fewer decimals above. */
export function places(magnitude: number): number {
  const m = Math.abs(magnitude);
  if (m === 0 || m >= 100) return 0;
  if (m >= 10) return 1;
  if (m >= 0.1) return 2;
  return Math.min(9, 1 - Math.floor(Math.log10(m)));
}

/** From here on a figure is told as a power of ten. */
const GREAT = 1e12;
/** Below here too: nine decimals would not leave it two figures. */
const SMALL_AS_POWER = 1e-8;

/** A double with the digits that carry meaning, two at least; the very small and the very great as a power of ten. */
export function measured(value: number): string {
  const m = Math.abs(value);
  if (m !== 0 && Number.isFinite(m) && (m < SMALL_AS_POWER || m >= GREAT))
    return scientific(value, m < 1 ? 2 : 3);
  return grouped(value.toFixed(places(value)).replace(/^-?0\.?0*$/, '0'));
}

/** An exact figure for a cell: its whole part when that is short, else a power of ten; its working tells it all. */
export function compact(r: Rational): Rich {
  const digits = (r.n / r.d).toString().length;
  if (digits > 12) return [scientific(toNumber(r), 4)];
  return digits + r.d.toString().length > 12 ? [`${grouped(decimal(r, digits > 8 ? 1 : 3))}…`] : mixed(r);
}

/** The unit an angle is told in, and how many arcseconds it has: ″ up to 2′, then ′, then °. */
export function angleUnit(arcsec: number): { readonly unit: '″' | '′' | '°'; readonly arcsec: number } {
  const m = Math.abs(arcsec);
  if (m < 120) return { unit: '″', arcsec: 1 };
  return m < 7200 ? { unit: '′', arcsec: 60 } : { unit: '°', arcsec: 3600 };
}

/** An angle at the work from arcseconds, in its unit. */
export function angle(arcsec: number): readonly [string, string] {
  // what a cosine leaves of a true 0 is 0
  const m = Math.abs(arcsec) < 1e-12 ? 0 : Math.abs(arcsec);
  if (m < 100 && (m >= 0.01 || m === 0)) return [m === 0 ? '0' : grouped(arcsec.toFixed(2)), '″'];
  const told = angleUnit(arcsec);
  return [measured(arcsec / told.arcsec), told.unit];
}

/** By how much something misses: whole seconds from 10″ on, for nobody adjusts to a tenth. */
export const roughAngle = (arcsec: number): string =>
  arcsec >= 9.5 && arcsec < 120 ? `${Math.round(arcsec)}″` : angleText(arcsec);

export const angleText = (arcsec: number): string => angle(arcsec).join('');

/** A limit that was typed: no zeros behind the point that nobody wrote. */
export const limitText = (arcsec: number): string => {
  const [text, unit] = angle(arcsec);
  return `${text.includes('.') ? text.replace(/\.?0+$/, '') : text}${unit}`;
};

/** With its sign, plus or minus; 0 has none. */
export const signed = (text: string, value: number): string => (value > 0 ? `+${text}` : text);

export const signedAngle = (arcsec: number): string => signed(angleText(arcsec), arcsec);

/** Degrees, minutes and seconds of an exact angle in arcseconds, 0 or more, rounded once, with the carry done right. */
export function dms(
  arcsec: Rational,
  decimals = 1,
): { readonly d: string; readonly m: string; readonly s: string } {
  const scale = 10n ** BigInt(decimals);
  const units = floorDiv(2n * arcsec.n * scale + arcsec.d, 2n * arcsec.d);
  const seconds = rational(units % (60n * scale), scale);
  const minutes = (units / (60n * scale)) % 60n;
  const s = decimal(seconds, decimals);
  return {
    d: grouped((units / (3600n * scale)).toString()),
    m: minutes.toString().padStart(2, '0'),
    s: s.padStart(decimals === 0 ? 2 : 3 + decimals, '0'),
  };
}

export const dmsText = (arcsec: Rational, decimals = 1): string => {
  const t = dms(arcsec, decimals);
  return `${t.d}°${t.m}′${t.s}″`;
};

/** Factors above this may be products that were too hard to split. */
const UNSPLIT = 10n ** 15n;

/** 2⁸·3²·19, negative powers too; "1" for none. */
export function powers(exponents: Exponents | Factors): Rich {
  const out: Piece[] = [];
  for (const [p, e] of [...exponents].sort(([a], [b]) => (a < b ? -1 : 1))) {
    if (e === 0) continue;
    if (out.length > 0) out.push('·');
    out.push(grouped(p.toString()) + (p > UNSPLIT && !isPrime(p) ? ' (not split)' : ''));
    if (e !== 1) out.push({ sup: e < 0 ? `${MINUS}${-e}` : String(e) });
  }
  return out.length > 0 ? out : ['1'];
}

/** "58, 59, 73 and 97" */
export function listed(items: readonly string[], word = 'and'): string {
  if (items.length < 2) return items.join('');
  return `${items.slice(0, -1).join(', ')} ${word} ${items.at(-1)}`;
}

/** A list that stays readable: the first few, then how many more. */
export function shortList(items: readonly string[], most = 5, word = 'and'): string {
  return items.length <= most
    ? listed(items, word)
    : `${items.slice(0, most - 1).join(', ')} and ${items.length - most + 1} more`;
}

const SMALL = [
  'none',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
export const inWords = (n: number): string => SMALL[n] ?? grouped(String(n));

/** "one count", "six counts" */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${inWords(n)} ${n === 1 ? one : many}`;

/** Length in mm or µm. */
export const lengthText = (mm: number): readonly [string, string] =>
  Math.abs(mm) < 0.1 && mm !== 0 ? [measured(mm * 1000), 'µm'] : [measured(mm), 'mm'];

/** A time from seconds: "0.200" s, "68.4" s, "13.6" min, "565" days, "1.55" years. */
export function timeText(seconds: number): readonly [string, string] {
  if (seconds < 120) return [measured(seconds), 's'];
  if (seconds < 7200) return [measured(seconds / 60), 'min'];
  if (seconds < 2 * 86_400) return [measured(seconds / 3600), 'h'];
  if (seconds < 2 * 365.25 * 86_400) return [measured(seconds / 86_400), 'days'];
  const years = seconds / (365.25 * 86_400);
  return [years < 1e7 ? measured(years) : scientific(years, 3), 'years'];
}
