import { fitWaves, type Fitted } from './waves.ts';
import { highestPeak } from './periodogram.ts';

/** Readings of a following drive: s and ″ at the axis, in the order of time. */
export interface TrackingRecord {
  readonly times: Float64Array;
  readonly values: Float64Array;
}

/** Something of the train that comes again: its causes, and its period, s. */
export interface Period {
  readonly cause: string;
  readonly periodS: number;
}

export type ComponentState = 'ok' | 'tooShort' | 'notSeparable' | 'tooCoarse';

/** What of the record comes again with one period. */
export interface Component extends Period {
  readonly state: ComponentState;
  /** ±, ″; null where it was not fitted */
  readonly amplitudeArcsec: number | null;
  /** one σ */
  readonly amplitudeError: number | null;
  /** of the variance that is left after the drift, 0 to 1 */
  readonly share: number | null;
}

export interface TrackingFit {
  /** ″ at time 0 */
  readonly offset: number;
  readonly driftArcsecPerHour: number;
  readonly driftError: number;
  /** fitted ones first, the largest first */
  readonly components: readonly Component[];
  readonly residualRmsArcsec: number;
  /** peaks that are no period of the train as it was sampled, above a false alarm of 1 %; `folded` where a faster one shows so */
  readonly unexplained: readonly (Period & {
    readonly amplitudeArcsec: number;
    readonly folded: Period | null;
  })[];
  /** the curve that was fitted, at the readings that were taken in */
  readonly fitted: Float64Array;
  /** readings that lie so far off that they were left out, s */
  readonly outliers: readonly number[];
  /** times of the readings that were taken in, s, and their values, ″ */
  readonly times: Float64Array;
  readonly values: Float64Array;
}

/** A period of which fewer turns were recorded cannot be told. */
const TURNS = 1.5;
const ALARM = 0.01;
const MAX_PEAKS = 5;
const HOUR = 3600;

/** Equal periods as one, with P/2 and P/3 of each. */
function wanted(periods: readonly Period[]): readonly Period[] {
  const by = new Map<string, Period>();
  const put = (cause: string, periodS: number): void => {
    const key = periodS.toPrecision(9);
    const before = by.get(key);
    if (before?.cause.split(', ').includes(cause)) return;
    by.set(key, { cause: before ? `${before.cause}, ${cause}` : cause, periodS });
  };
  // whole turns before their second and third waves: they name a period first
  for (const p of periods) put(p.cause, p.periodS);
  for (const [n, name] of [
    [2, 'second wave'],
    [3, 'third wave'],
  ] as const)
    for (const p of periods) put(`${p.cause}, ${name}`, p.periodS / n);
  return [...by.values()];
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

/** How each period can be told in a record so long and so fine; among those that could, the ones too close to one another. */
function statesOf(all: readonly Period[], span: number, spacing: number): readonly ComponentState[] {
  const alone = all.map((p): ComponentState =>
    spacing > p.periodS / 2 ? 'tooCoarse' : span / p.periodS < TURNS ? 'tooShort' : 'ok',
  );
  return alone.map((state, i) => {
    const near =
      state === 'ok' &&
      all.some(
        (other, j) =>
          j !== i && alone[j] === 'ok' && Math.abs(1 / other.periodS - 1 / all[i]!.periodS) < 1 / span,
      );
    return near ? 'notSeparable' : state;
  });
}

/**
 * What a tracking record says of its drive: offset, drift, and a wave for each period of the train that it can tell, then what is left as
 * peaks. Gives way after each part with how far it has come, 0 to 1, and ends with null when it is told to stop. Null for fewer than 8 readings, or all at one time. (handbook: errors)
 */
export function* fitTracking(
  record: TrackingRecord,
  periods: readonly Period[],
): Generator<number, TrackingFit | null, boolean> {
  const first = yield* fitOnce(record, periods, 0, []);
  if (!first) return null;
  const far = outliersOf(first.residuals);
  if (far.length === 0) return first.fit;
  const kept = Array.from(record.times.keys()).filter((i) => !far.includes(i));
  const without = {
    times: Float64Array.from(kept, (i) => record.times[i]!),
    values: Float64Array.from(kept, (i) => record.values[i]!),
  };
  const again = yield* fitOnce(
    without,
    periods,
    0.5,
    Array.from(far, (i) => record.times[i]!),
  );
  return again ? again.fit : null;
}

/** So many robust deviations off a reading is no reading. (handbook: errors, outliers) */
const FAR = 5;
/** A deviation from the median of absolute ones, for a normal scatter. */
const ROBUST = 1.4826;

/** Readings that lie beyond five robust deviations of what a fit leaves; none where they are more than a tenth: then it is no outlier. */
function outliersOf(residuals: Float64Array): readonly number[] {
  const all = Array.from(residuals);
  const middle = median(all);
  const deviation = ROBUST * median(all.map((r) => Math.abs(r - middle)));
  const far = all.flatMap((r, i) => (Math.abs(r - middle) > FAR * deviation ? [i] : []));
  return deviation > 0 && far.length <= all.length / 10 ? far : [];
}

function* fitOnce(
  { times, values }: TrackingRecord,
  periods: readonly Period[],
  begun: number,
  outliers: readonly number[],
): Generator<number, { readonly fit: TrackingFit; readonly residuals: Float64Array } | null, boolean> {
  const part = (done: number): number => begun + done / 2;
  const count = times.length;
  const span = count > 1 ? times[count - 1]! - times[0]! : 0;
  if (count < 8 || !(span > 0)) return null;
  const spacing = median(Array.from({ length: count - 1 }, (_, i) => times[i + 1]! - times[i]!));
  const all = wanted(periods);
  const states = statesOf(all, span, spacing);
  const told = all.filter((_, i) => states[i] === 'ok').slice(0, Math.max(0, Math.floor(count / 2) - 2));
  if (yield part(0.05)) return null;
  const straight = fitWaves(times, values, [])!;
  let found: number[] = [];
  let fit: Fitted =
    fitWaves(
      times,
      values,
      told.map((p) => p.periodS),
    ) ?? straight;
  if (yield part(0.5)) return null;
  for (let i = 0; i < MAX_PEAKS; i++) {
    const peak = highestPeak(times, fit.residuals);
    if (yield part(0.5 + (0.5 * (i + 1)) / MAX_PEAKS)) return null;
    if (!peak || peak.falseAlarm > ALARM) break;
    const next: Fitted | null = fitWaves(times, values, [
      ...told.map((p) => p.periodS),
      ...found,
      peak.periodS,
    ]);
    if (!next) break;
    found = [...found, peak.periodS];
    fit = next;
  }
  const variance = straight.rest ** 2;
  const amplitude = (i: number): number | null => fit.amplitudes[i] ?? null;
  const components = all.map((p, i): Component => {
    const at = told.indexOf(p);
    const size = at < 0 ? null : amplitude(at);
    return {
      ...p,
      state: states[i]!,
      amplitudeArcsec: size,
      amplitudeError: at < 0 ? null : (fit.amplitudeErrors[at] ?? null),
      share: size === null || variance === 0 ? null : size ** 2 / 2 / variance,
    };
  });
  const made: TrackingFit = {
    offset: fit.offset,
    driftArcsecPerHour: fit.driftPerSecond * HOUR,
    driftError: fit.driftError * HOUR,
    components: components.sort(
      (a, b) => (b.amplitudeArcsec ?? -1) - (a.amplitudeArcsec ?? -1) || b.periodS - a.periodS,
    ),
    residualRmsArcsec: fit.rest,
    unexplained: found.map((periodS, i) => ({
      cause: nearest(all, periodS),
      periodS,
      amplitudeArcsec: amplitude(told.length + i) ?? 0,
      folded: foldedFrom(all, periodS, spacing),
    })),
    fitted: values.map((v, i) => v - fit.residuals[i]!),
    outliers,
    times,
    values,
  };
  return { fit: made, residuals: fit.residuals };
}

/** How near a folded period must lie to the peak, parts of it. */
const FOLDED = 0.03;

/** A wave that comes round faster than twice the samples shows as 1/|1/P − n/Δ|: the one of the train that this peak is. (handbook: errors, folded periods) */
function foldedFrom(all: readonly Period[], periodS: number, spacing: number): Period | null {
  let best: { readonly period: Period; readonly off: number } | null = null;
  for (const period of all) {
    if (spacing <= period.periodS / 2) continue;
    const n = Math.round(spacing / period.periodS);
    const rate = Math.abs(1 / period.periodS - n / spacing);
    if (rate === 0) continue;
    const off = Math.abs(1 / rate / periodS - 1);
    if (off < FOLDED && (best === null || off < best.off)) best = { period, off };
  }
  return best?.period ?? null;
}

/** The nearest period of the train, for a peak that is none of it; empty without any. */
function nearest(all: readonly Period[], periodS: number): string {
  let best: Period | null = null;
  for (const p of all)
    if (!best || Math.abs(Math.log(p.periodS / periodS)) < Math.abs(Math.log(best.periodS / periodS)))
      best = p;
  return best ? best.cause : '';
}
