import { beltCentre } from '../arbors/index.ts';

/** A toothed belt on two pulleys. (handbook: make, belts) */
export interface BeltFit {
  readonly teeth: number;
  /** exact, mm */
  readonly centreMm: number;
  /** by the short formula, for comparison with a catalogue */
  readonly roughMm: number;
  /** teeth of the small pulley that the belt holds, part teeth and all */
  readonly inMesh: number;
}

/** Fewest whole teeth that the small pulley should hold. */
export const LEAST_IN_MESH = 6;

/** null where the belt is too short for its pulleys. */
export function beltFit(teeth: number, pitchMm: number, z1: number, z2: number): BeltFit | null {
  const [small, large] = [Math.min(z1, z2), Math.max(z1, z2)];
  const centreMm = beltCentre(teeth * pitchMm, (small * pitchMm) / Math.PI, (large * pitchMm) / Math.PI);
  const k = teeth * pitchMm - (pitchMm * (small + large)) / 2;
  const root = k * k - 2 * ((pitchMm * (large - small)) / Math.PI) ** 2;
  if (centreMm === null || root < 0) return null;
  const beta = Math.asin(Math.min(1, (pitchMm * (large - small)) / (2 * Math.PI * centreMm)));
  return {
    teeth,
    centreMm,
    roughMm: (k + Math.sqrt(root)) / 4,
    inMesh: small * (0.5 - beta / Math.PI),
  };
}

/** The shortest belt, in teeth, that goes round both with the small pulley holding enough; null where none up to `most` does. */
export function shortestBelt(pitchMm: number, z1: number, z2: number, most = 5000): BeltFit | null {
  for (let n = Math.ceil((z1 + z2) / 2) + 1; n <= most; n++) {
    const fit = beltFit(n, pitchMm, z1, z2);
    // the pulleys must not touch
    if (fit && fit.centreMm > ((z1 + z2) * pitchMm) / (2 * Math.PI) + 1) return fit;
  }
  return null;
}
