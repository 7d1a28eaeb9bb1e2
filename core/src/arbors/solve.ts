import { between, crossing, missBy, swung, type Point } from './geometry.ts';

/** An arbor that is to be placed, with what the maker said of it. */
export interface Placing {
  readonly pin: Point | null;
  /** degrees about the neighbour it swings on; found when absent */
  readonly deg: number | null;
  /** of its two places the other */
  readonly other: boolean;
  /** of its largest wheel, mm: where nobody says, an arbor swings clear of the others */
  readonly radius: number;
}

/** Two arbors that are so far apart. */
export interface Link {
  readonly a: number;
  readonly b: number;
  readonly mm: number;
  /** the distance may be another: it places nothing that something else can */
  readonly loose: boolean;
}

/** How an arbor comes to its place. */
export type How = 'pinned' | 'solved' | 'swings';

export interface Placed {
  readonly at: Point;
  readonly how: How;
  /** the neighbour it swings about; of a solved one both */
  readonly from: readonly number[];
  /** the distances do not reach, by so many mm */
  readonly miss: number;
  /** degrees about the neighbour it swings on; null for the others */
  readonly deg: number | null;
}

const STEPS = 36;

/**
 * Places arbors from their distances: pinned ones where they are, an arbor with two placed neighbours where the circles cross, one with
 * a single neighbour on its arc. The first of a set that hangs on nothing pinned stands at the origin, further sets to its right. A
 * distance that fits no place is left to whoever compares them. (handbook: drive, arbors and centre distances)
 */
export function placeArbors(arbors: readonly Placing[], links: readonly Link[]): readonly Placed[] {
  const placed: (Placed | undefined)[] = arbors.map(({ pin }) =>
    pin ? { at: pin, how: 'pinned', from: [], miss: 0, deg: null } : undefined,
  );
  const near = arbors.map((_, i) =>
    links.flatMap((l): (Link & { readonly to: number })[] =>
      l.a === i ? [{ ...l, to: l.b }] : l.b === i ? [{ ...l, to: l.a }] : [],
    ),
  );
  /** placed neighbours of an arbor, each once, firm ones first */
  const known = (
    i: number,
  ): readonly { readonly to: number; readonly mm: number; readonly loose: boolean }[] => {
    const seen = new Set<number>([i]);
    return [...near[i]!]
      .sort((a, b) => Number(a.loose) - Number(b.loose))
      .filter(({ to }) => placed[to] && !seen.has(to) && seen.add(to));
  };
  const solve = (i: number): boolean => {
    const firm = known(i).filter((n) => !n.loose);
    const [p, q] = firm;
    if (!p || !q) return false;
    const [a, b] = [placed[p.to]!.at, placed[q.to]!.at];
    const d = between(a, b);
    const at = crossing(a, p.mm, b, q.mm, arbors[i]!.other);
    const miss = missBy(d, p.mm, q.mm);
    placed[i] = {
      at: at ?? onTheWay(a, p.mm, b, q.mm),
      how: 'solved',
      from: [p.to, q.to],
      miss: at ? 0 : Math.max(miss, 1e-9),
      deg: null,
    };
    return true;
  };
  const swing = (i: number): boolean => {
    const [p] = known(i);
    if (!p) return false;
    const about = placed[p.to]!.at;
    const deg = arbors[i]!.deg ?? freest(i, about, p.mm, arbors, placed, near);
    placed[i] = { at: swung(about, p.mm, deg), how: 'swings', from: [p.to], miss: 0, deg };
    return true;
  };
  for (;;) {
    const open = arbors.flatMap((_, i) => (placed[i] ? [] : [i]));
    if (open.length === 0) break;
    if (open.some(solve)) continue;
    if (open.some(swing)) continue;
    placed[open[0]!] = {
      at: apart(arbors, placed, open[0]!),
      how: 'pinned',
      from: [],
      miss: 0,
      deg: null,
    };
  }
  return placed as readonly Placed[];
}

/** Where two circles come nearest to one another, between them. */
function onTheWay(a: Point, ra: number, b: Point, rb: number): Point {
  const d = between(a, b);
  if (d === 0) return { x: a.x + ra, y: a.y };
  // outside one another: in the gap; one within the other: on the far side
  const t = d >= ra + rb ? ra + (d - ra - rb) / 2 : ra > rb ? (ra + d + rb) / 2 : -(ra + rb - d) / 2;
  return { x: a.x + ((b.x - a.x) / d) * t, y: a.y + ((b.y - a.y) / d) * t };
}

/** The direction in which an arbor overlaps least with what is placed, and from which those that hang on it are still reached. */
function freest(
  i: number,
  about: Point,
  mm: number,
  arbors: readonly Placing[],
  placed: readonly (Placed | undefined)[],
  near: readonly (readonly (Link & { readonly to: number })[])[],
): number {
  let [best, least] = [0, Infinity];
  for (let step = 0; step < STEPS; step++) {
    const deg = (step * 360) / STEPS;
    const at = swung(about, mm, deg);
    let cost = step * 1e-6;
    for (const [j, other] of placed.entries())
      if (other) cost += Math.max(0, arbors[i]!.radius + arbors[j]!.radius - between(at, other.at));
    for (const { to, mm: first } of near[i]!) {
      if (placed[to]) continue;
      for (const { to: end, mm: second } of near[to]!)
        if (end !== i && placed[end]) cost += 1000 * missBy(between(at, placed[end].at), first, second);
    }
    if (cost < least) [best, least] = [deg, cost];
  }
  return best;
}

const GAP = 8;

/** The origin for the first; for a further set a place to the right of everything. */
function apart(arbors: readonly Placing[], placed: readonly (Placed | undefined)[], i: number): Point {
  const right = placed.reduce(
    (x, p, j) => (p ? Math.max(x, p.at.x + arbors[j]!.radius) : x),
    Number.NEGATIVE_INFINITY,
  );
  return right === Number.NEGATIVE_INFINITY ? { x: 0, y: 0 } : { x: right + GAP + arbors[i]!.radius, y: 0 };
}
