import { ARCSEC_PER_TURN, mul, rational, roundDiv, toNumber, type Rational } from '../numbers/index.ts';
import { land, type Stops } from '../motion/index.ts';

/** Where the work stops for move i of D. Steps are what it stops by: microsteps, marks, counts, holes, rests. */
export interface Target {
  readonly index: number;
  /** i·N/D */
  readonly exact: Rational;
  /** where it is sent */
  readonly target: bigint;
  /** target − exact, positive too far */
  readonly errorSteps: Rational;
}

/** Most rows of a sheet; the terminal and the page refuse more by name. */
export const MAX_ROWS = 100_000;

/** Most places whose errors are listed one by one, for a chart. */
export const MAX_CHARTED = 20_000;

/** The place of move i of D. i may pass D: tables repeat from turn to turn. Absolute: nothing adds up. (handbook: divide) */
export function targetAt(stops: Stops, divisions: number, index: number): Target {
  const wanted = rational(BigInt(index), BigInt(divisions));
  const { counts, error } = land(stops, wanted);
  return {
    index,
    exact: mul(wanted, stops.perTurn),
    target: counts,
    errorSteps: mul(error, stops.perTurn),
  };
}

/** The error at each move, ″, as doubles for a chart, D + 1 of them: `land` for a whole table, in one pass of whole numbers. */
export function errorSeries(stepsPerTurn: Rational, divisions: number): Float64Array {
  const out = new Float64Array(divisions + 1);
  const bottom = stepsPerTurn.d * BigInt(divisions);
  const arcsec = Number(ARCSEC_PER_TURN) / toNumber(stepsPerTurn);
  let top = 0n;
  for (let i = 0; i <= divisions; i++, top += stepsPerTurn.n) {
    const off = roundDiv(top, bottom) * bottom - top;
    out[i] = (Number(off) / Number(bottom)) * arcsec;
  }
  return out;
}

/** The move whose error is greatest, the first when several are; 0 when all are 0. The return is no place of its own. */
export function worstMove(series: Float64Array): number {
  let worst = 0;
  series.subarray(0, -1).forEach((e, i) => {
    if (Math.abs(e) > Math.abs(series[worst]!) + 1e-12) worst = i;
  });
  return worst;
}

/** Turns of shaft 0 from the start to move i, exact: i·|R|/D. For a crank on the motor's shaft. */
export const crankTurns = (reduction: Rational, divisions: number, index: number): Rational =>
  mul(rational(BigInt(index), BigInt(divisions)), rational(reduction.n, reduction.d));
