import { between, crossing, direction, missBy, swung, type Point } from './geometry.ts';

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
 * a single neighbour on its arc. The first of a set that hangs on nothing pinned stands at the origin, further sets to its right. A pin
 * moves nothing that it does not have to: what is free stays as near as its distances let it to where it stands without pins. A distance
 * that fits no place is left to whoever compares them. (handbook: drive, arbors and centre distances)
 */
export function placeArbors(arbors: readonly Placing[], links: readonly Link[]): readonly Placed[] {
  if (arbors.every(({ pin }) => !pin)) return placedBeside(arbors, links, null);
  const unpinned = placedBeside(
    arbors.map((a) => ({ ...a, pin: null })),
    links,
    null,
  );
  return placedBeside(arbors, links, unpinned);
}

/** The same, beside the places that the arbors would rather have; null where nobody knows any. */
function placedBeside(
  arbors: readonly Placing[],
  links: readonly Link[],
  rather: readonly Placed[] | null,
): readonly Placed[] {
  const placed: (Placed | undefined)[] = arbors.map(({ pin }) =>
    pin ? { at: pin, how: 'pinned', from: [], miss: 0, deg: null } : undefined,
  );
  const near = arbors.map((_, i) =>
    links.flatMap((l): Near[] => (l.a === i ? [{ ...l, to: l.b }] : l.b === i ? [{ ...l, to: l.a }] : [])),
  );
  /** placed neighbours of an arbor, each once, firm ones first */
  const known = (i: number): readonly Near[] => {
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
    const left = crossing(a, p.mm, b, q.mm, false);
    const right = crossing(a, p.mm, b, q.mm, true);
    const was = rather?.[i];
    const { other } = arbors[i]!;
    // which side is which depends on the two neighbours: beside others than without pins the nearer one is the first
    const beside = was && left && right && !(was.from[0] === p.to && was.from[1] === q.to);
    const at = (
      beside
        ? between(was.at, right) < between(was.at, left) - SAME_MM !== (was.how === 'swings' && other)
        : other
    )
      ? right
      : left;
    placed[i] = {
      at: at ?? onTheWay(a, p.mm, b, q.mm),
      how: 'solved',
      from: [p.to, q.to],
      miss: at ? 0 : Math.max(missBy(between(a, b), p.mm, q.mm), 1e-9),
      deg: null,
    };
    return true;
  };
  const swing = (i: number): void => {
    const [p] = known(i);
    const about = placed[p!.to]!.at;
    const was = rather?.[i];
    // degrees are about the neighbour it swings on: they do not count where it can stay and swings on another
    const stays = was && was.from[0] !== p!.to && Math.abs(between(was.at, about) - p!.mm) < SAME_MM;
    const said = stays ? null : arbors[i]!.deg;
    const deg = said ?? freest(i, about, p!.mm, rather, arbors, placed, near);
    placed[i] = { at: swung(about, p!.mm, deg), how: 'swings', from: [p!.to], miss: 0, deg };
  };
  /** of those that can swing the one that stays nearest to where it would rather be */
  const nextToSwing = (open: readonly number[]): number | undefined => {
    const can = open.filter((i) => known(i).length > 0);
    if (!rather) return can[0];
    const away = (i: number): number => {
      const [p] = known(i);
      return Math.abs(between(rather[i]!.at, placed[p!.to]!.at) - p!.mm);
    };
    return can.reduce<number | undefined>(
      (best, i) => (best === undefined || away(i) < away(best) - SAME_MM ? i : best),
      undefined,
    );
  };
  for (;;) {
    const open = arbors.flatMap((_, i) => (placed[i] ? [] : [i]));
    if (open.length === 0) break;
    if (open.some(solve)) continue;
    const next = nextToSwing(open);
    if (next !== undefined) swing(next);
    else {
      const i = open[0]!;
      const was = rather?.[i]!.at;
      const at = was && isClear(i, was, arbors, placed) ? was : apart(arbors, placed, i);
      placed[i] = { at, how: 'pinned', from: [], miss: 0, deg: null };
    }
  }
  return placed as readonly Placed[];
}

type Near = Link & { readonly to: number };

/** What doubles leave, mm. */
const SAME_MM = 1e-6;

/** Does an arbor with its wheels stand clear of all that is placed? */
const isClear = (
  i: number,
  at: Point,
  arbors: readonly Placing[],
  placed: readonly (Placed | undefined)[],
): boolean => placed.every((p, j) => !p || between(at, p.at) >= arbors[i]!.radius + arbors[j]!.radius);

/** Where two circles come nearest to one another, between them. */
function onTheWay(a: Point, ra: number, b: Point, rb: number): Point {
  const d = between(a, b);
  if (d === 0) return { x: a.x + ra, y: a.y };
  // outside one another: in the gap; one within the other: on the far side
  const t = d >= ra + rb ? ra + (d - ra - rb) / 2 : ra > rb ? (ra + d + rb) / 2 : -(ra + rb - d) / 2;
  return { x: a.x + ((b.x - a.x) / d) * t, y: a.y + ((b.y - a.y) / d) * t };
}

/** What it costs an arbor to stand away from where it would rather be, per mm, beside 1 for a mm of overlap. */
const NEAR = 0.1;

/**
 * The direction from which those that hang on an arbor are still reached, and of these the one in which it overlaps least with what is placed
 * and stays nearest to where it would rather be.
 */
function freest(
  i: number,
  about: Point,
  mm: number,
  rather: readonly Placed[] | null,
  arbors: readonly Placing[],
  placed: readonly (Placed | undefined)[],
  near: readonly (readonly Near[])[],
): number {
  const reach = (j: number, at: Point, to: Point): number =>
    Math.max(0, arbors[i]!.radius + arbors[j]!.radius - between(at, to));
  // wheels of different layers lie over one another: beside one that stands about where it would rather be only what is more than there counts
  const overlap = (j: number, at: Point, to: Point): number => {
    const before =
      rather && between(to, rather[j]!.at) < arbors[j]!.radius / 4
        ? reach(j, rather[i]!.at, rather[j]!.at)
        : 0;
    return Math.max(0, reach(j, at, to) - before);
  };
  let [best, least] = [0, Infinity];
  const steps = Array.from({ length: STEPS }, (_, step) => (step * 360) / STEPS);
  const wished = rather && between(about, rather[i]!.at) > SAME_MM ? [direction(about, rather[i]!.at)] : [];
  for (const [step, deg] of [...wished, ...steps].entries()) {
    const at = swung(about, mm, deg);
    let cost = step * 1e-6;
    if (rather) cost += NEAR * between(at, rather[i]!.at);
    for (const [j, other] of placed.entries()) if (other) cost += overlap(j, at, other.at);
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
