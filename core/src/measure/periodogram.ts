import FFT from 'fft.js';

/** A peak of what is left of a record: its period, s, and how much of the variance left a wave of it takes. */
export interface Peak {
  readonly periodS: number;
  /** Lomb and Scargle's power, by the variance */
  readonly power: number;
  /** it would come by chance as often as this */
  readonly falseAlarm: number;
}

/** Cells of the even grid that a first look is taken on. */
const MAX_CELLS = 1 << 17;
/** Times finer than one turn over the record's length. */
const FINER = 4;

/** Power of one frequency by Lomb and Scargle: readings need not be even. */
export function lombScargle(times: Float64Array, values: Float64Array, frequency: number): number {
  const w = 2 * Math.PI * frequency;
  let [s2, c2] = [0, 0];
  for (const t of times) {
    s2 += Math.sin(2 * w * t);
    c2 += Math.cos(2 * w * t);
  }
  const tau = Math.atan2(s2, c2) / (2 * w);
  let [yc, ys, cc, ss, yy] = [0, 0, 0, 0, 0];
  for (let i = 0; i < times.length; i++) {
    const a = w * (times[i]! - tau);
    const [c, s, y] = [Math.cos(a), Math.sin(a), values[i]!];
    yc += y * c;
    ys += y * s;
    cc += c * c;
    ss += s * s;
    yy += y * y;
  }
  if (yy === 0) return 0;
  const variance = yy / times.length;
  return ((cc > 0 ? yc ** 2 / cc : 0) + (ss > 0 ? ys ** 2 / ss : 0)) / (2 * variance);
}

/**
 * The highest peak of a record without its mean: found on an even grid by Fourier's transform, made sure of at the readings themselves.
 * Null for fewer than 8 readings. (handbook: errors, reading a measurement)
 */
export function highestPeak(times: Float64Array, values: Float64Array): Peak | null {
  const count = times.length;
  const span = count > 1 ? times[count - 1]! - times[0]! : 0;
  if (count < 8 || span <= 0) return null;
  const cells = Math.min(MAX_CELLS, 2 ** Math.ceil(Math.log2(2 * count)));
  const width = span / (cells - 1);
  const grid = new Float64Array(cells * FINER);
  for (let i = 0; i < count; i++) grid[Math.round((times[i]! - times[0]!) / width)]! += values[i]!;
  const fft = new FFT(grid.length);
  const out = fft.createComplexArray();
  fft.realTransform(out, grid);
  // up to half the mean pace of the readings, and from a turn in the record on
  const most = Math.min(grid.length / 2, Math.floor((FINER * cells * count) / (2 * (cells - 1))));
  let [best, at] = [-1, 0];
  for (let k = FINER; k <= most; k++) {
    const power = out[2 * k]! ** 2 + out[2 * k + 1]! ** 2;
    if (power > best) [best, at] = [power, k];
  }
  const frequencyOf = (k: number): number => k / (grid.length * width);
  const f = finest(times, values, frequencyOf(Math.max(0.5, at - 1)), frequencyOf(at + 1));
  const power = lombScargle(times, values, f);
  const independent = count / 2;
  return { periodS: 1 / f, power, falseAlarm: Math.min(1, independent * Math.exp(-power)) };
}

/** Where between two frequencies the power is greatest, by thirds of the golden section. */
function finest(times: Float64Array, values: Float64Array, low: number, high: number): number {
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [low, high];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [pc, pd] = [lombScargle(times, values, c), lombScargle(times, values, d)];
  for (let i = 0; i < 18; i++) {
    if (pc > pd) {
      [b, d, pd] = [d, c, pc];
      c = b - golden * (b - a);
      pc = lombScargle(times, values, c);
    } else {
      [a, c, pc] = [c, d, pd];
      d = a + golden * (b - a);
      pd = lombScargle(times, values, d);
    }
  }
  return (a + b) / 2;
}
