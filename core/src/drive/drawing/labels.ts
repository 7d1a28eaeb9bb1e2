import { px } from './outline.ts';

/** What words keep clear of: a disc or a rectangle, px. */
export type Solid =
  | { readonly x: number; readonly y: number; readonly r: number }
  | { readonly x: number; readonly y: number; readonly w: number; readonly h: number };

/** A rectangle with its top left corner, px. */
export interface Room {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** Words that want a place: where they would stand best, and how large they are with both lines and with the first alone. */
export interface Wanted {
  readonly x: number;
  readonly y: number;
  readonly widths: readonly [number, number];
}

/** Where words stand, their first line's foot at (x, y), and how many of their lines there is room for; 0 for none. */
export interface Laid {
  readonly x: number;
  readonly y: number;
  readonly lines: 0 | 1 | 2;
}

/** Above the foot of the first line, below it, and from the first line to the second. */
const RISE = 12;
const FALL = 4;
const NEXT = 17;
/** Left free around words. */
const AIR = 3;
/** Places are tried on rings around the best one. */
const STEP = 9;
const RINGS = 15;

/** The rectangle that so many lines take up. */
export function roomOf({ x, y, widths }: Wanted, lines: 1 | 2): Room {
  const w = lines === 2 ? Math.max(...widths) : widths[0];
  return { x, y: y - RISE, w, h: RISE + FALL + (lines === 2 ? NEXT : 0) };
}

const apart = (a: Room, b: Room): boolean =>
  a.x + a.w + AIR <= b.x || b.x + b.w + AIR <= a.x || a.y + a.h + AIR <= b.y || b.y + b.h + AIR <= a.y;

/** Do words in `room` keep clear of a part? */
export function clearOf(room: Room, solid: Solid): boolean {
  if (!('r' in solid)) return apart(room, solid);
  const dx = Math.max(room.x - solid.x, 0, solid.x - room.x - room.w);
  const dy = Math.max(room.y - solid.y, 0, solid.y - room.y - room.h);
  return dx * dx + dy * dy >= (solid.r + AIR) ** 2;
}

/** A line that words had better not cross: a belt, a shaft. */
export interface Line {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

function crossed({ x, y, w, h }: Room, { x1, y1, x2, y2 }: Line): boolean {
  const [left, right] = [Math.max(x, Math.min(x1, x2)), Math.min(x + w, Math.max(x1, x2))];
  if (left > right) return false;
  const at = (v: number): number => (x1 === x2 ? y1 : y1 + ((y2 - y1) * (v - x1)) / (x2 - x1));
  const [a, b] = [at(left), at(right)];
  return Math.max(a, b) >= y && Math.min(a, b) <= y + h;
}

/** Offsets from the best place, nearest first: around it on rings, sideways sooner than up and down. */
const OFFSETS: readonly (readonly [number, number])[] = [
  [0, 0] as const,
  ...Array.from({ length: RINGS }, (_, ring) => ring + 1).flatMap((ring) =>
    Array.from({ length: 8 * ring }, (_, i): readonly [number, number] => {
      const a = (2 * Math.PI * i) / (8 * ring);
      return [Math.cos(a) * ring * STEP, Math.sin(a) * ring * STEP];
    }),
  ),
];

/**
 * Places for words, in the order given: each as near to its best place as keeps clear of every part and of the words before it,
 * off belts and shafts where that can be had; with its first line alone where two have no room, and none where one has not.
 */
export function layWords(
  wanted: readonly Wanted[],
  solids: readonly Solid[],
  lines: readonly Line[],
  page: Room,
): readonly Laid[] {
  const taken: Room[] = [];
  return wanted.map((want) => {
    for (const count of [2, 1] as const) {
      const found = placed(want, count, [...solids, ...taken], lines, page);
      if (!found) continue;
      taken.push(roomOf({ ...want, ...found }, count));
      return { ...found, lines: count };
    }
    return { x: want.x, y: want.y, lines: 0 };
  });
}

function placed(
  want: Wanted,
  count: 1 | 2,
  solids: readonly Solid[],
  lines: readonly Line[],
  page: Room,
): { readonly x: number; readonly y: number } | null {
  const { w, h } = roomOf(want, count);
  const reach = RINGS * STEP + Math.max(w, h);
  const near = solids.filter((s) => {
    const half = 'r' in s ? s.r : Math.max(s.w, s.h);
    return Math.abs(s.x - want.x) < reach + half + w && Math.abs(s.y - want.y) < reach + half + h;
  });
  let second: { x: number; y: number } | null = null;
  for (const [dx, dy] of OFFSETS) {
    const at = { x: px(want.x + dx), y: px(want.y + dy) };
    const room = roomOf({ ...want, ...at }, count);
    if (room.x < page.x || room.y < page.y || room.x + room.w > page.x + page.w) continue;
    if (room.y + room.h > page.y + page.h) continue;
    if (!near.every((s) => clearOf(room, s))) continue;
    if (!lines.some((l) => crossed(room, l))) return at;
    second ??= at;
  }
  return second;
}
