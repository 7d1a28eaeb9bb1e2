/** What was fitted to a record. Amplitudes are ±, in the unit of the record; errors are one σ. */
export interface Fitted {
  readonly offset: number;
  readonly driftPerSecond: number;
  readonly driftError: number;
  /** of each period */
  readonly amplitudes: readonly number[];
  readonly amplitudeErrors: readonly number[];
  /** where each wave stands at time 0, rad: A·sin(2πt/P + φ) */
  readonly phases: readonly number[];
  /** root mean square of what is left */
  readonly rest: number;
  /** what is left at each reading */
  readonly residuals: Float64Array;
}

/** Upper triangle of the normal equations' Cholesky factor; null where columns say the same. */
function factored(a: readonly Float64Array[]): readonly Float64Array[] | null {
  const n = a.length;
  const l = Array.from({ length: n }, () => new Float64Array(n));
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = a[i]![j]!;
      for (let k = 0; k < j; k++) sum -= l[i]![k]! * l[j]![k]!;
      if (i !== j) l[i]![j] = sum / l[j]![j]!;
      else {
        // what a column has beyond those before it, against itself
        if (sum <= 1e-9 * a[i]![i]!) return null;
        l[i]![i] = Math.sqrt(sum);
      }
    }
  return l;
}

/** Solves L·Lᵀ·x = b in place. */
function solved(l: readonly Float64Array[], b: Float64Array): Float64Array {
  const n = l.length;
  for (let i = 0; i < n; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= l[i]![k]! * b[k]!;
    b[i] = sum / l[i]![i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let k = i + 1; k < n; k++) sum -= l[k]![i]! * b[k]!;
    b[i] = sum / l[i]![i]!;
  }
  return b;
}

/**
 * Least squares of an offset, a drift, and a sine and cosine of each period. Times in s, any spacing; null where there are too few readings,
 * or the periods cannot be told apart in them. (handbook: errors, reading a measurement)
 */
export function fitWaves(
  times: Float64Array,
  values: Float64Array,
  periods: readonly number[],
): Fitted | null {
  const n = 2 + 2 * periods.length;
  const count = times.length;
  if (count <= n) return null;
  const first = times[0]!;
  const middle = (first + times[count - 1]!) / 2;
  const half = Math.max(1e-12, (times[count - 1]! - first) / 2);
  const row = new Float64Array(n);
  const fill = (i: number): void => {
    row[0] = 1;
    row[1] = (times[i]! - middle) / half;
    for (let j = 0; j < periods.length; j++) {
      const a = (2 * Math.PI * times[i]!) / periods[j]!;
      row[2 + 2 * j] = Math.sin(a);
      row[3 + 2 * j] = Math.cos(a);
    }
  };
  const normal = Array.from({ length: n }, () => new Float64Array(n));
  const right = new Float64Array(n);
  for (let i = 0; i < count; i++) {
    fill(i);
    for (let r = 0; r < n; r++) {
      const line = normal[r]!;
      const at = row[r]!;
      for (let c = 0; c <= r; c++) line[c]! += at * row[c]!;
      right[r]! += at * values[i]!;
    }
  }
  const l = factored(normal);
  if (!l) return null;
  const x = solved(l, right);
  const residuals = new Float64Array(count);
  let squares = 0;
  for (let i = 0; i < count; i++) {
    fill(i);
    let left = values[i]!;
    for (let c = 0; c < n; c++) left -= x[c]! * row[c]!;
    residuals[i] = left;
    squares += left * left;
  }
  const variance = squares / (count - n);
  const column = (c: number): Float64Array => {
    const unit = new Float64Array(n);
    unit[c] = 1;
    return solved(l, unit);
  };
  const amplitudes: number[] = [];
  const amplitudeErrors: number[] = [];
  const phases: number[] = [];
  periods.forEach((_, j) => {
    const [s, c] = [x[2 + 2 * j]!, x[3 + 2 * j]!];
    const size = Math.hypot(s, c);
    const bySine = column(2 + 2 * j);
    const byCosine = column(3 + 2 * j);
    const [ss, sc, cc] = [bySine[2 + 2 * j]!, bySine[3 + 2 * j]!, byCosine[3 + 2 * j]!];
    // along the wave's own phase; where it is nothing, either way
    const along = size > 0 ? (s * s * ss + 2 * s * c * sc + c * c * cc) / size ** 2 : Math.max(ss, cc);
    amplitudes.push(size);
    amplitudeErrors.push(Math.sqrt(Math.max(0, variance * along)));
    phases.push(Math.atan2(c, s));
  });
  return {
    offset: x[0]! - (x[1]! * middle) / half,
    driftPerSecond: x[1]! / half,
    driftError: Math.sqrt(Math.max(0, variance * column(1)[1]!)) / half,
    amplitudes,
    amplitudeErrors,
    phases,
    rest: Math.sqrt(squares / count),
    residuals,
  };
}
