import type { Rational } from '../../numbers/index.ts';
import {
  compoundMoves,
  pairsOf,
  simpleMoves,
  smallestCircle,
  turnsOf,
  type CompoundMove,
  type PlateSet,
  type SimpleMove,
} from './moves.ts';

/** How a set of plates makes one count. `circle` is the smallest to make when nothing serves. (handbook: divide, index plates) */
export type PlateAnswer =
  | { readonly divisions: number; readonly how: 'circle'; readonly move: SimpleMove; readonly others: number }
  | { readonly divisions: number; readonly how: 'compound'; readonly move: CompoundMove }
  | { readonly divisions: number; readonly how: 'none'; readonly circle: number };

/** Every count of a range. Half a thousand counts with eighteen circles take some milliseconds. */
export function plateChart(
  worm: Rational,
  plates: PlateSet,
  counts: readonly number[],
): readonly PlateAnswer[] {
  const pairs = pairsOf(plates);
  return counts.map((divisions) => {
    const turns = turnsOf(worm, divisions);
    const simple = simpleMoves(turns, plates);
    if (simple[0]) return { divisions, how: 'circle', move: simple[0], others: simple.length - 1 };
    const [compound] = compoundMoves(turns, pairs);
    if (compound) return { divisions, how: 'compound', move: compound };
    return { divisions, how: 'none', circle: smallestCircle(turns) };
  });
}

/** A new plate: its circles, and the wanted counts that each serves. */
export interface NewPlate {
  readonly circles: readonly { readonly holes: number; readonly serves: readonly number[] }[];
}

export interface NewPlates {
  /** counts that need no new circle */
  readonly served: readonly number[];
  /** counts that need more holes than can be made */
  readonly beyond: readonly number[];
  /** the fewest circles that serve the rest: every choice, fewest holes first */
  readonly choices: readonly NewPlate[];
  /** where a plate of so many circles cannot serve all: circle by circle what serves the most of what is left; null where it can */
  readonly most: (NewPlate & { readonly left: readonly number[] }) | null;
}

/** Circles of one choice at most. */
const MAX_CIRCLES = 12;
const MAX_CHOICES = 20;
const MAX_LOOKED = 300_000;

/**
 * The fewest circles of at most `mostHoles` that serve every wanted count that the set does not serve yet: exact cover, every choice
 * of that size. (handbook: divide, best new plate)
 */
export function newPlates(
  worm: Rational,
  plates: PlateSet,
  wanted: readonly number[],
  mostHoles: number,
): NewPlates {
  const chart = plateChart(worm, plates, [...new Set(wanted)]);
  const served = chart.filter((a) => a.how !== 'none').map((a) => a.divisions);
  const need = chart.flatMap((a) => (a.how === 'none' ? [{ divisions: a.divisions, circle: a.circle }] : []));
  const beyond = need.filter((n) => n.circle > mostHoles).map((n) => n.divisions);
  const open = need.filter((n) => n.circle <= mostHoles);
  // a circle that serves a larger need serves those that divide it: only needs that divide no other are to be covered
  const hard = [...new Set(open.map((n) => n.circle))]
    .sort((a, b) => b - a)
    .filter((q, _, all) => !all.some((other) => other !== q && other % q === 0));
  const choices = covers(hard, mostHoles).map((circles) => ({
    circles: circles.map((holes) => ({
      holes,
      serves: open.filter((n) => holes % n.circle === 0).map((n) => n.divisions),
    })),
  }));
  return {
    served,
    beyond,
    choices,
    most: choices.length > 0 || open.length === 0 ? null : mostServed(open, mostHoles),
  };
}

interface Need {
  readonly divisions: number;
  readonly circle: number;
}

/** Circle by circle the one that serves the most counts of those left, of equals the smallest; as many as one plate takes. */
function mostServed(open: readonly Need[], mostHoles: number): NonNullable<NewPlates['most']> {
  let left = open;
  const circles: NewPlate['circles'][number][] = [];
  while (left.length > 0 && circles.length < MAX_CIRCLES) {
    let best: { readonly holes: number; readonly serves: readonly Need[] } = { holes: 0, serves: [] };
    for (let holes = 2; holes <= mostHoles; holes++) {
      const serves = left.filter((n) => holes % n.circle === 0);
      if (serves.length > best.serves.length) best = { holes, serves };
    }
    const { holes, serves } = best;
    circles.push({ holes, serves: open.filter((n) => holes % n.circle === 0).map((n) => n.divisions) });
    left = left.filter((n) => !serves.includes(n));
  }
  return { circles, left: left.map((n) => n.divisions) };
}

/** Every set of the fewest numbers up to `most` such that each of `needs` divides one of them; smallest sum first. */
function covers(needs: readonly number[], most: number): readonly (readonly number[])[] {
  if (needs.length === 0) return [];
  const widest = Math.max(...needs.map((q) => widestOf(q, needs, most)));
  const limits = { most, widest, left: MAX_LOOKED };
  for (let size = 1; size <= Math.min(MAX_CIRCLES, needs.length); size++) {
    const found = new Map<string, readonly number[]>();
    cover(needs, limits, size, [], found);
    // what was not looked through to its end proves nothing
    if (limits.left <= 0) return [];
    if (found.size > 0) return [...found.values()].sort((a, b) => sum(a) - sum(b)).slice(0, MAX_CHOICES);
  }
  return [];
}

/** The most needs that one circle with `q` holes, or a multiple, meets. */
function widestOf(q: number, needs: readonly number[], most: number): number {
  let widest = 0;
  for (let holes = q; holes <= most; holes += q)
    widest = Math.max(widest, needs.filter((n) => holes % n === 0).length);
  return widest;
}

const sum = (list: readonly number[]): number => list.reduce((n, h) => n + h, 0);

function cover(
  needs: readonly number[],
  limits: { readonly most: number; readonly widest: number; left: number },
  left: number,
  taken: readonly number[],
  found: Map<string, readonly number[]>,
): void {
  const [first] = needs;
  if (first === undefined) {
    const key = [...taken].sort((a, b) => a - b);
    found.set(key.join(' '), key);
    return;
  }
  if (left * limits.widest < needs.length || limits.left-- <= 0) return;
  const tried = new Set<string>();
  for (let holes = first; holes <= limits.most; holes += first) {
    const rest = needs.filter((q) => holes % q !== 0);
    // of circles that meet the same needs the smallest is enough
    const key = rest.join(' ');
    if (tried.has(key)) continue;
    tried.add(key);
    cover(rest, limits, left - 1, [...taken, holes], found);
  }
}
