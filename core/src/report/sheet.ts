import { ARCSEC_PER_TURN, div, exactly, mul, rational, toNumber, type Rational } from '../numbers/index.ts';
import { crankTurns, targetAt, wholeAndRest } from '../divide/index.ts';
import type { RunPlan } from '../run/index.ts';
import type { Rich } from './rich.ts';
import { angleText, dms, grouped, mixed, signedAngle, whole } from './text.ts';

/** One line of the run sheet: where to go for gap `gap`, in steps, in degrees and in turns of the crank. */
export interface SheetRow {
  /** 1…D; the last line, D + 1, is the return to the start */
  readonly gap: number;
  /** move = gap − 1 */
  readonly move: number;
  readonly target: string;
  /** steps from the place before */
  readonly moved: string;
  readonly exact: Rich;
  readonly error: string;
  readonly errorArcsec: number;
  /** the wanted angle at the work */
  readonly wanted: { readonly d: string; readonly m: string; readonly s: string };
  /** the angle of the target step */
  readonly position: { readonly d: string; readonly m: string; readonly s: string };
  /** turns of the source's shaft, exact */
  readonly crank: Rich;
  readonly degrees: number;
}

/** A row of the sheet of a run. `gap` runs from 1 to D + 1. (handbook: divide, absolute targets) */
export function sheetRow(plan: RunPlan, gap: number): SheetRow {
  const N = exactly(plan.stepsPerTurn);
  const R = exactly(plan.reduction);
  const move = gap - 1;
  const t = targetAt(N, plan.divisions, move);
  const before = move === 0 ? 0n : targetAt(N, plan.divisions, move - 1).target;
  const arcsec = (steps: Rational): Rational => mul(div(steps, N), rational(ARCSEC_PER_TURN));
  const errorArcsec = toNumber(arcsec(t.errorSteps));
  return {
    gap,
    move,
    target: whole(t.target),
    moved: move === 0 ? '' : whole(t.target - before),
    exact: mixed(t.exact),
    error: signedAngle(errorArcsec),
    errorArcsec,
    wanted: dms(arcsec(t.exact)),
    position: dms(arcsec(rational(t.target))),
    crank: mixed(crankTurns(R, plan.divisions, move)),
    degrees: (360 * move) / plan.divisions,
  };
}

/** The head of a sheet: "95 gaps, 1 094 400 steps a turn", and how the steps go from place to place. */
export function sheetHead(plan: RunPlan): { readonly steps: string; readonly step: Rich; readonly crank: Rich } {
  const N = exactly(plan.stepsPerTurn);
  return {
    steps: [mixed(N)].flat().map((p) => (typeof p === 'string' ? p : '')).join(''),
    step: mixed(div(N, rational(plan.divisions))),
    crank: mixed(crankTurns(exactly(plan.reduction), plan.divisions, 1)),
  };
}

/** Whole turns of the crank and the rest, for a table with two columns. */
export const crankParts = (plan: RunPlan, gap: number): { readonly turns: string; readonly rest: Rich } => {
  const { whole: turns, rest } = wholeAndRest(crankTurns(exactly(plan.reduction), plan.divisions, gap - 1));
  return { turns: whole(turns), rest: rest.n === 0n ? [] : mixed(rest) };
};

/** "about 1 h 22 min", from seconds; "" when there is no pace yet. */
export function timeLeft(seconds: number | null): string {
  if (seconds === null) return '';
  const minutes = Math.round(seconds / 60);
  if (minutes < 1) return 'under a minute';
  if (minutes < 60) return `about ${minutes} min`;
  return `about ${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

export const toleranceWords = (arcsec: number | null): string => (arcsec === null ? 'no tolerance asked' : `tolerance ±${angleText(arcsec)}`);

export const gapWords = (gap: number): string => grouped(String(gap));
