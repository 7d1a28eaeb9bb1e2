import { along, centred, squares, wave, type Known } from './columns.ts';

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

/** A reading before it is judged. */
export interface Tried extends ShapeFound {
  readonly rest: number;
  /** what was free to be chosen */
  readonly free: number;
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

/** Every way to read a record, freely chosen teeth included. */
export const readings = (values: Float64Array, by: DividedBy, columns: Known): readonly Tried[] => [
  repeated(values),
  ...sawtooth(values, by),
  ...atOneTooth(values),
  ...waves(values, by, columns),
];
