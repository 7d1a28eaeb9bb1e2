/** One reading of how something shakes: seconds, and an acceleration in any unit. */
export interface Shake {
  readonly t: number;
  readonly a: number;
}

/** How a bump dies away: swings a second, and swings until they are half as wide. */
export interface Bump {
  readonly hz: number;
  readonly swingsToHalve: number;
}

/** Fewer swings than these tell nothing. */
const MIN_SWINGS = 4;
/** Swings below this part of the first are noise. */
const NOISE = 0.06;

/**
 * A bump read from an accelerometer: the heights of its swings after the greatest fall by the same part each time, so their logarithms lie
 * on a line. null where too few swings stand out, or they do not die away. (handbook: run, settling measured)
 */
export function readBump(shakes: readonly Shake[]): Bump | null {
  if (shakes.length < 20) return null;
  const mean = shakes.reduce((n, s) => n + s.a, 0) / shakes.length;
  const swings = halfSwings(shakes.map((s) => ({ t: s.t, a: s.a - mean })));
  const first = swings.reduce((best, s, i) => (s.height > swings[best]!.height ? i : best), 0);
  const after = swings.slice(first);
  const end = after.findIndex((s) => s.height < NOISE * after[0]!.height);
  const clear = end < 0 ? after : after.slice(0, end);
  if (clear.length < 2 * MIN_SWINGS) return null;
  const span = clear.at(-1)!.t - clear[0]!.t;
  const hz = (clear.length - 1) / 2 / span;
  const slope = slopeOf(clear.map((s) => [s.t, Math.log(s.height)]));
  if (!(slope < 0) || !Number.isFinite(hz)) return null;
  return { hz, swingsToHalve: (hz * Math.LN2) / -slope };
}

/** The greatest reading between two changes of sign, and when it was. */
function halfSwings(of: readonly Shake[]): readonly { readonly t: number; readonly height: number }[] {
  const out: { t: number; height: number }[] = [];
  let sign = 0;
  for (const { t, a } of of) {
    if (a === 0) continue;
    if (Math.sign(a) !== sign) {
      sign = Math.sign(a);
      out.push({ t, height: Math.abs(a) });
    } else if (Math.abs(a) > out.at(-1)!.height) out[out.length - 1] = { t, height: Math.abs(a) };
  }
  return out;
}

/** Of the line of least squares through points. */
function slopeOf(points: readonly (readonly [number, number])[]): number {
  const n = points.length;
  const [mx, my] = [0, 1].map((i) => points.reduce((sum, p) => sum + p[i]!, 0) / n) as [number, number];
  const over = points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0);
  return over / points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
}
