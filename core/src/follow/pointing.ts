import { STAR_RATE } from './camera.ts';

/** Two axes that are not polar. Angles in degrees, azimuth from north through east, rates in ″ a second. (handbook: follow) */

const RAD = Math.PI / 180;
/** Cosine of an altitude that is the zenith as far as doubles tell. */
const AT_ZENITH = 1e-9;

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
  // at the zenith itself no speed suffices
  if (Math.cos(a) < AT_ZENITH)
    return { azimuth: -Infinity, altitude: STAR_RATE * Math.cos(p) * Math.sin(A), turning: Infinity };
  return {
    azimuth: STAR_RATE * (Math.sin(p) - Math.cos(p) * Math.tan(a) * Math.cos(A)),
    altitude: STAR_RATE * Math.cos(p) * Math.sin(A),
    turning: (STAR_RATE * Math.cos(p) * Math.cos(A)) / Math.cos(a),
  };
}

/** ″ a second that the picture of two axes turns at the start of its path: the same figure in ° an hour. */
export const fieldRotation = (of: {
  readonly latitudeDeg: number;
  readonly hourAngleDeg: number;
  readonly declinationDeg: number;
}): number =>
  axisRates(of.latitudeDeg, pointingOf(of.latitudeDeg, of.hourAngleDeg, of.declinationDeg)).turning;

/** One moment of a path, hours from its start. */
export interface PathPoint extends Pointing, AxisRates {
  readonly hours: number;
}

/** Hour angle in degrees that the sky turns in so many hours. */
const turned = (hours: number): number => hours * STAR_RATE;

/** Hours until the star sets, from an hour angle on; Infinity when it never does, 0 when it stands below the horizon. */
export function setsAfter(latitudeDeg: number, hourAngleDeg: number, declinationDeg: number): number {
  if (pointingOf(latitudeDeg, hourAngleDeg, declinationDeg).altitudeDeg < 0) return 0;
  const cos = -Math.tan(latitudeDeg * RAD) * Math.tan(declinationDeg * RAD);
  if (Math.abs(cos) >= 1) return Infinity;
  const way = (((Math.acos(cos) / RAD - hourAngleDeg) % 360) + 360) % 360;
  return way / STAR_RATE;
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
    const pointing = pointingOf(latitudeDeg, hourAngleDeg + turned(at), declinationDeg);
    if (pointing.altitudeDeg < 0) break;
    const rates = axisRates(latitudeDeg, pointing);
    // at the zenith itself no rate is one
    if (Math.abs(rates.azimuth) < 1e9) out.push({ hours: at, ...pointing, ...rates });
  }
  return out;
}

/** The greatest rate of each on a path, ″ a second, magnitudes; Infinity where it passes the zenith itself. */
export interface Greatest {
  readonly azimuth: number;
  readonly altitude: number;
  readonly turning: number;
}

/**
 * The greatest rates from an hour angle on, as long as the star is up: at transit by formula (azimuth ω·cos δ/sin z, turning
 * ω·cos φ/sin z, z the zenith angle there), elsewhere refined between samples. (handbook: follow, two axes)
 */
export function greatestRates(
  latitudeDeg: number,
  hourAngleDeg: number,
  declinationDeg: number,
  hours: number,
): Greatest {
  const lasts = Math.min(hours, setsAfter(latitudeDeg, hourAngleDeg, declinationDeg));
  const [from, to] = [hourAngleDeg, hourAngleDeg + turned(lasts)];
  const rateAt = (H: number): AxisRates => axisRates(latitudeDeg, pointingOf(latitudeDeg, H, declinationDeg));
  const transits = [-360, 0, 360].filter((H) => H >= from && H <= to);
  const zenith = Math.abs(Math.sin((latitudeDeg - declinationDeg) * RAD));
  const greatest = (of: keyof Greatest, top: number): number =>
    Math.max(
      refined((H) => Math.abs(rateAt(H)[of]), from, to),
      ...transits.map(() => top),
    );
  return {
    azimuth: greatest('azimuth', (STAR_RATE * Math.cos(declinationDeg * RAD)) / zenith),
    altitude: greatest('altitude', 0),
    turning: greatest('turning', (STAR_RATE * Math.cos(latitudeDeg * RAD)) / zenith),
  };
}

const SAMPLES = 720;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The greatest value between two ends: samples, then a golden section around each that tops its neighbours. */
function refined(of: (x: number) => number, from: number, to: number): number {
  const x = (i: number): number => from + ((to - from) * i) / SAMPLES;
  const all = Array.from({ length: SAMPLES + 1 }, (_, i) => of(x(i)));
  let best = Math.max(all[0]!, all[SAMPLES]!);
  for (let i = 1; i < SAMPLES; i++) {
    if (all[i]! < all[i - 1]! || all[i]! < all[i + 1]!) continue;
    let [low, high] = [x(i - 1), x(i + 1)];
    for (let n = 0; n < 60; n++) {
      const [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
      if (of(a) > of(b)) high = b;
      else low = a;
    }
    best = Math.max(best, all[i]!, of((low + high) / 2));
  }
  // next to the zenith doubles blow up; what counts there is the formula at transit
  return best < 1e12 ? best : 0;
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
