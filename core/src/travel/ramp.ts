/** Tables of intervals between steps that speed a motor up. (handbook: travel) */

export type RampShape = 'constant' | 'sCurve';

/** Rates in steps/s, acceleration in steps/s²; for an S-curve the acceleration is the greatest. */
export interface Ramp {
  readonly shape: RampShape;
  readonly topRate: number;
  readonly accel: number;
  readonly tickHz: number;
}

/** Times at which each step falls, s, from rest to the top rate; step k of constant acceleration at √(2k/a). */
export function stepTimes({ shape, topRate, accel }: Ramp, most = 100_000): readonly number[] {
  const out: number[] = [];
  if (shape === 'sCurve') {
    // v(t) = top·(3x² − 2x³) with x = t/T: its greatest slope is 1.5·top/T
    const T = (1.5 * topRate) / accel;
    const passed = (t: number): number => {
      const x = t / T;
      return topRate * T * (x ** 3 - x ** 4 / 2);
    };
    const steps = Math.min(most, Math.floor(passed(T)));
    let t = 0;
    for (let k = 1; k <= steps; k++) {
      let [low, high] = [t, T];
      for (let i = 0; i < 60; i++) {
        const middle = (low + high) / 2;
        if (passed(middle) < k) low = middle;
        else high = middle;
      }
      t = high;
      out.push(t);
    }
    return out;
  }
  const steps = Math.min(most, Math.floor(topRate ** 2 / (2 * accel)));
  for (let k = 1; k <= steps; k++) out.push(Math.sqrt((2 * k) / accel));
  return out;
}

/** Intervals in ticks; what is rounded away is carried on, so that every sum is right to one tick. */
export function rampTable(ramp: Ramp, most?: number): readonly number[] {
  let before = 0;
  return stepTimes(ramp, most).map((t) => {
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
