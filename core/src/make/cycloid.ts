import type { XY } from '../teeth/index.ts';

/** A lobed disc: circle of the pins, its pins (or the one pinion) and how far its eccentric stands out, mm. (handbook: drive, cycloidal) */
export interface Lobed {
  readonly lobes: number;
  readonly circleMm: number;
  readonly pinMm: number;
  readonly eccentricMm: number;
}

/** Part of the greatest eccentric, at which the lobes would loop, that is taken unless said. */
const ECCENTRIC = 0.625;
/** Part of the way from pin to pin that a pin takes unless said; less where the disc would cut itself away. */
const PIN = 0.5;
const SAFE = 0.9;

/** The eccentric at which the path of a pin has cusps. */
export const mostEccentric = (lobes: number, circleMm: number): number => circleMm / 2 / (lobes + 1);

/** What is not said of a disc, from the rest. */
export function lobedOf(said: {
  readonly lobes: number;
  readonly circleMm: number;
  readonly pinMm: number | null;
  readonly eccentricMm: number | null;
}): Lobed {
  const { lobes, circleMm } = said;
  const eccentricMm = said.eccentricMm ?? ECCENTRIC * mostEccentric(lobes, circleMm);
  const pitch = (Math.PI * circleMm) / (lobes + 1);
  const pinMm = said.pinMm ?? Math.min(PIN * pitch, SAFE * mostPin({ lobes, circleMm, eccentricMm }));
  return { lobes, circleMm, pinMm, eccentricMm };
}

/**
 * The pin's middle as the disc sees it, an epitrochoid of as many lobes: R·e^{iφ} + e·e^{i(L+1)φ}, with its first and second derivative by φ.
 */
function middle(
  { lobes, circleMm, eccentricMm: e }: Omit<Lobed, 'pinMm'>,
  phi: number,
): {
  readonly at: XY;
  readonly along: XY;
  readonly bend: XY;
} {
  const [r, n] = [circleMm / 2, lobes + 1];
  const [c, s, cn, sn] = [Math.cos(phi), Math.sin(phi), Math.cos(n * phi), Math.sin(n * phi)];
  return {
    at: [r * c - e * cn, r * s - e * sn],
    along: [-r * s + e * n * sn, r * c - e * n * cn],
    bend: [-r * c + e * n * n * cn, -r * s + e * n * n * sn],
  };
}

const SAMPLES = 720;

/** The widest pin whose envelope does not cut the disc's own lobes away: twice the tightest outward bend of its path. */
export function mostPin(disc: Omit<Lobed, 'pinMm'>): number {
  let least = disc.circleMm / 2;
  // one lobe tells of all
  for (let i = 0; i <= SAMPLES; i++) {
    const { along, bend } = middle(disc, (2 * Math.PI * i) / SAMPLES / disc.lobes);
    const turn = along[0] * bend[1] - along[1] * bend[0];
    if (turn > 0) least = Math.min(least, Math.hypot(...along) ** 3 / turn);
  }
  return 2 * least;
}

/** The rim of a lobed disc as a closed line: the pin's path moved in by half the pin. */
export function lobedOutline(disc: Lobed, perLobe = 72): readonly XY[] {
  const many = disc.lobes * perLobe;
  return Array.from({ length: many }, (_, i): XY => {
    const { at, along } = middle(disc, (2 * Math.PI * i) / many);
    const long = Math.hypot(...along);
    const half = disc.pinMm / 2;
    return [at[0] - (half * along[1]) / long, at[1] + (half * along[0]) / long];
  });
}
