/**
 * Text of a figure or a working, with just enough structure for a page: stacked fractions, raised exponents, quiet units, strong words.
 * Groups of three digits are set apart by a thin space (U+2009) inside the strings.
 */
export type Piece =
  | string
  | { readonly frac: readonly [string, string] }
  | { readonly sup: string }
  | { readonly unit: string }
  | { readonly strong: string };

export type Rich = readonly Piece[];

export const THIN = '\u2009';

/** The same on one line for a terminal, a screen reader or the clipboard: "11 282 46/97", "2^8·19", "0.59″". */
export function plainText(rich: Rich): string {
  let out = '';
  for (const piece of rich) {
    if (typeof piece === 'string') out += piece;
    else if ('frac' in piece) out += `${/[\d\u2009]$/.test(out) ? ' ' : ''}${piece.frac[0]}/${piece.frac[1]}`;
    else if ('sup' in piece) out += `^${piece.sup}`;
    else if ('unit' in piece) out += /^[″′°%]/.test(piece.unit) ? piece.unit : ` ${piece.unit}`;
    else out += piece.strong;
  }
  return out.replaceAll(THIN, ' ');
}

const RAISED: Readonly<Record<string, string>> = { '−': '⁻', '-': '⁻' };
const DIGITS = '⁰¹²³⁴⁵⁶⁷⁸⁹';

/** Digits as raised characters, for a power where only plain letters can stand: "10⁻⁶". */
export const raised = (digits: string): string =>
  [...digits].map((d) => RAISED[d] ?? DIGITS[Number(d)] ?? d).join('');

/** As plain text for a sentence on the screen: powers are raised. */
export const sentenceText = (rich: Rich): string =>
  plainText(rich.map((p) => (typeof p !== 'string' && 'sup' in p ? raised(p.sup) : p)));
