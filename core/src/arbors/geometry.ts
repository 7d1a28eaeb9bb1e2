/** A place in the plan, mm; x to the right, y up, as seen from before the plate. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export const between = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** Circles that miss one another by no more than this touch. */
const TOUCH_MM = 1e-6;

/** Where two circles cross: at the left of the way from a to b, or with `other` at its right. null where they do not meet. */
export function crossing(a: Point, ra: number, b: Point, rb: number, other: boolean): Point | null {
  const d = between(a, b);
  if (d === 0) return null;
  const t = (d * d + ra * ra - rb * rb) / (2 * d);
  const h2 = ra * ra - t * t;
  // circles that touch: what the last digit leaves is not a miss
  if (h2 < -1e-9 * Math.max(1, ra * ra) || (h2 < 0 && missBy(d, ra, rb) > TOUCH_MM)) return null;
  const h = Math.sqrt(Math.max(0, h2)) * (other ? -1 : 1);
  const [ux, uy] = [(b.x - a.x) / d, (b.y - a.y) / d];
  return { x: a.x + t * ux - h * uy, y: a.y + t * uy + h * ux };
}

/** By how much two circles miss one another, mm; 0 where they meet. */
export function missBy(d: number, ra: number, rb: number): number {
  if (d > ra + rb) return d - ra - rb;
  const inner = Math.abs(ra - rb);
  return d < inner ? inner - d : 0;
}

export const swung = (about: Point, r: number, deg: number): Point => ({
  x: about.x + r * Math.cos((deg * Math.PI) / 180),
  y: about.y + r * Math.sin((deg * Math.PI) / 180),
});

/** Direction from a to b, degrees from the right, against the clock. */
export const direction = (a: Point, b: Point): number => (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
