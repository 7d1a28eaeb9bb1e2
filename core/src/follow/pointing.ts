import { STAR_RATE } from './camera.ts';

/** Two axes that are not polar. Angles in degrees, azimuth from north through east, rates in ″ a second. (handbook: follow) */

const RAD = Math.PI / 180;

export interface Pointing {
  readonly azimuthDeg: number;
  readonly altitudeDeg: number;
}

/** How fast both axes must turn, and the picture with them: counter-clockwise positive, facing it. */
export interface AxisRates {
  readonly azimuth: number;
  readonly altitude: number;
  readonly turning: number;
}

/** Where a star of this declination stands at an hour angle, west positive. */
export function pointingOf(latitudeDeg: number, hourAngleDeg: number, declinationDeg: number): Pointing {
  const [p, h, d] = [latitudeDeg * RAD, hourAngleDeg * RAD, declinationDeg * RAD];
  const sin = Math.sin(p) * Math.sin(d) + Math.cos(p) * Math.cos(d) * Math.cos(h);
  const azimuth = Math.atan2(
    -Math.cos(d) * Math.sin(h),
    Math.cos(p) * Math.sin(d) - Math.sin(p) * Math.cos(d) * Math.cos(h),
  );
  return {
    altitudeDeg: Math.asin(Math.min(1, Math.max(-1, sin))) / RAD,
    azimuthDeg: (azimuth / RAD + 360) % 360,
  };
}

/** Rates of both axes and of the picture; they grow without bound toward the zenith. */
export function axisRates(latitudeDeg: number, { azimuthDeg, altitudeDeg }: Pointing): AxisRates {
  const [p, A, a] = [latitudeDeg * RAD, azimuthDeg * RAD, altitudeDeg * RAD];
  return {
    azimuth: STAR_RATE * (Math.sin(p) - Math.cos(p) * Math.tan(a) * Math.cos(A)),
    altitude: STAR_RATE * Math.cos(p) * Math.sin(A),
    turning: (STAR_RATE * Math.cos(p) * Math.cos(A)) / Math.cos(a),
  };
}

/** One moment of a path, hours from its start. */
export interface PathPoint extends Pointing, AxisRates {
  readonly hours: number;
}

/** A star followed for some hours from an hour angle on; it ends where the star sets. At most `most` points. */
export function path(
  latitudeDeg: number,
  hourAngleDeg: number,
  declinationDeg: number,
  hours: number,
  most = 241,
): readonly PathPoint[] {
  const out: PathPoint[] = [];
  for (let i = 0; i < most; i++) {
    const at = (hours * i) / (most - 1);
    const pointing = pointingOf(latitudeDeg, hourAngleDeg + (at * 3600 * STAR_RATE) / 3600, declinationDeg);
    if (pointing.altitudeDeg < 0) break;
    out.push({ hours: at, ...pointing, ...axisRates(latitudeDeg, pointing) });
  }
  return out;
}

/**
 * The cap around the zenith that the azimuth axis cannot follow at its top speed, ″ a second: its zenith angle in degrees, met on
 * the meridian; 0 when there is none, 90 when the axis is slower than the pole asks.
 */
export function zenithCap(latitudeDeg: number, topSpeed: number): number {
  const p = Math.abs(latitudeDeg) * RAD;
  const rest = topSpeed / STAR_RATE - Math.sin(p);
  return rest <= 0 ? 90 : Math.atan(Math.cos(p) / rest) / RAD;
}

/** The longest exposure before the turning picture moves a corner `cornerPx` from the middle by `trailPx`. */
export function turningExposure(turning: number, cornerPx: number, trailPx: number): number {
  const perSecond = (Math.abs(turning) / 3600) * RAD * cornerPx;
  return perSecond === 0 ? Infinity : trailPx / perSecond;
}
