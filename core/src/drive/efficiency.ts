import type { Stage } from './stages/index.ts';
import { kindOf } from './stages/index.ts';

/** Of a stage whose kind has no estimate of its own. (handbook: force) */
const USUAL = 0.9;

/** Part of the torque that comes through a stage: as typed, else the estimate of its kind. (handbook: force) */
export const efficiencyOf = (stage: Stage): number =>
  stage.efficiency ?? kindOf(stage).efficiency?.(stage) ?? USUAL;

/**
 * Part of the torque that comes through a stage when its output drives it: as its kind knows, else 2 − 1/η, for it loses the same again;
 * 0 where it holds. (handbook: force)
 */
export function backEfficiencyOf(stage: Stage): number {
  const kind = kindOf(stage);
  if (kind.holds?.(stage)) return 0;
  const own = stage.efficiency === undefined ? kind.backEfficiency?.(stage) : undefined;
  return own ?? Math.max(0, 2 - 1 / efficiencyOf(stage));
}
