export * from './numbers/index.ts';
export * from './drive/index.ts';
export {
  cutRule,
  cutWheel,
  shaftAngles,
  treeAngles,
  type CutWheel,
  type Drawing,
  type DrawnWheel,
  type Motion,
  type Stroke,
} from './drive/drawing/index.ts';
export * from './motion/index.ts';
export * from './teeth/index.ts';
export * from './turning/index.ts';
export * from './shelf/index.ts';
export * from './divide/index.ts';
export * from './follow/index.ts';
export * from './travel/index.ts';
export * from './run/index.ts';
export * from './find/index.ts';
export * from './arbors/index.ts';
export * from './make/index.ts';
export * from './errors/index.ts';
export * from './simulate/index.ts';
export * from './log/index.ts';
export * from './control/index.ts';
export type { Component, DivisionFit, TrackingFit } from './measure/index.ts';
export * from './report/index.ts';
export * from './force/index.ts';
