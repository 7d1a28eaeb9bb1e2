/** Tables of intervals between steps that speed a motor up. (handbook: travel) */

export type RampShape = 'constant' | 'sCurve';

/** Rates in steps/s, acceleration in steps/s²; for an S-curve the acceleration is the greatest. */
export interface Ramp {
  readonly shape: RampShape;
  readonly topRate: number;
  readonly accel: number;
  readonly tickHz: number;
}

/** The longest table that is made: beyond it is refused, never cut. */
export const LONGEST_TABLE = 1_000_000;

/** Intervals that a ramp has from rest to its top rate, without making them. */
export const rampLength = ({ shape, topRate, accel }: Ramp): number =>
  Math.floor(shape === 'sCurve' ? (0.75 * topRate ** 2) / accel : topRate ** 2 / (2 * accel));

/** Times at which each step falls, s, from rest to the top rate; step k of constant acceleration at √(2k/a). Throws a RangeError beyond the longest table. */
export function stepTimes(ramp: Ramp): Float64Array {
  const { shape, topRate, accel } = ramp;
  const steps = rampLength(ramp);
  if (steps > LONGEST_TABLE) throw new RangeError(`a table of ${steps} intervals`);
  const out = new Float64Array(steps);
  if (shape === 'constant') {
    for (let k = 1; k <= steps; k++) out[k - 1] = Math.sqrt((2 * k) / accel);
    return out;
  }
  // v(t) = top·(3x² − 2x³) with x = t/T: its greatest slope is 1.5·top/T, and T·top·(x³ − x⁴/2) steps are passed
  const T = (1.5 * topRate) / accel;
  let x = 0;
  for (let k = 1; k <= steps; k++) {
    const wanted = k / (topRate * T);
    let [low, high] = [x, 1];
    x = Math.max(x, Math.min(1, Math.cbrt(wanted)));
    for (let i = 0; i < 60; i++) {
      const off = x ** 3 - x ** 4 / 2 - wanted;
      if (off > 0) high = x;
      else low = x;
      const next = x - off / (3 * x ** 2 - 2 * x ** 3);
      const inside = next > low && next < high ? next : (low + high) / 2;
      if (Math.abs(inside - x) < 1e-15) break;
      x = inside;
    }
    out[k - 1] = x * T;
  }
  return out;
}

/** Intervals in ticks; what is rounded away is carried on, so that every sum is right to one tick. */
export function rampTable(ramp: Ramp): readonly number[] {
  let before = 0;
  return Array.from(stepTimes(ramp), (t) => {
    const now = Math.round(t * ramp.tickHz);
    const ticks = now - before;
    before = now;
    return ticks;
  });
}

/** Bytes of a table with entries of 16 or 32 bits, and coded by runs of equal entries (entry and a count of one byte). */
export function tableBytes(table: readonly number[]): {
  readonly bits: 16 | 32;
  readonly plain: number;
  readonly runs: number;
} {
  const bits = table.some((n) => n > 0xffff) ? 32 : 16;
  const entry = bits / 8;
  let runs = 0;
  for (let i = 0; i < table.length;) {
    let j = i;
    while (j < table.length && table[j] === table[i] && j - i < 255) j++;
    runs++;
    i = j;
  }
  return { bits, plain: table.length * entry, runs: runs * (entry + 1) };
}
