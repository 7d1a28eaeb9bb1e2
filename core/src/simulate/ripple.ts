import { toNumber } from '../numbers/index.ts';
import type { BudgetRow } from '../errors/index.ts';
import { seeded } from './random.ts';

/** How evenly it turns: what the periodic errors make of a constant speed of the source. */
export interface Ripple {
  /** at even places of one turn of the output, % of the speed */
  readonly curve: Float64Array;
  /** greatest less least of it, % */
  readonly peakToPeak: number;
  /** what comes oftener than can be drawn, ± %, all at its worst, and how often the slowest of it comes */
  readonly fast: { readonly percent: number; readonly turns: number } | null;
}

/** Places of one turn, and waves of one turn that can still be drawn with them. */
const PLACES = 720;
const DRAWN = 90;
const ARCSEC_PER_RADIAN = 206_264.806;

/** A wave of ±A, n times a turn, makes the speed waver by ±A·n. (handbook: errors, simulation) */
export function speedRipple(rows: readonly BudgetRow[], seed: number): Ripple {
  const random = seeded(seed);
  const curve = new Float64Array(PLACES);
  let fast = 0;
  let slowest = Infinity;
  for (const { term, counted } of rows) {
    if (term.kind !== 'periodic' || !term.turnsPerOutputTurn || !counted) continue;
    const n = toNumber(term.turnsPerOutputTurn);
    const percent = (100 * counted * n) / ARCSEC_PER_RADIAN;
    const phase = 2 * Math.PI * random();
    if (n > DRAWN) {
      fast += percent;
      slowest = Math.min(slowest, n);
      continue;
    }
    for (let i = 0; i < PLACES; i++) curve[i]! += percent * Math.cos((2 * Math.PI * n * i) / PLACES + phase);
  }
  return {
    curve,
    peakToPeak:
      curve.reduce((m, v) => Math.max(m, v), -Infinity) - curve.reduce((m, v) => Math.min(m, v), Infinity),
    fast: fast > 0 ? { percent: fast, turns: slowest } : null,
  };
}
