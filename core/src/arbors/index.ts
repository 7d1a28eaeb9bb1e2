export { arborCures, layerCure, worstClash, type ArborCure } from './cures.ts';
export { between, crossing, direction, swung, type Point } from './geometry.ts';
export { beltCentre, distanceOf, type Distance } from './mesh.ts';
export type {
  Arbor,
  ArborPlan,
  ArborsClash,
  Clash,
  Disagreement,
  PlanMesh,
  PlanWheel,
  ShaftOf,
  WheelClash,
} from './arbor.ts';
export { arborPlan } from './plan.ts';
export { placeArbors, type How, type Link, type Placed, type Placing } from './solve.ts';
