/** Fits, lengths and warmth at the bench. (handbook: make, more of what the fingers judge) */

/** What to draw so that a printer makes what is wanted: wanted + (drawn − measured) of its coupon, mm. */
export const drawnFor = (wantedMm: number, couponDrawnMm: number, couponMeasuredMm: number): number =>
  wantedMm + (couponDrawnMm - couponMeasuredMm);

/** How far a mesh opens with warmth: (α1 − α2)·ΔT·C, mm, α in 10⁻⁶/K, and the play that makes at 20°. */
export function warmth(
  alphaA: number,
  alphaB: number,
  kelvin: number,
  centreMm: number,
): { readonly mm: number; readonly playMm: number } {
  const mm = (alphaA - alphaB) * 1e-6 * kelvin * centreMm;
  return { mm, playMm: 2 * mm * Math.tan(Math.PI / 9) };
}

/** Balls that go round a bearing: ⌊π/asin((d + gap)/D)⌋. */
export const ballsIn = (ballMm: number, gapMm: number, circleMm: number): number =>
  Math.floor(Math.PI / Math.asin(Math.min(1, (ballMm + gapMm) / circleMm)) + 1e-9);

/** A screw's length from what it grips and how far it goes in: 1 to 1.5 diameters. */
export const screwLength = (
  gripMm: number,
  diameterMm: number,
): { readonly leastMm: number; readonly mostMm: number } => ({
  leastMm: gripMm + diameterMm,
  mostMm: gripMm + 1.5 * diameterMm,
});

/** Faces of motors by frame, mm: side of the square of holes, pilot, and the usual screw. The circle of holes is the side·√2. */
export const motorFaces = [
  { frame: 11, squareMm: 23, pilotMm: 22, screwMm: 2.5 },
  { frame: 14, squareMm: 26, pilotMm: 22, screwMm: 3 },
  { frame: 17, squareMm: 31, pilotMm: 22, screwMm: 3 },
  { frame: 23, squareMm: 47.14, pilotMm: 38.1, screwMm: 5 },
] as const;
export const boltCircle = (squareMm: number): number => squareMm * Math.SQRT2;
