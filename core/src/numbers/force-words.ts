import type { Words } from './refusal-told.ts';

/** Refusals of torque curves and of the small tests. */
export const forceWords = {
  badCurve: {
    message: (t) => `${t.given} is not a point of a torque curve`,
    cure: (t) =>
      `write a point a line, full steps a second and N·m: 1000, 0.35; 2 to ${t.limit ?? '200'} of them`,
  },
  curveTurnsBack: {
    message: (t) => `the curve turns back at ${t.given} full steps a second`,
    cure: () => 'write its points from the slowest to the fastest, each speed once',
  },
  curveRises: {
    message: (t) => `the torque rises again to ${t.given} N·m`,
    cure: () => 'a motor has less torque the faster it turns; look at this point once more',
  },
} as const satisfies Readonly<Record<string, Words>>;
