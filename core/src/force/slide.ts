import { GRAVITY } from '../turning/index.ts';
/** Carriages, cords and rails. (handbook: travel) */

const RAD = Math.PI / 180;

/** Force along an incline that a carriage of a mass needs, N: M·g·(sin β + μ·cos β). */
export const inclineN = (massKg: number, inclineDeg: number, mu: number): number =>
  massKg * GRAVITY * (Math.sin(inclineDeg * RAD) + mu * Math.cos(inclineDeg * RAD));

/** Inclines between which a carriage comes back by its weight, °: taut only above μ, and it tips where its centre passes its foot. */
export const returnsBetween = (
  mu: number,
  halfBaseMm: number,
  heightMm: number,
): { readonly fromDeg: number; readonly toDeg: number } => ({
  fromDeg: Math.atan(mu) / RAD,
  toDeg: Math.atan(halfBaseMm / heightMm) / RAD,
});

/** One layer of cord on a drum: how many turns and mm it holds, how many a travel wants, and how wide that is. */
export function cordLayer(
  widthMm: number,
  cordMm: number,
  drumMm: number,
  travelMm: number,
): { readonly turns: number; readonly holdsMm: number; readonly wants: number; readonly wideMm: number } {
  const perTurn = Math.PI * (drumMm + cordMm);
  const turns = Math.floor(widthMm / cordMm + 1e-9);
  const wants = Math.ceil(travelMm / perTurn - 1e-9);
  return { turns, holdsMm: turns * perTurn, wants, wideMm: wants * cordMm };
}

/** Sag of rails in the middle of their span, mm: F·L³/(48·ΣEI), EI in N·m². */
export const railSag = (forceN: number, spanMm: number, stiffnessNm2: number): number =>
  ((forceN * (spanMm / 1000) ** 3) / (48 * stiffnessNm2)) * 1000;
