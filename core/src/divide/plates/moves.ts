import { div, floor, frac, gcd, mul, rational, type Rational } from '../../numbers/index.ts';

/** Hole circles of each plate of a set, in its order. A plain list counts as one plate. */
export type PlateSet = readonly (readonly number[])[];

/** Turns of the crank for one of D divisions, exact. W is the worm's ratio. (handbook: divide, index plates) */
export const turnsOf = (worm: Rational, divisions: number): Rational => div(worm, rational(divisions));

/** Whole turns, then so many holes (spaces) on one circle; the sector arms stand over one hole more. */
export interface SimpleMove {
  /** from 0 */
  readonly plate: number;
  readonly circle: number;
  readonly wholeTurns: number;
  readonly holes: number;
}

/** Every circle of the set that makes the move, smallest circle first. */
export function simpleMoves(turns: Rational, plates: PlateSet): readonly SimpleMove[] {
  const part = frac(turns);
  const wholeTurns = Number(floor(turns));
  return plates
    .flatMap((circles, plate) =>
      circles
        .filter((circle) => BigInt(circle) % part.d === 0n)
        .map((circle) => ({
          plate,
          circle,
          wholeTurns,
          holes: Number((part.n * BigInt(circle)) / part.d),
        })),
    )
    .sort((a, b) => a.circle - b.circle || a.plate - b.plate);
}

/** The smallest circle that makes the move, whether or not it is owned. */
export const smallestCircle = (turns: Rational): number => Number(frac(turns).d);

/** Two moves on two circles of one plate; holes are signed, never 0, and hold the whole turns. */
export interface CompoundMove {
  readonly plate: number;
  readonly circles: readonly [number, number];
  readonly holes: readonly [number, number];
}

/** Total movement of the crank, both ways, in turns. */
export const movementOf = ({ circles, holes }: CompoundMove): Rational =>
  rational(
    BigInt(Math.abs(holes[0])) * BigInt(circles[1]) + BigInt(Math.abs(holes[1])) * BigInt(circles[0]),
    BigInt(circles[0]) * BigInt(circles[1]),
  );

/** What two circles have in common, found once for a whole chart. */
interface Pair {
  readonly plate: number;
  readonly h1: number;
  readonly h2: number;
  readonly gcd: number;
  /** inverse of h2/gcd modulo h1/gcd */
  readonly inverse: number;
}

function inverseOf(a: number, m: number): number {
  let [r0, r1, s0, s1] = [a % m, m, 1, 0];
  while (r1 !== 0) {
    const q = Math.floor(r0 / r1);
    [r0, r1] = [r1, r0 - q * r1];
    [s0, s1] = [s1, s0 - q * s1];
  }
  return ((s0 % m) + m) % m;
}

/** Pairs of circles that stand on one plate. */
export function pairsOf(plates: PlateSet): readonly Pair[] {
  return plates.flatMap((circles, plate) =>
    circles.flatMap((h1, i) =>
      circles
        .slice(i + 1)
        .filter((h2) => h2 !== h1)
        .map((h) => {
          const [a, b] = [Math.min(h1, h), Math.max(h1, h)];
          const common = Number(gcd(BigInt(a), BigInt(b)));
          return { plate, h1: a, h2: b, gcd: common, inverse: inverseOf(b / common, a / common) };
        }),
    ),
  );
}

/**
 * n1/h1 + n2/h2 = turns with one pair: the least movement, of these the fewest holes. All solutions are n1 + k·h1/g, n2 − k·h2/g,
 * and movement is least where both are above 0 or next to it, so four at each end hold the best.
 */
function best(pair: Pair, top: number, bottom: number): CompoundMove | null {
  const { plate, h1, h2, gcd: g, inverse } = pair;
  const whole = top * h1 * h2;
  if (!Number.isSafeInteger(whole) || whole % (bottom * g) !== 0) return null;
  const sum = whole / bottom;
  const [m1, m2] = [h1 / g, h2 / g];
  const first = Number((BigInt((sum / g) % m1) * BigInt(inverse)) % BigInt(m1));
  const last = first + Math.floor(((sum - first * h2) / h1 - 1) / m2) * m1;
  let found: CompoundMove | null = null;
  let least = [Infinity, Infinity];
  for (const start of [first, last])
    for (const k of [-1, 0, 1, 2]) {
      const n1 = start + k * m1;
      const n2 = (sum - n1 * h2) / h1;
      if (n1 === 0 || n2 === 0) continue;
      const movement = Math.abs(n1) * h2 + Math.abs(n2) * h1;
      const holes = Math.abs(n1) + Math.abs(n2);
      if (movement > least[0]! || (movement === least[0] && holes >= least[1]!)) continue;
      least = [movement, holes];
      found = { plate, circles: [h1, h2], holes: [n1, n2] };
    }
  return found;
}

/** The best move of each pair of circles, exact: smallest total movement first, then fewest holes. */
export function compoundMoves(turns: Rational, pairs: readonly Pair[]): readonly CompoundMove[] {
  const [top, bottom] = [Number(turns.n), Number(turns.d)];
  const made = pairs.flatMap((pair) => {
    const move = best(pair, top, bottom);
    if (!move) return [];
    const [[h1, h2], [n1, n2]] = [move.circles, move.holes];
    return [{ move, movement: Math.abs(n1) / h1 + Math.abs(n2) / h2, holes: Math.abs(n1) + Math.abs(n2) }];
  });
  const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9;
  return made
    .sort((a, b) => (near(a.movement, b.movement) ? a.holes - b.holes : a.movement - b.movement))
    .map((m) => m.move);
}

/** The sum of a move made so many times, in turns of the crank: what is proved to be W. */
export const sumOf = (move: SimpleMove | CompoundMove, times: number): Rational => {
  const one =
    'circle' in move
      ? rational(BigInt(move.wholeTurns) * BigInt(move.circle) + BigInt(move.holes), BigInt(move.circle))
      : rational(
          BigInt(move.holes[0]) * BigInt(move.circles[1]) + BigInt(move.holes[1]) * BigInt(move.circles[0]),
          BigInt(move.circles[0]) * BigInt(move.circles[1]),
        );
  return mul(one, rational(times));
};
