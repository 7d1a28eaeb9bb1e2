import type { Dots } from '@pendrix/core';

/** Where the pips of a count lie in a cell, like those of a die; beyond six a number is written. */
const PIPS: readonly (readonly (readonly [number, number])[])[] = [
  [],
  [[0, 0]],
  [
    [-4, 0],
    [4, 0],
  ],
  [
    [-4, -3.6],
    [4, -3.6],
    [0, 3.6],
  ],
  [
    [-4, -4],
    [4, -4],
    [-4, 4],
    [4, 4],
  ],
  [
    [-4.5, -4.5],
    [4.5, -4.5],
    [0, 0],
    [-4.5, 4.5],
    [4.5, 4.5],
  ],
  [
    [-4, -6],
    [4, -6],
    [-4, 0],
    [4, 0],
    [-4, 6],
    [4, 6],
  ],
];

/** One row of the ledger as a path for each kind of dot, and the counts that are too many for pips. */
export interface DotRow {
  readonly paths: readonly { readonly kind: Dots['kind']; readonly d: string }[];
  readonly many: readonly { readonly x: number; readonly text: string; readonly kind: Dots['kind'] }[];
}

const RADIUS = { brings: 3, takes: 2.6, met: 3, short: 4.4, none: 0.9 } as const satisfies Record<
  Dots['kind'],
  number
>;

const round = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
const diamond = (x: number, y: number, r: number): string => `M${x} ${y - r}l${r} ${r}-${r} ${r}-${r}-${r}z`;

/** The cells of a row at height y; `x` gives the middle of a column. Few paths instead of many elements: it is redrawn at every keystroke. */
export function dotRow(cells: readonly Dots[], x: (column: number) => number, y: number): DotRow {
  const paths = new Map<Dots['kind'], string>();
  const many: DotRow['many'][number][] = [];
  cells.forEach(({ count, kind }, i) => {
    const pips = kind === 'none' ? PIPS[1] : PIPS[count];
    if (!pips) many.push({ x: x(i), text: String(count), kind });
    const draw = kind === 'short' ? diamond : round;
    const d = (pips ?? []).map(([dx, dy]) => draw(x(i) + dx, y + dy, RADIUS[kind])).join('');
    paths.set(kind, (paths.get(kind) ?? '') + d);
  });
  return { paths: [...paths].map(([kind, d]) => ({ kind, d })), many };
}
