import type { CompoundMove, PlateSet, SimpleMove } from '../../../divide/index.ts';

/** Where a hole stands in a square of 2 about the middle, and what it is to the move. */
export interface PlateHole {
  readonly x: number;
  readonly y: number;
  readonly is: 'start' | 'end' | 'between' | 'on' | 'other';
}

/** A plate seen from the crank: its circles, the holes of the move, where the sector arms stand. */
export interface PlatePicture {
  readonly plate: number;
  readonly message: string;
  readonly rings: readonly { readonly holes: number; readonly r: number; readonly used: boolean }[];
  readonly dots: readonly PlateHole[];
  /** of the arms, radians clockwise from the top; none where two circles are used */
  readonly arms: readonly [number, number] | null;
  readonly moves: readonly { readonly circle: number; readonly holes: number; readonly r: number }[];
}

/** Rings lie evenly between these radii. */
const [INNER, OUTER] = [0.36, 0.9];

/** The plate of a move, made so many times before. Clockwise is forward. */
export function platePicture(plates: PlateSet, move: SimpleMove | CompoundMove, before = 0): PlatePicture {
  const circles = [...(plates[move.plate] ?? [])].sort((a, b) => a - b);
  const moved =
    'circle' in move
      ? [{ circle: move.circle, holes: move.holes }]
      : move.circles.map((circle, i) => ({ circle, holes: move.holes[i]! }));
  const rings = circles.map((holes, i) => ({
    holes,
    r: circles.length === 1 ? OUTER : INNER + ((OUTER - INNER) * i) / (circles.length - 1),
    used: moved.some((m) => m.circle === holes),
  }));
  const dots = rings.flatMap(({ holes, r }): PlateHole[] => {
    const by = moved.find((m) => m.circle === holes)?.holes ?? null;
    const first = by === null ? 0 : (((by * before) % holes) + holes) % holes;
    return Array.from({ length: holes }, (_, i) => {
      const angle = (2 * Math.PI * i) / holes;
      return {
        x: r * Math.sin(angle),
        y: -r * Math.cos(angle),
        is: by === null ? 'other' : kindOf((i - first + holes) % holes, by, holes),
      };
    });
  });
  const [only] = moved;
  return {
    plate: move.plate,
    message: `${circles[0] ?? ''} to ${circles.at(-1) ?? ''}`,
    rings,
    dots,
    arms: moved.length === 1 ? armsOf(only!, before) : null,
    moves: moved.map((m) => ({ ...m, r: rings.find((ring) => ring.holes === m.circle)?.r ?? 0 })),
  };
}

/** Where the sector arms stand for the move after so many: radians clockwise from the top. */
function armsOf(
  { circle, holes }: { readonly circle: number; readonly holes: number },
  before: number,
): readonly [number, number] {
  const start = (2 * Math.PI * ((holes * before) % circle)) / circle;
  return [start, start + (2 * Math.PI * holes) / circle];
}

/** What hole `i` of a circle is to a move of `by` holes, which may be back or more than a turn. */
function kindOf(i: number, by: number, holes: number): PlateHole['is'] {
  if (i === 0) return 'start';
  const end = ((by % holes) + holes) % holes;
  if (i === end) return 'end';
  const between = by >= 0 ? i < end : i > end;
  return between ? 'between' : 'on';
}
