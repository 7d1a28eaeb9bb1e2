import { abs, add, div, mul, rational, sub, toText, type Rational } from '../../numbers/index.ts';
import { simpleMoves, turnsOf, type PlateSet, type SimpleMove } from './moves.ts';

/** Dividing as for a count near the wanted one, with wheels from the spindle that turn the plate meanwhile. (handbook: divide, index plates) */
export interface Differential {
  readonly near: number;
  readonly move: SimpleMove;
  /** plate turns for one of the spindle; negative: against the crank, one idler more */
  readonly ratio: Rational;
  readonly drivers: readonly number[];
  readonly driven: readonly number[];
}

interface Wheels {
  readonly drivers: readonly number[];
  readonly driven: readonly number[];
}

const gcdOf = (a: number, b: number): number => (b === 0 ? a : gcdOf(b, a % b));

/** As an exact rational is written. */
function ratioText(top: number, bottom: number): string {
  const common = gcdOf(top, bottom);
  return bottom === common ? String(top / common) : `${top / common}/${bottom / common}`;
}

const known = new WeakMap<readonly number[], ReadonlyMap<string, Wheels>>();

/** Every ratio of two or four of the wheels that are there, each with the fewest wheels and teeth. Kept for a set of wheels: there are thousands. */
export function wheelRatios(gears: readonly number[]): ReadonlyMap<string, Wheels> {
  const made = known.get(gears) ?? ratiosOf([...gears].sort((a, b) => a - b));
  known.set(gears, made);
  return made;
}

function ratiosOf(gears: readonly number[]): ReadonlyMap<string, Wheels> {
  const out = new Map<string, Wheels & { readonly teeth: number }>();
  const offer = (drivers: readonly number[], driven: readonly number[], teeth: number): void => {
    const key = ratioText(
      drivers.reduce((n, z) => n * z, 1),
      driven.reduce((n, z) => n * z, 1),
    );
    const best = out.get(key);
    if (best && (best.drivers.length < drivers.length || best.teeth <= teeth)) return;
    out.set(key, { drivers, driven, teeth });
  };
  const n = gears.length;
  const z = (i: number): number => gears[i]!;
  for (let a = 0; a < n; a++) for (let b = 0; b < n; b++) if (a !== b) offer([z(a)], [z(b)], z(a) + z(b));
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++)
      for (let c = 0; c < n; c++)
        for (let d = c + 1; d < n; d++) {
          if (c === a || c === b || d === a || d === b) continue;
          offer([z(a), z(b)], [z(c), z(d)], z(a) + z(b) + z(c) + z(d));
        }
  return out;
}

/** How far from the wanted count the other may be: a fifth, at least ten. */
const reach = (divisions: number): number => Math.max(10, Math.ceil(divisions / 5));

/** Counts of a range that some circle makes: n holes of h are W·h/n, so few n come into question however wide the range. */
function countsOfCircles(worm: Rational, plates: PlateSet, from: number, to: number): readonly number[] {
  const out = new Set<number>();
  for (const circle of new Set(plates.flat())) {
    const top = worm.n * BigInt(circle);
    const least = top / (worm.d * BigInt(to)) || 1n;
    const most = top / (worm.d * BigInt(from));
    // of a great worm the counts themselves are fewer
    if (most - least > BigInt(to - from)) return Array.from({ length: to - from + 1 }, (_, i) => from + i);
    for (let holes = least; holes <= most; holes++) {
      const bottom = worm.d * holes;
      if (top % bottom !== 0n) continue;
      const count = Number(top / bottom);
      if (count >= from && count <= to) out.add(count);
    }
  }
  return [...out].sort((a, b) => a - b);
}

/** All that can be set up: fewest wheels first, then the nearest count, the smaller of two. Exact. */
export function differentials(
  worm: Rational,
  divisions: number,
  plates: PlateSet,
  ratios: ReadonlyMap<string, Wheels>,
): readonly Differential[] {
  const out: Differential[] = [];
  const by = reach(divisions);
  for (const near of countsOfCircles(worm, plates, Math.max(1, divisions - by), divisions + by)) {
    if (near === divisions) continue;
    const [move] = simpleMoves(turnsOf(worm, near), plates);
    if (!move) continue;
    const ratio = div(mul(worm, sub(rational(near), rational(divisions))), rational(near));
    const wheels = ratios.get(toText(abs(ratio)));
    if (wheels) out.push({ near, move, ratio, ...wheels });
  }
  const away = (d: Differential): number => Math.abs(d.near - divisions);
  return out.sort((a, b) => a.drivers.length - b.drivers.length || away(a) - away(b) || a.near - b.near);
}

/** Turns of the crank that D moves make, with what the plate turned meanwhile: exactly W when it is right. */
export const differentialSum = (worm: Rational, divisions: number, d: Differential): Rational => {
  const moved = mul(rational(divisions), turnsOf(worm, d.near));
  const made = div(
    d.drivers.reduce((n, z) => mul(n, rational(z)), rational(1)),
    d.driven.reduce((n, z) => mul(n, rational(z)), rational(1)),
  );
  return add(moved, mul(made, rational(d.ratio.s)));
};
