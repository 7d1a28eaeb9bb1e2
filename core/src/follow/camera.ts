/** What a camera on the drive sees. Angles in ″ unless they say otherwise, times in seconds. (handbook: follow) */

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** The rate of the stars, ″ a second. */
export const STAR_RATE = 1_296_000 / 86_164.0905;

/** Pixels that an error of the polar axis moves the picture by. */
export const onChip = (arcsec: number, scale: number, declinationDeg: number): number =>
  (arcsec * Math.cos(radians(declinationDeg))) / scale;

/** The longest exposure for a trail of `trailPx` while the axis drifts by so many ″ a second; infinite when it does not move. */
export function longestExposure(
  driftPerSecond: number,
  trailPx: number,
  scale: number,
  declinationDeg: number,
): number {
  const seen = Math.abs(driftPerSecond) * Math.cos(radians(declinationDeg));
  return seen === 0 ? Infinity : (trailPx * scale) / seen;
}

/** The same with no drive at all: the sky goes by at the star rate. */
export const undrivenExposure = (trailPx: number, scale: number, declinationDeg: number): number =>
  longestExposure(15.041, trailPx, scale, declinationDeg);

/** The greatest drift of a polar axis that is out by so many ′, ″ a second, across. */
export const polarDrift = (arcmin: number): number => (15.041 * arcmin * Math.PI) / 10_800;
