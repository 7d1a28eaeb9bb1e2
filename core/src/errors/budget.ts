import { div, rational, type Rational } from '../numbers/index.ts';
import type { Drive } from '../drive/index.ts';
import { errorContext } from './context.ts';
import { causes } from './causes/index.ts';
import { steadyNm } from '../turning/index.ts';
import type { ErrorTerm } from './term.ts';
import type { Kinematics } from '../drive/index.ts';

/** What takes a row out of the sum. */
export type Taker = 'oneSide' | 'oneWay' | 'encoder' | 'sprung' | 'preload' | 'cancels';

/** One row of a budget. */
export interface BudgetRow {
  readonly term: ErrorTerm;
  /** why it is not in the sums; null when it is */
  readonly out: Taker | null;
  /** what goes into the sums, ″; null while it is not known */
  readonly counted: number | null;
  /** it is told beside the sums whatever happens: dead band, load lag, a polar axis that is out */
  readonly aside: boolean;
  /** largest value that it may have for the sum to keep the tolerance; null without one, or where the others exceed it alone */
  readonly mayBe: number | null;
}

/** Rows, largest first, what cannot be known behind them, made when they are asked for; and their sums. (handbook: errors, budget) */
export interface Budget {
  readonly rows: readonly BudgetRow[];
  /** all at their worst, ″ */
  readonly worst: number;
  /** root sum square, ″ */
  readonly likely: number;
  /** rows in force that nobody knows the size of */
  readonly unknown: number;
}

/** Every cause of error of a drive's path, reflected to its output; the job's own, rounding and clocks, come with the budget. */
export function errorTerms(drive: Drive, k: Kinematics): readonly ErrorTerm[] {
  const of = errorContext(drive, k);
  return causes.flatMap((cause) => cause(of));
}

export interface BudgetAsked {
  readonly drive: Drive;
  /** those of the train and those of the job */
  readonly terms: readonly ErrorTerm[];
  /** dividing into so many, or following */
  readonly divisions: number | null;
  readonly toleranceArcsec: number | null;
}

/** Turns that a shaft, or a wave, makes from one place to the next. */
export const perPlace = (turns: Rational, divisions: number): Rational => div(turns, rational(divisions));

/** Does it stand the same way at every place? Then its error cancels. (handbook: errors, dividing sees only samples) */
export const cancels = (turns: Rational | null, divisions: number): boolean =>
  turns !== null && turns.d === 1n && turns.n % BigInt(divisions) === 0n;

/** A preload holds the teeth on one side when it exceeds friction and the working load's reversal. */
export function preloadHolds(drive: Drive): boolean {
  const { load } = drive.job;
  return load?.preloadNm !== undefined && load.preloadNm > (load.frictionNm ?? 0) + steadyNm(load);
}

/** Lies it before the shaft whose encoder the drive goes by? */
function corrected({ encoder }: Drive, term: ErrorTerm): boolean {
  if (!encoder?.corrects) return false;
  if (term.stage !== null) return term.stage < encoder.shaft;
  return term.value?.field.of === 'source' || term.id.startsWith('motor.');
}

function takerOf({ drive, divisions }: BudgetAsked, term: ErrorTerm): Taker | null {
  const both = drive.job.approach === 'both';
  const { kind } = term;
  const stage = term.stage === null ? null : drive.train.stages[term.stage];
  if (kind === 'lostMotion' && stage?.sprung) return 'sprung';
  if (corrected(drive, term)) return 'encoder';
  if (kind === 'lostMotion' || kind === 'windup' || kind === 'deadBand') {
    if (divisions === null) return 'oneWay';
    if (!both) return 'oneSide';
    return kind === 'lostMotion' && preloadHolds(drive) ? 'preload' : null;
  }
  if (divisions !== null && (kind === 'periodic' || kind === 'step'))
    return cancels(term.turnsPerOutputTurn, divisions) ? 'cancels' : null;
  return null;
}

/** Setting by marks, holes or counts has no part in following. */
const ONLY_DIVIDING: readonly ErrorTerm['kind'][] = ['plate', 'window'];

/** The budget of one count, or of following. Lost motion that reversing lets in counts by half, ±. */
export function budget(asked: BudgetAsked): Budget {
  const terms =
    asked.divisions === null ? asked.terms.filter((t) => !ONLY_DIVIDING.includes(t.kind)) : asked.terms;
  const judged = terms.map((term) => {
    const out = takerOf(asked, term);
    // a polar axis that is out drifts across and along by its direction: no error of the rate, and no train cures it
    const aside = term.kind === 'deadBand' || term.kind === 'polar';
    const whole = term.kind === 'lostMotion' ? 0.5 : 1;
    const counted = out || aside ? 0 : term.arcsec === null ? null : term.arcsec * whole;
    return { term, out, aside, counted };
  });
  const worst = judged.reduce((n, r) => n + (r.counted ?? 0), 0);
  let rows: readonly BudgetRow[] | null = null;
  return {
    worst,
    unknown: judged.filter((r) => r.counted === null).length,
    // hypot keeps the tiniest amplitudes, whose squares vanish
    get likely() {
      return Math.hypot(...judged.map((r) => r.counted ?? 0));
    },
    get rows() {
      return (rows ??= judged
        .map((r): BudgetRow => ({ ...r, mayBe: mayBe(r, worst, asked.toleranceArcsec) }))
        .sort((a, b) => size(b) - size(a)));
    },
  };
}

const size = ({ term }: BudgetRow): number => term.arcsec ?? -1;

/** a·(tolerance − the others)/row. (handbook: errors, largest allowed) */
function mayBe(
  { term, counted }: Pick<BudgetRow, 'term' | 'counted'>,
  worst: number,
  tolerance: number | null,
): number | null {
  const amount = term.value?.amount;
  if (tolerance === null || !counted || !amount || term.kind === 'windup') return null;
  const left = tolerance - (worst - counted);
  return left > 0 ? (amount * left) / counted : null;
}
