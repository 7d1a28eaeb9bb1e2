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
  passes: { path: { d: 'M1.8 6.4 4.8 9.4 10.4 2.8', filled: false, width: 2 } },
  enough: { path: { d: 'M2.4 4.6 5 7.2 9.8 1.4M1.5 10.8h9', filled: false, width: 1.9 } },
  close: { path: { d: 'M1.5 4h9M1.5 8h9', filled: false, width: 1.9 } },
  short: { path: { d: 'M6 1v8.6M2.2 6.2 6 10 9.8 6.2', filled: false, width: 2 } },
  unknown: { path: { d: 'M1.5 6h9', filled: false, width: 2 } },
} as const satisfies Record<Grade, Strokes>;

export const stationStrokes = {
  ring: { circle: { r: 3.9, filled: false, width: 1.3 } },
  dot: { circle: { r: 4, filled: true } },
  diamond: { path: { d: 'M6 .8 11.2 6 6 11.2 .8 6z', filled: true } },
} as const satisfies Record<Mark['mark'], Strokes>;

export type MarkName = keyof typeof gradeStrokes | keyof typeof stationStrokes;

export const strokesOf = (name: MarkName): Strokes => ({ ...gradeStrokes, ...stationStrokes })[name];
