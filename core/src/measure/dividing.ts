import { centred, mean, squares, type Known } from './columns.ts';
import { noiseOf } from './noise.ts';
import { readings, type DividedBy, type ShapeFound, type Tried } from './readings.ts';

/** A wheel as it was measured: how far each place stands from where it should, ″, the mean counted in. */
export interface DivisionRecord {
  readonly errors: Float64Array;
  /** the same places come to from the other side; null where that was not tried */
  readonly back: Float64Array | null;
}

export interface DivisionFit {
  readonly best: ShapeFound;
  /** other readings, the better first, at most 3 */
  readonly others: readonly ShapeFound[];
  /** root mean square about the mean, ″ */
  readonly rms: number;
}

/** How often a difference of the two ways must exceed its own scatter. */
const SURE = 4;

function lostMotion({ errors, back }: DivisionRecord): ShapeFound | null {
  if (!back || back.length !== errors.length) return null;
  const differences = errors.map((e, i) => e - back[i]!);
  const size = mean(differences);
  const rest = differences.map((d) => d - size);
  const scatter = Math.sqrt(squares(rest) / Math.max(1, rest.length - 1) / rest.length);
  if (Math.abs(size) <= SURE * scatter) return null;
  const both = Float64Array.from([...errors, ...back]);
  const total = squares(centred(both));
  const explains = total === 0 ? 1 : (size ** 2 * errors.length) / 2 / total;
  return { shape: 'lostMotion', explains, arcsec: Math.abs(size), at: null, shaft: null };
}

/** How well a shape tells the record, against what it could choose (Schwarz); the less the better. */
const worthOf =
  (n: number, floor: number) =>
  ({ rest, free }: Pick<Tried, 'rest' | 'free'>): number =>
    n * Math.log(Math.max(rest, floor) / n) + free * Math.log(n);

/** So many series of pure noise are read the same way, and a shape must beat the best of all but so many of them. */
const SERIES = 199;
const BEATEN_BY = 6;
/** Beyond so many numbers in all fewer series have to do. */
const MOST_NOISE = 400_000;

/**
 * What a record of pure noise, read the same way, seems to gain by its best shape in 97 of 100: a shape that gains less is none.
 * (handbook: errors, noise is not a shape)
 */
function noiseGain(n: number, by: DividedBy, columns: Known): number {
  const known = gains.get(by)?.get(n);
  if (known !== undefined) return known;
  const least = reckonedGain(n, by, columns);
  gains.set(by, new Map([...(gains.get(by) ?? []), [n, least]]));
  return least;
}

/** What noise gains hangs on the drive and the count alone. */
const gains = new WeakMap<DividedBy, ReadonlyMap<number, number>>();

function reckonedGain(n: number, by: DividedBy, columns: Known): number {
  const series = Math.max(39, Math.min(SERIES, Math.floor(MOST_NOISE / n)));
  const noise = noiseOf(n);
  const found = Array.from({ length: series }, () => {
    const values = centred(Array.from({ length: n }, noise));
    const worth = worthOf(n, 1e-18);
    const none = worth({ rest: squares(values), free: 0 });
    return Math.max(0, ...readings(values, by, columns).map((t) => none - worth(t)));
  }).sort((a, b) => b - a);
  return found[Math.floor((BEATEN_BY * series) / SERIES)]!;
}

/**
 * Which shape a division record has: each is fitted, and the one that leaves least for what it was free to choose is named, with how much of
 * the variance it takes. "none" where nothing beats what noise would seem to have. Fewer than 6 places say nothing: null. (handbook: errors)
 */
export function fitDividing(record: DivisionRecord, by: DividedBy): DivisionFit | null {
  const n = record.errors.length;
  if (n < 6) return null;
  const values = centred(record.errors);
  const total = squares(values);
  const none: Tried = { shape: 'none', rest: total, free: 0, explains: 0, arcsec: 0, at: null, shaft: null };
  const columns: Known = new Map();
  const worth = worthOf(n, Math.max(total * 1e-12, 1e-18));
  const least = noiseGain(n, by, columns);
  const tried = [
    none,
    ...readings(values, by, columns).filter((t) => total > 0 && worth(none) - worth(t) > least),
  ];
  const found = tried
    .sort((a, b) => worth(a) - worth(b))
    .map(({ shape, rest, arcsec, at, shaft }): ShapeFound => ({
      shape,
      arcsec,
      at,
      shaft,
      explains: total === 0 ? 0 : Math.max(0, 1 - rest / total),
    }));
  const lost = lostMotion(record);
  const first = found[0]!;
  // what differs between the two ways is told first where it is the greater part
  const best = lost && (first.shape === 'none' || lost.explains >= first.explains) ? lost : first;
  return {
    best,
    others: [
      ...(lost && best !== lost ? [lost] : []),
      ...found.filter((f) => f !== best && f.shape !== 'none'),
    ].slice(0, 3),
    rms: Math.sqrt(total / n),
  };
}
