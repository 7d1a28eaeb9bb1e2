import { measureOf, type MeasureId } from './measures.ts';

/**
 * Values of one measure as places, the best first: values within `alike` of the least of a place share it, and what is not known comes
 * last. A place reaches so far from its own least, not from link to link. (handbook: choose)
 */
export function placesOf(values: readonly (number | null)[], alike = 0): (value: number | null) => number {
  const known = values.filter((v) => v !== null).sort((a, b) => a - b);
  const starts: number[] = [];
  let reach = -Infinity;
  for (const value of known) {
    if (value <= reach) continue;
    starts.push(value);
    reach = value + Math.abs(value) * alike;
  }
  return (value) => {
    if (value === null) return starts.length;
    let [low, high] = [0, starts.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (starts[middle]! <= value) low = middle + 1;
      else high = middle;
    }
    return low - 1;
  };
}

/** What was made of comparing: what nothing beats, by the measures in their order. */
export interface Compared<T> {
  readonly best: readonly T[];
  /** left out because another is as good in everything that counts, and simpler */
  readonly equal: number;
}

/** Each with its values, in the order of the measures. */
interface Valued {
  readonly values: readonly (number | null)[];
}

/** Of all those that nothing beats: nothing is as good in every measure and better in one. `simpler` chooses among equals. */
export function undominated<T extends Valued>(
  all: readonly T[],
  ids: readonly MeasureId[],
  simpler: (a: T, b: T) => number,
): Compared<T> {
  const place = ids.map((id, i) =>
    placesOf(
      all.map((c) => c.values[i]!),
      measureOf(id).alike,
    ),
  );
  const byPlaces = new Map<string, { readonly at: readonly number[]; all: T[] }>();
  for (const one of all) {
    const at = one.values.map((v, i) => place[i]!(v));
    const key = at.join(' ');
    const known = byPlaces.get(key);
    if (known) known.all.push(one);
    else byPlaces.set(key, { at, all: [one] });
  }
  const groups = [...byPlaces.values()].sort((a, b) => lexically(a.at, b.at));
  // one that beats another stands before it, and of those that beat it one is itself unbeaten
  const kept: typeof groups = [];
  for (const group of groups)
    if (!kept.some((k) => k.at.every((p, i) => p <= group.at[i]!))) kept.push(group);
  return {
    best: kept.map((g) => [...g.all].sort(simpler)[0]!),
    equal: kept.reduce((n, g) => n + g.all.length - 1, 0),
  };
}

function lexically(a: readonly number[], b: readonly number[]): number {
  for (const [i, n] of a.entries()) if (n !== b[i]) return n - b[i]!;
  return 0;
}
