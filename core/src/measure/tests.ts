/** Small tests with a dial, a stop watch and a count. (handbook: errors, reading a measurement; run, the log) */

/** Share of kept exposures with Wilson's interval at 95 %: 7 of 9: 0.45 to 0.94. */
export function wilson(
  kept: number,
  taken: number,
): { readonly share: number; readonly low: number; readonly high: number } {
  const z = 1.959963984540054;
  if (taken === 0) return { share: 0, low: 0, high: 1 };
  const p = kept / taken;
  const d = 1 + z ** 2 / taken;
  const middle = (p + z ** 2 / 2 / taken) / d;
  const half = (z / d) * Math.sqrt((p * (1 - p)) / taken + z ** 2 / 4 / taken ** 2);
  return { share: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** Forward, back, forward: how far apart the two ways stand, with its spread. Readings alternate, the first is forward; null for fewer than two. */
export function lostMotionOf(
  readings: readonly number[],
): { readonly play: number; readonly spread: number } | null {
  const forth = readings.filter((_, i) => i % 2 === 0);
  const back = readings.filter((_, i) => i % 2 === 1);
  if (forth.length === 0 || back.length === 0) return null;
  const mean = (v: readonly number[]): number => v.reduce((n, x) => n + x, 0) / v.length;
  const range = (v: readonly number[]): number => Math.max(...v) - Math.min(...v);
  return { play: Math.abs(mean(forth) - mean(back)), spread: Math.max(range(forth), range(back)) };
}

/** How far a speed is off, ppm, positive when fast, from turns counted in a time against a wanted time of one turn. */
export const speedPpm = (turns: number, seconds: number, wantedSeconds: number): number =>
  ((turns * wantedSeconds) / seconds - 1) * 1e6;

/** How long a bump takes to die away: (n/f)·log2(A0/A), n swings to halve. */
export const settlingSeconds = (swingsToHalve: number, hz: number, from: number, to: number): number =>
  Math.max(0, (swingsToHalve / hz) * Math.log2(from / to));

/** A periodic error as somebody else gave it, as ±. */
export const asAmplitude = (value: number, given: 'plusMinus' | 'peakToPeak' | 'rms'): number =>
  given === 'plusMinus' ? value : given === 'peakToPeak' ? value / 2 : value * Math.SQRT2;
