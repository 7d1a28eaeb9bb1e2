import { blankOf, acrossAngle, leastShift, normalModule, tipLand, type Gear } from './gear.ts';
import { RAD, inverseInvolute, involute } from './involute.ts';

/** Two wheels in mesh without backlash. (handbook: make, one wheel, working distance) */
export interface PairMesh {
  /** mm between their arbors */
  readonly distanceMm: number;
  /** what it would be without any shift, mm */
  readonly plainMm: number;
  /** x1 + x2, of a ring x2 − x1 */
  readonly shift: number;
  /** pressure angle at which they run, rad across the wheels */
  readonly angle: number;
  /** teeth in contact; below about 1.1 it knocks */
  readonly contact: number;
}

interface Sum {
  readonly teeth: number;
  readonly shift: number;
  readonly inner: boolean;
}

/** What of two wheels counts together; the ring is the one that the other turns in. */
function sumOf(a: Gear, b: Gear): Sum {
  if (!a.inner && !b.inner) return { teeth: a.teeth + b.teeth, shift: a.shift + b.shift, inner: false };
  const [ring, wheel] = a.inner ? [a, b] : [b, a];
  return { teeth: ring.teeth - wheel.teeth, shift: ring.shift - wheel.shift, inner: true };
}

/** Distance of two wheels that no shift changes, m·(z1 + z2)/2, of a ring the difference; mm. */
export const plainDistance = (a: Gear, b: Gear): number => (a.moduleMm * Math.abs(sumOf(a, b).teeth)) / 2;

/** How two wheels of one module run together; null where no distance lets them mesh: a ring that is no larger, shifts that part them. */
export function meshOf(a: Gear, b: Gear): PairMesh | null {
  const { teeth, shift, inner } = sumOf(a, b);
  if (teeth <= 0) return null;
  const across = acrossAngle(a);
  const plainMm = plainDistance(a, b);
  const turned = involute(across) + (2 * shift * Math.tan(a.alphaDeg * RAD)) / teeth;
  if (turned <= 0) return null;
  const angle = Math.abs(shift) < 1e-12 ? across : inverseInvolute(turned);
  const distanceMm = Math.abs(shift) < 1e-12 ? plainMm : (plainMm * Math.cos(across)) / Math.cos(angle);
  return { distanceMm, plainMm, shift, angle, contact: contactOf(a, b, distanceMm, angle, inner) };
}

/** Along the line on which flanks meet, from tip to tip, over the pitch along it. */
function contactOf(a: Gear, b: Gear, distanceMm: number, angle: number, inner: boolean): number {
  const reach = (gear: Gear): number => {
    const { outsideMm, baseMm } = blankOf(gear);
    return Math.sqrt(Math.max(0, outsideMm ** 2 - baseMm ** 2)) / 2;
  };
  const between = distanceMm * Math.sin(angle);
  const [ring, wheel] = a.inner ? [a, b] : [b, a];
  const along = inner ? reach(wheel) - reach(ring) + between : reach(a) + reach(b) - between;
  return along / (Math.PI * a.moduleMm * Math.cos(acrossAngle(a)));
}

/**
 * By how much the tips of a ring are taken back, mm: where they would reach below the base circle of the wheel in it, flanks no longer roll
 * on one another, but dig. 0 for two outer wheels.
 */
export function ringTrim(a: Gear, b: Gear): number {
  const mesh = meshOf(a, b);
  if (!mesh || a.inner === b.inner) return 0;
  const { baseMm, outsideMm } = blankOf(a.inner ? a : b);
  const least = Math.hypot(baseMm, 2 * mesh.distanceMm * Math.sin(mesh.angle));
  return Math.max(0, (least - outsideMm) / 2);
}

/** Σx that lets two wheels run `mm` apart, in modules of the section; null where no shift does. */
export function shiftSum(a: Gear, b: Gear, mm: number): number | null {
  const { teeth } = sumOf(a, b);
  if (teeth <= 0) return null;
  const across = acrossAngle(a);
  const cosine = (plainDistance(a, b) * Math.cos(across)) / mm;
  if (!(cosine > 0) || cosine >= 1) return null;
  return ((involute(Math.acos(cosine)) - involute(across)) * teeth) / (2 * Math.tan(a.alphaDeg * RAD));
}

/** Least width of a tip, in modules: less breaks out. (handbook: make, one wheel) */
const LEAST_TIP = 0.2;

/** The greatest shift at which a tooth keeps its tip: from `shift` down, in thousandths. */
function mostShift(gear: Gear): number {
  let [low, high] = [-1, 3];
  const keeps = (shift: number): boolean =>
    tipLand({ ...gear, shift, playMm: 0 }) >= LEAST_TIP * normalModule(gear);
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (keeps(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** How far each of two outer wheels may be shifted: neither undercut nor pointed. */
export const shiftRange = (gear: Gear): readonly [number, number] => [leastShift(gear), mostShift(gear)];

/**
 * A sum of shifts shared between two outer wheels so that neither is undercut nor pointed: the smaller wheel keeps what its root wants
 * and takes of what is over as the teeth stand; null where both cannot bear it. One whose shift is held by another mesh is handed in so.
 */
export function sharedShift(
  a: Gear,
  b: Gear,
  sum: number,
  held: { readonly a?: number; readonly b?: number } = {},
): readonly [number, number] | null {
  const [lowA, highA] = held.a === undefined ? shiftRange(a) : [held.a, held.a];
  const [lowB, highB] = held.b === undefined ? shiftRange(b) : [held.b, held.b];
  const [least, most] = [Math.max(lowA, sum - highB), Math.min(highA, sum - lowB)];
  if (least > most + 1e-9) return null;
  // more to the smaller, whose root is the weaker
  const wanted =
    Math.max(0, leastShift(a)) + (sum - Math.max(0, leastShift(a)) - Math.max(0, leastShift(b))) / 2;
  const first = Math.min(Math.max(wanted, least), most);
  return [first, sum - first];
}
