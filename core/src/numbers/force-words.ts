import type { Words } from './refusal-told.ts';

/** Refusals of torque curves and of the small tests. */
export const forceWords = {
  noWheel: {
    message: (t) => `there is no wheel ${t.given}`,
    cure: (t) => `write a number from 1 to ${t.limit ?? 'the last'}, along the train from the source`,
  },
  noPlate: {
    message: (t) => `there is no plate ${t.given}`,
    cure: (t) => `write a number from 0 to ${t.limit ?? 'the last'}`,
  },
  noCircle: {
    message: (t) => `the plate has no circle of ${t.given} holes`,
    cure: (t) => `choose one of ${t.limit ?? 'its circles'}`,
  },
  tooFewTeeth: {
    message: (t) => `a wheel of ${t.given} teeth cannot be cut as an involute`,
    cure: (t) => `give it ${t.limit ?? '4'} teeth or more`,
  },
  pointedTeeth: {
    message: (t) => `a shift of ${t.given} points the teeth before they reach their tips`,
    cure: (t) => `write a shift of ${t.limit ?? '0.5'} or less`,
  },
  boreTooLarge: {
    message: (t) => `a bore of ${t.given} mm leaves nothing under the teeth`,
    cure: (t) => `write ${t.limit ?? 'less'} mm or less, or more teeth, or a larger module`,
  },
  pinTooWide: {
    message: (t) => `a pin of ${t.given} mm cuts away what it should run on`,
    cure: (t) => `write ${t.limit ?? 'less'} mm or less`,
  },
  lobesAndPins: {
    message: (t) => `lobes and pins of ${t.given} are not drawn`,
    cure: (t) => `a plain disc has one lobe fewer than there are pins: write ${t.limit ?? 'one more'} pins`,
  },
  eccentricTooFar: {
    message: (t) => `an eccentric of ${t.given} mm makes the lobes loop`,
    cure: (t) => `write ${t.limit ?? 'less'} mm or less`,
  },
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
