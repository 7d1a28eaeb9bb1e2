import type { Load } from '../drive/index.ts';

/** m/s². */
export const GRAVITY = 9.80665;

/** Torque of a mass that hangs off its axis, N·m: M·g·x·cos(elevation). (handbook: force) */
export const imbalanceNm = ({ massKg = 0, offsetMm = 0, elevationDeg = 0 }: Load): number =>
  massKg * GRAVITY * (offsetMm / 1000) * Math.abs(Math.cos((elevationDeg * Math.PI) / 180));

/** What stands against the motor whether it moves or not, N·m: tool, wind, what hangs. */
export const steadyNm = (load: Load): number => (load.workNm ?? 0) + (load.windNm ?? 0) + imbalanceNm(load);
