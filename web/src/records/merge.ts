/** Plain data, as records are made of. */
type Data = Record<string, unknown>;

const isData = (value: unknown): value is Data =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Do two pieces of plain data say the same, whichever order their keys have? What comes out of the database is of no class of ours. */
export function equal(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a))
    return Array.isArray(b) && a.length === b.length && a.every((value, i) => equal(value, b[i]));
  if (!isData(a) || !isData(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => key in b && equal(a[key], b[key]));
}

/** What came of a merge, and whether somewhere both sides had changed the same thing. */
export interface Merged<T> {
  readonly value: T;
  readonly clashes: number;
}

/**
 * Three-way merge of plain data: what `ours` made of `base`, brought to `theirs`, which was made of the same base by somebody else.
 * Where both changed the same value, `keep` says whose stands. Lists are followed by their content, not by their indexes, so that a
 * stage that was put in elsewhere does not shift the change to its neighbour. Things of different `kind` are changed whole or not at all.
 */
export function merge<T>(base: T, ours: T, theirs: T, keep: 'ours' | 'theirs'): Merged<T> {
  let clashes = 0;
  const clash = (a: unknown, b: unknown): unknown => {
    clashes++;
    return keep === 'ours' ? a : b;
  };
  const walk = (from: unknown, mine: unknown, other: unknown): unknown => {
    if (equal(from, other)) return mine;
    if (equal(from, mine) || equal(mine, other)) return other;
    if (
      isData(from) &&
      isData(mine) &&
      isData(other) &&
      from['kind'] === mine['kind'] &&
      mine['kind'] === other['kind']
    )
      return keyed(from, mine, other);
    if (Array.isArray(from) && Array.isArray(mine) && Array.isArray(other)) return listed(from, mine, other);
    return clash(mine, other);
  };
  const keyed = (from: Data, mine: Data, other: Data): Data => {
    const out: Data = {};
    for (const key of new Set([...Object.keys(other), ...Object.keys(mine)])) {
      const value = walk(from[key], mine[key], other[key]);
      if (value !== undefined) out[key] = value;
    }
    return out;
  };
  const listed = (from: readonly unknown[], mine: readonly unknown[], other: readonly unknown[]): unknown => {
    if (from.length === mine.length && from.length === other.length)
      return from.map((value, i) => walk(value, mine[i], other[i]));
    const [a, b] = [hunk(from, mine), hunk(from, other)];
    if (a.end <= b.start)
      return [
        ...from.slice(0, a.start),
        ...a.put,
        ...from.slice(a.end, b.start),
        ...b.put,
        ...from.slice(b.end),
      ];
    if (b.end <= a.start)
      return [
        ...from.slice(0, b.start),
        ...b.put,
        ...from.slice(b.end, a.start),
        ...a.put,
        ...from.slice(a.end),
      ];
    return clash(mine, other);
  };
  const value = walk(base, ours, theirs) as T;
  return { value, clashes };
}

/** The one stretch of a list that was replaced: from `start` up to `end`, by `put`. */
function hunk(
  from: readonly unknown[],
  to: readonly unknown[],
): { readonly start: number; readonly end: number; readonly put: readonly unknown[] } {
  const most = Math.min(from.length, to.length);
  let start = 0;
  while (start < most && equal(from[start], to[start])) start++;
  let tail = 0;
  while (tail < most - start && equal(from.at(-1 - tail), to.at(-1 - tail))) tail++;
  return { start, end: from.length - tail, put: to.slice(start, to.length - tail) };
}
