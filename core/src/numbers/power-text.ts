const RAISED: Readonly<Record<string, string>> = {
  '-': '⁻',
  '0': '⁰',
  '1': '¹',
  '2': '²',
  '3': '³',
  '4': '⁴',
  '5': '⁵',
  '6': '⁶',
  '7': '⁷',
  '8': '⁸',
  '9': '⁹',
};

/** "10⁻¹⁰" */
export const tenTo = (n: number): string => `10${[...String(n)].map((c) => RAISED[c]).join('')}`;

/** A double as a power of ten with so many figures, two at least: "9.79 × 10⁹", "4.2 × 10⁻¹⁰". */
export function scientific(value: number, figures: number): string {
  const [lead = '', power = '0'] = value.toExponential(Math.max(1, figures - 1)).split('e');
  return `${lead.replace('-', '−')} × ${tenTo(Number(power))}`;
}
