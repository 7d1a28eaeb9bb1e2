export const mean = (v: Float64Array): number => v.reduce((n, x) => n + x, 0) / v.length;
export const squares = (v: Float64Array): number => v.reduce((n, x) => n + x * x, 0);
export const dot = (a: Float64Array, b: Float64Array): number => a.reduce((n, x, i) => n + x * b[i]!, 0);

/** Without its mean. */
export function centred(values: ArrayLike<number>): Float64Array {
  const v = Float64Array.from(values);
  const m = mean(v);
  return v.map((x) => x - m);
}

/** One column against the record: how much it leaves, and its factor. */
export function along(
  record: Float64Array,
  column: Float64Array,
): { readonly rest: number; readonly factor: number } {
  const size = squares(column);
  if (size < 1e-12) return { rest: squares(record), factor: 0 };
  const factor = dot(record, column) / size;
  return { rest: squares(record) - factor ** 2 * size, factor };
}

/** The two columns of a wave of so many turns over n places. */
export interface WaveColumns {
  readonly s: Float64Array;
  readonly c: Float64Array;
  readonly ss: number;
  readonly cc: number;
  readonly sc: number;
}

/** Columns are the same for a record and for the noise that it must beat. */
export type Known = Map<number, WaveColumns>;

export function waveColumns(known: Known, n: number, turns: number): WaveColumns {
  const found = known.get(turns);
  if (found) return found;
  const of = (f: (a: number) => number): Float64Array =>
    centred(Array.from({ length: n }, (_, i) => f((2 * Math.PI * ((turns * i) % n)) / n)));
  const [s, c] = [of(Math.sin), of(Math.cos)];
  const made = { s, c, ss: squares(s), cc: squares(c), sc: dot(s, c) };
  known.set(turns, made);
  return made;
}

/** A wave of so many turns over the places. */
export function wave(
  record: Float64Array,
  turns: number,
  known: Known,
): { readonly rest: number; readonly arcsec: number } {
  const n = record.length;
  const { s, c, ss, cc, sc } = waveColumns(known, n, turns);
  const det = ss * cc - sc * sc;
  if (det < 1e-9 * n * n) {
    const one = along(record, ss > cc ? s : c);
    return { rest: one.rest, arcsec: Math.abs(one.factor) };
  }
  const [rs, rc] = [dot(record, s), dot(record, c)];
  const [a, b] = [(rs * cc - rc * sc) / det, (rc * ss - rs * sc) / det];
  return { rest: squares(record) - a * rs - b * rc, arcsec: Math.hypot(a, b) };
}
