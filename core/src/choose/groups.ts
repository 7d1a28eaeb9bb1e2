import { gcd, lcm, type Rational } from '../numbers/index.ts';
import type { Drive, Plates } from '../drive/index.ts';
import { steeredCounts } from '../motion/index.ts';
import { Bounds, type Left } from './bounds.ts';
import { candidateOf, driveWith } from './candidate.ts';
import { measureOf } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import type { SourceChoice } from './stock.ts';
import { windowsOf, type Window } from './window.ts';

/** A ratio with which the steps of any motor are finer than any encoder counts. */
const FINE = '1000000000';
/** Sources of whose drives the same is known: those that go by their own steps, by plates, by one encoder at one place. */
export interface Group {
  readonly bounds: Bounds;
  readonly windows: readonly Windowed[];
  /** what the drives of it go by, and must be coarser than */
  readonly steered: boolean;
}
export interface Windowed {
  readonly source: SourceChoice;
  readonly of: (mode: number) => Window;
}

/**
 * Whether the holes of plates could make every count behind a worm of this ratio: what a count leaves of it must divide the circles taken
 * together. What passes is asked of the plates themselves. (handbook: divide, index plates)
 */
export function mayLand(
  { plates, gears = [] }: Plates,
  { n, d }: Rational,
  counts: readonly number[],
): boolean {
  if (gears.length > 0) return true;
  const circles = lcm(plates.flat().map(BigInt));
  return counts.every((count) => {
    const all = BigInt(count) * d;
    return circles % (all / gcd(all, n)) === 0n;
  });
}

/** The sources of a request, those of which the same is known together. */
export function groupsOf(request: ChooseRequest): readonly Group[] {
  const windowOf = windowsOnce(request.wanted);
  const keys = [...new Set(request.sources.map(goesBy))];
  return keys.flatMap((key) =>
    groupOf({ ...request, sources: request.sources.filter((s) => goesBy(s) === key) }, windowOf),
  );
}

/** What the drives of a choice stop by beside its steps. */
export const goesBy = ({ encoder, plates }: SourceChoice): string => JSON.stringify([encoder, plates]);

/** The windows of a motor are the same with an encoder and without. */
function windowsOnce(wanted: Drive): (choice: SourceChoice) => Windowed['of'] {
  const known = new Map<string, Windowed['of']>();
  return (choice) => {
    const key = JSON.stringify([choice.source, choice.plates]);
    const of = known.get(key) ?? windowsOf(wanted, choice);
    known.set(key, of);
    return of;
  };
}

/** None where an encoder cannot decide: behind a wheel that locks, on an arm. */
function groupOf(
  request: ChooseRequest,
  windowOf: (choice: SourceChoice) => Windowed['of'],
): readonly Group[] {
  const [first] = request.sources;
  const steered = first!.encoder !== undefined;
  const left = steered ? leftBy(request, first!) : null;
  if (steered && !left) return [];
  return [
    {
      bounds: new Bounds(request, left),
      windows: request.sources.map((source) => ({ source, of: windowOf(source) })),
      steered,
    },
  ];
}

/** What an encoder leaves is the same of every train that is fine enough for it: one that is surely tells it. */
function leftBy({ wanted }: ChooseRequest, choice: SourceChoice): Left | null {
  const fine = driveWith(wanted, choice, choice.modes[0]!, [{ kind: 'ratio', value: FINE }]);
  const candidate = candidateOf(fine, { buy: null, make: 0 });
  if (!steeredCounts(fine, candidate.of.k)) return null;
  return {
    error: measureOf('error').of(candidate) ?? 0,
    grade: measureOf('grade').of(candidate) ?? 0,
  };
}
