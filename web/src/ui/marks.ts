import type { Grade, Mark } from '@pendrix/core';

/** The strokes of each mark in a 12 px box. `fill` paths are filled, the others stroked. */
interface Strokes {
  readonly circle?: { readonly r: number; readonly filled: boolean; readonly width?: number };
  readonly path?: { readonly d: string; readonly filled: boolean; readonly width?: number };
}

export const gradeStrokes = {
  even: { circle: { r: 4.6, filled: true } },
  evenMicrostep: {
    circle: { r: 4.3, filled: false, width: 1.5 },
    path: { d: 'M6 1.7a4.3 4.3 0 0 0 0 8.6z', filled: true },
  },
  rounded: { path: { d: 'M6 1.2 10.8 6 6 10.8 1.2 6z', filled: false, width: 1.6 } },
  misses: { path: { d: 'M2 2 10 10M10 2 2 10', filled: false, width: 2 } },
  unknown: { path: { d: 'M1.5 6h9', filled: false, width: 2 } },
} as const satisfies Record<Grade, Strokes>;

export const stationStrokes = {
  ring: { circle: { r: 3.9, filled: false, width: 1.3 } },
  dot: { circle: { r: 4, filled: true } },
  diamond: { path: { d: 'M6 .8 11.2 6 6 11.2 .8 6z', filled: true } },
} as const satisfies Record<Mark['mark'], Strokes>;

export type MarkName = keyof typeof gradeStrokes | keyof typeof stationStrokes;

export const strokesOf = (name: MarkName): Strokes => ({ ...gradeStrokes, ...stationStrokes })[name];
