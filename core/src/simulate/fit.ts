/** What was fitted to a record. */
export interface Fitted {
  /** of each period, ″ */
  readonly amplitudes: readonly number[];
  readonly driftPerSecond: number;
  /** root mean square of what is left */
  readonly rest: number;
}

/**
 * Least squares of an offset, a drift, and a sine and cosine of each period. Times in s, any spacing; null where the periods cannot be
 * told apart in the record. (handbook: errors, reading a measurement)
 */
export function fitWaves(
  times: Float64Array,
  values: Float64Array,
  periods: readonly number[],
): Fitted | null {
  const n = 2 + 2 * periods.length;
  const count = times.length;
  if (count < n) return null;
  const middle = (times[0]! + times[count - 1]!) / 2;
  const half = Math.max(1e-12, (times[count - 1]! - times[0]!) / 2);
  const matrix = Array.from({ length: n }, () => new Float64Array(n + 1));
  const row = new Float64Array(n);
  const fill = (i: number): void => {
    row[0] = 1;
    row[1] = (times[i]! - middle) / half;
    periods.forEach((p, j) => {
      const a = (2 * Math.PI * times[i]!) / p;
      row[2 + 2 * j] = Math.sin(a);
      row[3 + 2 * j] = Math.cos(a);
    });
  };
  for (let i = 0; i < count; i++) {
    fill(i);
    for (let r = 0; r < n; r++) {
      const line = matrix[r]!;
      for (let c = r; c < n; c++) line[c]! += row[r]! * row[c]!;
      line[n]! += row[r]! * values[i]!;
    }
  }
  for (let r = 0; r < n; r++) for (let c = 0; c < r; c++) matrix[r]![c] = matrix[c]![r]!;
  const x = solved(matrix, count);
  if (!x) return null;
  let rest = 0;
  for (let i = 0; i < count; i++) {
    fill(i);
    let at = values[i]!;
    for (let c = 0; c < n; c++) at -= x[c]! * row[c]!;
    rest += at * at;
  }
  return {
    amplitudes: periods.map((_, j) => Math.hypot(x[2 + 2 * j]!, x[3 + 2 * j]!)),
    driftPerSecond: x[1]! / half,
    rest: Math.sqrt(rest / count),
  };
}

/** Elimination with the largest pivot; null where there is none worth the name. */
function solved(a: Float64Array[], scale: number): Float64Array | null {
  const n = a.length;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let r = k + 1; r < n; r++) if (Math.abs(a[r]![k]!) > Math.abs(a[best]![k]!)) best = r;
    [a[k], a[best]] = [a[best]!, a[k]!];
    const pivot = a[k]![k]!;
    if (Math.abs(pivot) < 1e-9 * scale) return null;
    for (let r = k + 1; r < n; r++) {
      const f = a[r]![k]! / pivot;
      for (let c = k; c <= n; c++) a[r]![c]! -= f * a[k]![c]!;
    }
  }
  const x = new Float64Array(n);
  for (let r = n - 1; r >= 0; r--) {
    let sum = a[r]![n]!;
    for (let c = r + 1; c < n; c++) sum -= a[r]![c]! * x[c]!;
    x[r] = sum / a[r]![r]!;
  }
  return x;
}
