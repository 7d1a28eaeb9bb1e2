import { noiseOf } from './noise.ts';

/** A wheel as it was measured: how far each place stands from where it should, ″, the mean counted in. */
export interface DivisionRecord {
  readonly errors: Float64Array;
  /** the same places come to from the other side; null where that was not tried */
  readonly back: Float64Array | null;
}

/** What is known of the drive that divided it. */
export interface DividedBy {
  /** microsteps or counts of one turn; null where it has none */
  readonly stepsPerTurn: number | null;
  /** coarser settings of the same driver, as parts of the finest: 1, 1/2, 1/4 … */
  readonly coarser: readonly number[];
  /** everything that comes round, in turns for one of the work */
  readonly shafts: readonly { readonly name: string; readonly turns: number }[];
}

export type DivisionShape =
  'repeated' | 'sawtooth' | 'offCentre' | 'shaft' | 'jump' | 'oneGap' | 'lostMotion' | 'twice' | 'none';

/** One way to read a record: its shape, how much of the variance it takes, and its size. */
export interface ShapeFound {
  readonly shape: DivisionShape;
  /** 0 to 1, of the variance about the mean */
  readonly explains: number;
  /** ±, a step, or the closing error, ″ */
  readonly arcsec: number;
  /** the tooth it happened at, from 0; null without one */
  readonly at: number | null;
  /** the shaft it comes from */
  readonly shaft: string | null;
}

export interface DivisionFit {
  readonly best: ShapeFound;
  /** other readings, the better first, at most 3 */
  readonly others: readonly ShapeFound[];
  /** root mean square about the mean, ″ */
  readonly rms: number;
}

interface Tried extends ShapeFound {
  readonly rest: number;
  /** what was free to be chosen */
  readonly free: number;
}

const mean = (v: Float64Array): number => v.reduce((n, x) => n + x, 0) / v.length;
const squares = (v: Float64Array): number => v.reduce((n, x) => n + x * x, 0);
const dot = (a: Float64Array, b: Float64Array): number => a.reduce((n, x, i) => n + x * b[i]!, 0);

/** Without its mean. */
function centred(values: ArrayLike<number>): Float64Array {
  const v = Float64Array.from(values);
  const m = mean(v);
  return v.map((x) => x - m);
}

/** One column against the record: how much it leaves, and its factor. */
function along(
  record: Float64Array,
  column: Float64Array,
): { readonly rest: number; readonly factor: number } {
  const size = squares(column);
  if (size < 1e-12) return { rest: squares(record), factor: 0 };
  const factor = dot(record, column) / size;
  return { rest: squares(record) - factor ** 2 * size, factor };
}

/** The two columns of a wave of so many turns over n places. */
interface WaveColumns {
  readonly s: Float64Array;
  readonly c: Float64Array;
  readonly ss: number;
  readonly cc: number;
  readonly sc: number;
}

/** Columns are the same for a record and for the noise that it must beat. */
type Known = Map<number, WaveColumns>;

function waveColumns(known: Known, n: number, turns: number): WaveColumns {
  const found = known.get(turns);
  if (found) return found;
  const of = (f: (a: number) => number): Float64Array =>
    centred(Array.from({ length: n }, (_, i) => f((2 * Math.PI * ((turns * i) % n)) / n)));
  const [s, c] = [of(Math.sin), of(Math.cos)];
  const made = { s, c, ss: squares(s), cc: squares(c), sc: dot(s, c) };
  known.set(turns, made);
  return made;
}

/** A wave of so many turns over the places. */
function wave(
  record: Float64Array,
  turns: number,
  known: Known,
): { readonly rest: number; readonly arcsec: number } {
  const n = record.length;
  const { s, c, ss, cc, sc } = waveColumns(known, n, turns);
  const det = ss * cc - sc * sc;
  if (det < 1e-9 * n * n) {
    const one = along(record, ss > cc ? s : c);
    return { rest: one.rest, arcsec: Math.abs(one.factor) };
  }
  const [rs, rc] = [dot(record, s), dot(record, c)];
  const [a, b] = [(rs * cc - rc * sc) / det, (rc * ss - rs * sc) / det];
  return { rest: squares(record) - a * rs - b * rc, arcsec: Math.hypot(a, b) };
}

/** A count that was repeated instead of reckoned: it creeps from gap to gap, and the last gap takes all of it. */
function repeated(record: Float64Array): Tried {
  const n = record.length;
  const { rest, factor } = along(record, centred(Array.from({ length: n }, (_, i) => i / n)));
  return { shape: 'repeated', rest, free: 1, explains: 0, arcsec: factor, at: n - 1, shaft: null };
}

/** Each place to its nearest whole step, at the settings there are. */
function sawtooth(record: Float64Array, by: DividedBy): readonly Tried[] {
  const n = record.length;
  const { stepsPerTurn } = by;
  if (stepsPerTurn === null) return [];
  return by.coarser.flatMap((part): Tried[] => {
    const steps = stepsPerTurn * part;
    const column = centred(
      Array.from({ length: n }, (_, i) => {
        const exact = (i * steps) / n;
        return ((Math.round(exact) - exact) * 1_296_000) / steps;
      }),
    );
    if (squares(column) < 1e-9) return [];
    const { rest, factor } = along(record, column);
    // a rounding has the size it has: half of it, or twice, is something else
    return factor < 0.5 || factor > 2
      ? []
      : [
          {
            shape: 'sawtooth',
            rest,
            free: 2,
            explains: 0,
            arcsec: Math.max(...column.map(Math.abs)),
            at: null,
            shaft: null,
          },
        ];
  });
}

/** From one tooth on all stand elsewhere; or one tooth alone does. */
function atOneTooth(record: Float64Array): readonly Tried[] {
  const n = record.length;
  const total = squares(record);
  let jump = { rest: Infinity, at: 0, arcsec: 0 };
  let before = 0;
  for (let k = 1; k < n; k++) {
    before += record[k - 1]!;
    // the record has no mean: what lies before is the opposite of what lies after
    const step = -before / (n - k) - before / k;
    const rest = total - before ** 2 * (1 / k + 1 / (n - k));
    if (rest < jump.rest) jump = { rest, at: k, arcsec: step };
  }
  let one = { rest: Infinity, at: 0, arcsec: 0 };
  for (let k = 0; k < n; k++) {
    const rest = total - (record[k]! ** 2 * n) / (n - 1);
    if (rest < one.rest) one = { rest, at: k, arcsec: (record[k]! * n) / (n - 1) };
  }
  return [
    { shape: 'jump', free: 2, explains: 0, shaft: null, ...jump },
    { shape: 'oneGap', free: 2, explains: 0, shaft: null, ...one },
  ];
}

/** Waves: of the blank itself, and of each shaft as the places see it. Shafts that stand alike at every place cannot be seen. */
function waves(record: Float64Array, by: DividedBy, columns: Known): readonly Tried[] {
  const n = record.length;
  const own = (
    [
      ['offCentre', 1],
      ['twice', 2],
    ] as const
  ).map(([shape, turns]): Tried => ({
    shape,
    free: 2,
    explains: 0,
    at: null,
    shaft: null,
    ...wave(record, turns, columns),
  }));
  const seen = (turns: number): number => {
    const r = ((turns % n) + n) % n;
    return Math.min(r, n - r);
  };
  const known = new Set<string>(['1', '2']);
  const shafts = by.shafts.flatMap(({ name, turns }): Tried[] => {
    const at = seen(turns);
    // as often as the work itself, or whole at every place
    if (at < 1e-9 || known.has(at.toPrecision(9))) return [];
    known.add(at.toPrecision(9));
    return [{ shape: 'shaft', free: 3, explains: 0, at: null, shaft: name, ...wave(record, at, columns) }];
  });
  return [...own, ...shafts];
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

/** Every way to read a record, freely chosen teeth included. */
const readings = (values: Float64Array, by: DividedBy, columns: Known): readonly Tried[] => [
  repeated(values),
  ...sawtooth(values, by),
  ...atOneTooth(values),
  ...waves(values, by, columns),
];

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
