import { ARCSEC_PER_TURN, mul, rational, roundDiv, toNumber, type Rational } from '../numbers/index.ts';

/** One place of the table: move i of D, 0 and D being the same place after a turn. Gap i + 1 is cut there. */
export interface Target {
  readonly index: number;
  /** i·N/D, microsteps */
  readonly exact: Rational;
  /** round(i·N/D): where the motor is sent */
  readonly target: bigint;
  /** target − exact, positive too far */
  readonly errorSteps: Rational;
}

/** Most rows of a sheet; the terminal and the page refuse more by name. */
export const MOST_ROWS = 100_000;

/** Most places whose errors are listed one by one, for a chart. */
export const MOST_CHARTED = 20_000;

/** The place of move i when a turn of N microsteps is divided into D. i may pass D: tables repeat from turn to turn. */
export function targetAt(stepsPerTurn: Rational, divisions: number, index: number): Target {
  const top = stepsPerTurn.n * BigInt(index);
  const bottom = stepsPerTurn.d * BigInt(divisions);
  const target = roundDiv(top, bottom);
  return { index, exact: rational(top, bottom), target, errorSteps: rational(target * bottom - top, bottom) };
}

/** Rows 0…D. Absolute targets: each goes to its own nearest microstep and nothing adds up. (handbook: divide) */
export function targets(stepsPerTurn: Rational, divisions: number): readonly Target[] {
  if (divisions > MOST_ROWS) throw new RangeError(`at most ${MOST_ROWS} rows`);
  return Array.from({ length: divisions + 1 }, (_, i) => targetAt(stepsPerTurn, divisions, i));
}

/** The error at each move, ″, as doubles for a chart; one pass in whole numbers, D + 1 of them. */
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

/** The move whose error is greatest, the first when several are; 0 when all are 0. */
export function worstMove(series: Float64Array): number {
  let worst = 0;
  series.forEach((e, i) => {
    if (Math.abs(e) > Math.abs(series[worst]!) + 1e-12) worst = i;
  });
  return worst;
}

/** Turns of shaft 0 from the start to move i, exact: i·|R|/D. For a crank on the motor's shaft. */
export const crankTurns = (reduction: Rational, divisions: number, index: number): Rational =>
  mul(rational(BigInt(index), BigInt(divisions)), rational(reduction.n, reduction.d));
