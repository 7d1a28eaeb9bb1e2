import Papa from 'papaparse';
import {
  decimal,
  exactly,
  mul,
  div,
  rational,
  toText,
  ARCSEC_PER_TURN,
  type Rational,
} from '../numbers/index.ts';
import { crankTurns, divide, targets, type Divider } from '../divide/index.ts';
import type { FoundRow } from '../find/index.ts';
import type { RunPlan } from '../run/index.ts';

type Cell = string | number;

/** RFC 4180, but LF; a header row with units; numbers with a point. */
export const writeCsv = (head: readonly string[], rows: readonly (readonly Cell[])[]): string =>
  `${Papa.unparse({ fields: [...head], data: rows.map((r) => [...r]) }, { newline: '\n', escapeFormulae: false })}\n`;

/** Steps as arcseconds at the work, nine figures and more after the point. */
const arcsec = (steps: Rational, N: Rational): string =>
  decimal(mul(div(steps, N), rational(ARCSEC_PER_TURN)), 9);

/** The divisions table: exact steps as fractions, angles as decimals. */
export function divisionsCsv(divider: Divider, counts: readonly number[]): string {
  const N = divider.stepsPerTurn;
  const rows = counts.map((count) => {
    const d = divide(divider, count);
    return [
      d.divisions,
      d.grade,
      toText(d.step),
      d.coarsestMode ?? '',
      d.missingFactor.toString(),
      toText(d.worstErrorSteps),
      arcsec(d.worstErrorSteps, N),
      toText(d.spacingErrorSteps),
      arcsec(d.spacingErrorSteps, N),
      toText(d.closingErrorSteps),
      arcsec(d.closingErrorSteps, N),
      toText(d.truncatedErrorSteps),
      toText(d.returnErrorSteps),
    ];
  });
  return writeCsv(
    [
      'divisions',
      'grade',
      'step (microsteps)',
      'coarsest exact mode',
      'missing factor',
      'worst error (microsteps)',
      'worst error (arcsec)',
      'spacing error (microsteps)',
      'spacing error (arcsec)',
      'closing error of one repeated count (microsteps)',
      'closing error of one repeated count (arcsec)',
      'closing error of a truncated count (microsteps)',
      'return error (microsteps)',
    ],
    rows,
  );
}

/** The run sheet: gap by gap, 1…D and the return, in steps, degrees and turns of the crank. */
export function sheetCsv(plan: RunPlan): string {
  const N = exactly(plan.stepsPerTurn);
  const R = exactly(plan.reduction);
  const rows = targets(N, plan.divisions).map((t) => [
    t.index + 1,
    t.index,
    toText(t.exact),
    t.target.toString(),
    toText(t.errorSteps),
    arcsec(t.errorSteps, N),
    decimal(rational(360n * BigInt(t.index), plan.divisions), 9),
    toText(crankTurns(R, plan.divisions, t.index)),
  ]);
  return writeCsv(
    [
      'gap',
      'move',
      'exact (microsteps)',
      'target (microsteps)',
      'error (microsteps)',
      'error (arcsec)',
      'angle (deg)',
      'crank (turns)',
    ],
    rows,
  );
}

/** Trains that were found: exact figures as fractions. */
export const foundCsv = (rows: readonly FoundRow[]): string =>
  writeCsv(
    [
      'kind',
      'stages',
      'driven',
      'drivers',
      'ratio',
      'off by (part of 1)',
      'steps a turn',
      'mode',
      'ticks',
      'misses',
      'teeth',
      'owned',
      'of',
    ],
    rows.map((r) => [
      r.kind,
      r.stages,
      r.driven.join(' '),
      r.drivers.join(' '),
      r.ratio,
      r.error ?? '',
      r.steps ?? '',
      r.mode ?? '',
      r.intervalTicks ?? '',
      r.misses.join(' '),
      r.teeth,
      r.owned,
      r.wheels,
    ]),
  );
