import { GRAVITY } from '../turning/index.ts';
import type { Load } from '../drive/index.ts';

/** Of a face that stands across the wind. */
const DRAG = 1.2;

/** Wind that tips it, and what a gust has of that. */
export interface Tipping {
  /** N·m that it stands */
  readonly standsNm: number;
  readonly gustNm: number | null;
  /** m/s that tips it; null without a face to the wind */
  readonly windMs: number | null;
}

/** M·g·((w/2 − e)·cos β − h·sin β) against 0.6·C·A·v² at h. (handbook: force, payload and tipping) */
export function tippingOf(load: Load): Tipping | null {
  const { footprintMm, heightMm, massKg = 0, standKg = 0, offsetMm = 0, slopeDeg = 0, areaM2, windMs } = load;
  if (footprintMm === undefined || heightMm === undefined || massKg + standKg === 0) return null;
  const beta = (slopeDeg * Math.PI) / 180;
  const all = massKg + standKg;
  // what stands off the middle is the work alone
  const off = (offsetMm * massKg) / all;
  const arm = ((footprintMm / 2 - off) * Math.cos(beta) - heightMm * Math.sin(beta)) / 1000;
  const standsNm = all * GRAVITY * arm;
  const perV2 = areaM2 ? 0.6 * DRAG * areaM2 * (heightMm / 1000) : null;
  return {
    standsNm,
    gustNm: perV2 === null || windMs === undefined ? null : perV2 * windMs ** 2,
    windMs: perV2 === null ? null : Math.sqrt(Math.max(0, standsNm) / perV2),
  };
}

/** A rod held at one end, bent by F at l: F·l³/3EI, F·l²/2EI. (handbook: force, flexure) */
export function cantilever({
  forceN,
  lengthMm,
  diameterMm,
  youngGPa,
}: {
  readonly forceN: number;
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly youngGPa: number;
}): { readonly mm: number; readonly arcsec: number } {
  const second = (Math.PI * diameterMm ** 4) / 64;
  const stiff = youngGPa * 1000 * second;
  return {
    mm: (forceN * lengthMm ** 3) / (3 * stiff),
    arcsec: (((forceN * lengthMm ** 2) / (2 * stiff)) * 180 * 3600) / Math.PI,
  };
}

/** Hours of a battery: Wh·0.85/W. */
export const batteryHours = (wh: number, watts: number): number | null =>
  watts > 0 ? (wh * 0.85) / watts : null;
