import { scientific } from '../numbers/index.ts';

const UNITS = [
  [365.25 * 86_400, 'year', 'years'],
  [86_400, 'day', 'days'],
  [3600, 'hour', 'hours'],
  [60, 'minute', 'minutes'],
  [1, 'second', 'seconds'],
] as const;

/**
 * A time in words a maker can picture, from seconds: "40 seconds", "3.5 hours", "565.14 days", "1.55 years". Days up to two
 * years; a year is 365.25 days. Beyond a thousand million as a power of ten, three figures of it.
 */
export function durationText(seconds: number): string {
  if (seconds < 1) return `${Number(seconds.toPrecision(3))} seconds`;
  const most =
    seconds >= 2 * UNITS[0][0] ? 0 : seconds >= 2 * 86_400 ? 1 : seconds >= 7200 ? 2 : seconds >= 120 ? 3 : 4;
  const [size, one, many] = UNITS[most];
  const n = seconds / size;
  if (n >= 1e9) return `${scientific(n, 3)} ${many}`;
  const text =
    n >= 1000 ? Math.round(n).toLocaleString('en').replaceAll(',', '\u2009') : String(Number(n.toFixed(2)));
  return `${text} ${text === '1' ? one : many}`;
}
