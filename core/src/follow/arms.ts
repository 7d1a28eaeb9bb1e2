import type { ArmKind } from '../drive/index.ts';

/** Tangent arms: a screw that opens a hinge. Angles in radians, lengths in mm, times in seconds, errors in ″ (fast positive). (handbook: follow) */

/** Travel of the nut that opens the arm by θ. */
export function travelOf(kind: ArmKind, radius: number, angle: number): number {
  switch (kind) {
    case 'straight':
      return radius * Math.tan(angle);
    case 'isosceles':
      return 2 * radius * Math.sin(angle / 2);
    case 'curved':
      return radius * angle;
  }
}

/** The angle that so much travel opens. */
export function angleOf(kind: ArmKind, radius: number, travel: number): number {
  switch (kind) {
    case 'straight':
      return Math.atan(travel / radius);
    case 'isosceles':
      return 2 * Math.asin(Math.min(1, travel / (2 * radius)));
    case 'curved':
      return travel / radius;
  }
}

/** The right speed of the screw at θ over that at 0: what keeps the rate steady. */
export function speedAt(kind: ArmKind, angle: number): number {
  switch (kind) {
    case 'straight':
      return 1 / Math.cos(angle) ** 2;
    case 'isosceles':
      return Math.cos(angle / 2);
    case 'curved':
      return 1;
  }
}

/** An arm with its screw turning steadily. */
export interface TurningArm {
  readonly kind: ArmKind;
  readonly radiusMm: number;
  readonly leadMm: number;
  /** of the screw */
  readonly turnsPerSecond: number;
  /** of the hinge, wanted: radians a second */
  readonly rate: number;
}

/** The arm that is right at θ = 0 for a screw: ρ = l·(turns/s) / ω. */
export const armFor = (leadMm: number, turnsPerSecond: number, rate: number): number =>
  (leadMm * turnsPerSecond) / rate;

const ARCSEC = (180 / Math.PI) * 3600;
/** Under this many ″ there is nothing. */
const NOTHING = 1e-9;

/** How far the arm is ahead after so many seconds of steady screw. */
export function armError(arm: TurningArm, seconds: number): number {
  const travel = arm.leadMm * arm.turnsPerSecond * seconds;
  const ahead = (angleOf(arm.kind, arm.radiusMm, travel) - arm.rate * seconds) * ARCSEC;
  // what doubles leave is no error
  return Math.abs(ahead) < NOTHING ? 0 : ahead;
}

/** How fast the arm runs away from the sky at that moment, ″ a second, fast positive. */
export function armDrift(arm: TurningArm, seconds: number): number {
  const angle = angleOf(arm.kind, arm.radiusMm, arm.leadMm * arm.turnsPerSecond * seconds);
  const speed = (arm.leadMm * arm.turnsPerSecond) / arm.radiusMm / speedAt(arm.kind, angle);
  const ahead = (speed - arm.rate) * ARCSEC;
  return Math.abs(ahead) < NOTHING ? 0 : ahead;
}

/** The speed of the screw that is right at θ = 0, turns a second: 2πρ/l turns for one of the hinge. */
export const screwFor = (radiusMm: number, leadMm: number, rate: number): number =>
  (radiusMm * rate) / leadMm;

/** When the error first passes ± `limit` ″, to a thousandth of a second; null within `most` seconds. */
export function armExceeds(arm: TurningArm, limit: number, most: number): number | null {
  const beyond = (t: number): boolean => Math.abs(armError(arm, t)) > limit;
  const STEPS = 2000;
  for (let i = 1; i <= STEPS; i++) {
    if (!beyond((most * i) / STEPS)) continue;
    let [low, high] = [(most * (i - 1)) / STEPS, (most * i) / STEPS];
    while (high - low > 1e-3) {
      const middle = (low + high) / 2;
      if (beyond(middle)) high = middle;
      else low = middle;
    }
    return high;
  }
  return null;
}

/** One line of a correction table: from this second on the screw turns at this speed until the next line. */
export interface Correction {
  readonly seconds: number;
  readonly turnsPerSecond: number;
  /** what is left at its end, ″ */
  readonly leftArcsec: number;
}

/** The speed of the screw for each `every` seconds that brings the arm to where it should be at the end of each. */
export function corrections(arm: TurningArm, every: number, most: number): readonly Correction[] {
  const out: Correction[] = [];
  let travel = 0;
  for (let t = 0; t < most - 1e-9; t += every) {
    const end = travelOf(arm.kind, arm.radiusMm, arm.rate * (t + every));
    if (!Number.isFinite(end) || end < travel) break;
    // what is left is greatest half way, where a steady speed cuts the corner
    const middle = angleOf(arm.kind, arm.radiusMm, (travel + end) / 2) - arm.rate * (t + every / 2);
    out.push({
      seconds: t,
      turnsPerSecond: (end - travel) / arm.leadMm / every,
      leftArcsec: middle * ARCSEC,
    });
    travel = end;
  }
  return out;
}
