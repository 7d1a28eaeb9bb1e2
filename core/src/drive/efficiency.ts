import type { Stage } from './stages/index.ts';
import { kindOf } from './stages/index.ts';

/** Of a stage whose kind has no estimate of its own. (handbook: force) */
const USUAL = 0.9;

/** Part of the torque that comes through a stage: as typed, else the estimate of its kind. (handbook: force) */
export const efficiencyOf = (stage: Stage): number =>
  stage.efficiency ?? kindOf(stage).efficiency?.(stage) ?? USUAL;
