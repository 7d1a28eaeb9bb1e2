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
