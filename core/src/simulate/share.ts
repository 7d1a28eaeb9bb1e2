/** What is asked of a record: the motion within exposures that begin anywhere in it. */
export interface SharesAsked {
  /** ″, `stepSeconds` apart */
  readonly values: Float64Array;
  readonly stepSeconds: number;
  /** s, rising */
  readonly exposures: readonly number[];
  /** greatest less least that still looks round, ″ */
  readonly allowed: number;
  /** ″ a second, at right angles to the record */
  readonly acrossPerSecond: number;
}

/** Of one length of exposure. */
export interface ShareAt {
  readonly seconds: number;
  /** part of the starts whose motion stays within what is allowed */
  readonly share: number;
  /** where the worst begins, s, and what it moves, ″ */
  readonly worstStart: number;
  readonly worst: number;
}

/**
 * Greatest less least within `width` samples, from each of so many starts: two queues of candidates, one pass. `at` is told each in turn.
 */
function windows(
  values: Float64Array,
  width: number,
  starts: number,
  at: (i: number, range: number) => void,
) {
  const [high, low] = [new Int32Array(values.length), new Int32Array(values.length)];
  let [h0, h1, l0, l1] = [0, 0, 0, 0];
  const last = starts + width - 1;
  for (let i = 0; i < last; i++) {
    const v = values[i]!;
    while (h1 > h0 && values[high[h1 - 1]!]! <= v) h1--;
    high[h1++] = i;
    while (l1 > l0 && values[low[l1 - 1]!]! >= v) l1--;
    low[l1++] = i;
    const first = i - width + 1;
    if (first < 0) continue;
    if (high[h0]! < first) h0++;
    if (low[l0]! < first) l0++;
    at(first, values[high[h0]!]! - values[low[l0]!]!);
  }
}

/** Share of exposures that stay round, for each length; gives way after each with how far it has come. (handbook: follow, what the camera sees) */
export function* shares(asked: SharesAsked): Generator<number, readonly ShareAt[], boolean | undefined> {
  const { values, stepSeconds, exposures, allowed, acrossPerSecond } = asked;
  const out: ShareAt[] = [];
  const longest = Math.round((exposures.at(-1) ?? 0) / stepSeconds) + 1;
  const starts = values.length - longest + 1;
  if (starts < 1) return out;
  for (const [n, seconds] of exposures.entries()) {
    if (n > 0 && (yield n / exposures.length)) return out;
    const across = acrossPerSecond * seconds;
    const along = allowed >= across ? Math.sqrt(allowed ** 2 - across ** 2) : -1;
    let [within, worst, worstStart] = [0, -1, 0];
    windows(values, Math.round(seconds / stepSeconds) + 1, starts, (i, range) => {
      if (range <= along) within++;
      if (range > worst) [worst, worstStart] = [range, i];
    });
    out.push({
      seconds,
      share: within / starts,
      worstStart: worstStart * stepSeconds,
      worst: Math.hypot(worst, across),
    });
  }
  return out;
}
