export { arborCures, layerCure, contactRatio, shiftSum, worstClash, type ArborCure } from './cures.ts';
export { type Clash } from './clashes.ts';
export { between, crossing, direction, swung, type Point } from './geometry.ts';
export { beltCentre, distanceOf, type Distance } from './mesh.ts';
export {
  arborPlan,
  type Arbor,
  type ArborPlan,
  type Disagreement,
  type PlanMesh,
  type PlanWheel,
  type ShaftOf,
} from './plan.ts';
export { placeArbors, type How, type Link, type Placed, type Placing } from './solve.ts';
