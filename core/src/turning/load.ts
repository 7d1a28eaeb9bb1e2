import type { Load } from '../drive/index.ts';

/** m/s². */
export const GRAVITY = 9.80665;

/** How far the axis stands above the horizon, °; a table's stands upright unless somebody says otherwise. (handbook: force) */
export const elevationOf = ({ elevationDeg = 90 }: Load): number => elevationDeg;

/** Torque of a mass that hangs off its axis, N·m: M·g·x·cos(elevation); none where the axis stands upright. (handbook: force) */
export function imbalanceNm(load: Load): number {
  const { massKg = 0, offsetMm = 0 } = load;
  const up = Math.abs(elevationOf(load));
  return up === 90 ? 0 : massKg * GRAVITY * (offsetMm / 1000) * Math.abs(Math.cos((up * Math.PI) / 180));
}

/** What stands against the motor whether it moves or not, N·m: tool, wind, what hangs. */
export const steadyNm = (load: Load): number => (load.workNm ?? 0) + (load.windNm ?? 0) + imbalanceNm(load);
