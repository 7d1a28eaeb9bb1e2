import { decimal, rational, toText, type Rational } from '../numbers/index.ts';
import {
  compoundMoves,
  coordinates,
  differentials,
  makingList,
  pairsOf,
  repeatsAfter,
  simpleMoves,
  smallestCircle,
  turnsOf,
  wheelRatios,
  type PlateSet,
} from '../divide/index.ts';
import { writeCsv } from './csv.ts';

/** What `pendrix plates --json` prints: every way to make D divisions by hand. (docs: formats) */
export function platesAnswer(
  worm: Rational,
  plates: PlateSet,
  divisions: number,
  gears: readonly number[],
): {
  readonly turns: string;
  readonly simple: readonly {
    readonly circle: number;
    readonly wholeTurns: number;
    readonly holes: number;
  }[];
  readonly compound: readonly { readonly circles: readonly number[]; readonly holes: readonly number[] }[];
  readonly smallestNewCircle: number | null;
  readonly differential: readonly object[];
} {
  const turns = turnsOf(worm, divisions);
  const simple = simpleMoves(turns, plates);
  // a circle that two plates have is one way
  const circles = new Map(simple.map((m) => [m.circle, m]));
  return {
    turns: toText(turns),
    simple: [...circles.values()].map(({ circle, wholeTurns, holes }) => ({ circle, wholeTurns, holes })),
    compound: compoundMoves(turns, pairsOf(plates)).map(({ circles: two, holes }) => ({
      circles: two,
      holes,
    })),
    smallestNewCircle: simple.length > 0 ? null : smallestCircle(turns),
    differential: differentials(worm, divisions, plates, wheelRatios(gears)).map((d) => ({
      near: d.near,
      circle: d.move.circle,
      wholeTurns: d.move.wholeTurns,
      holes: d.move.holes,
      ratio: toText(d.ratio),
      drivers: d.drivers,
      driven: d.driven,
    })),
  };
}

/** What `pendrix plates --make --json` prints: where the crank stands for each hole. */
export const makingAnswer = (worm: Rational, holes: number): object => ({
  holes,
  repeatsAfter: repeatsAfter(worm, holes),
  rows: makingList(worm, holes).map((r) => ({
    hole: r.hole,
    wholeTurns: Number(r.wholeTurns),
    degrees: toText(r.degrees),
  })),
});

/** The list for making a plate: the crank on the head, and the place on a mill, mm. */
export function makingCsv(worm: Rational, holes: number, radiusMm: number): string {
  const at = coordinates(holes, radiusMm);
  return writeCsv(
    ['hole', 'crank (turns)', 'and (deg)', 'x (mm)', 'y (mm)'],
    makingList(worm, holes).map((r, i) => [
      r.hole,
      r.wholeTurns.toString(),
      toText(r.degrees).includes('/') ? decimal(r.degrees, 6) : toText(r.degrees),
      at[i]!.x.toFixed(3),
      at[i]!.y.toFixed(3),
    ]),
  );
}

/** Drilling moves for a circle of holes; feed and depth are the mill's own. */
export const drillingMoves = (holes: number, radiusMm: number): string =>
  [
    `; ${holes} holes on a circle of ${radiusMm} mm radius, hole 0 to the right, counter-clockwise`,
    '; Read it through and run it in the air first; depth and feed are yours to set.',
    'G21',
    'G90',
    ...coordinates(holes, radiusMm).map((h, i) =>
      i === 0
        ? `G81 X${h.x.toFixed(3)} Y${h.y.toFixed(3)} Z-5 R2 F60`
        : `X${h.x.toFixed(3)} Y${h.y.toFixed(3)}`,
    ),
    'G80',
    'M2',
    '',
  ].join('\n');

/** The same circle on a rotary axis: one angle a hole, with a stop at each. Degrees. */
export const anglesGcode = (holes: number, letter = 'A'): string =>
  [
    `; ${holes} holes, ${letter} in degrees, ${toText(rational(360, holes))} degrees a hole`,
    '; Read it through and run it in the air first; depth and feed are yours to set.',
    'G90',
    ...Array.from({ length: holes }, (_, i) => [
      `G0 ${letter}${decimal(rational(360 * i, holes), 6)} ; hole ${i}`,
      'M0',
    ]).flat(),
    'M2',
    '',
  ].join('\n');
