import { compare, div, rational, toNumber, type Rational } from '../../numbers/index.ts';
import {
  divide,
  errorSeries,
  microstepArcsec,
  stepsToArcsec,
  worstMove,
  type Divider,
  type Division,
} from '../../divide/index.ts';
import type { RoundingShare } from '../errors/share.ts';
import { toleranceArcsec } from '../../motion/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import { closingFigure, spacingFigure, worstFigure } from './division-working.ts';
import {
  angleText,
  type Figure,
  type Graded,
  gradeOfDivision,
  grouped,
  roughAngle,
  signedAngle,
  whole,
} from '../../words/index.ts';

/** A row of the divisions table: everything it shows, as text. */
export interface DivisionRow {
  readonly divisions: number;
  readonly graded: Graded;
  readonly stepWhole: string;
  /** what stands over the whole part, null when there is none */
  readonly stepRest: readonly [string, string] | null;
  readonly spacing: string;
  readonly closing: string;
  /** the closing error is outside the tolerance by this much */
  readonly closingMisses: string | null;
  /** "Full step", "1/8", "lacks 73" */
  readonly mode: string;
  readonly idle: boolean;
  /** what of the whole error its rounding is: "2.3 % of ±96.0″"; nothing where it lands, or nobody knows more */
  readonly share: string;
}

export function divisionRow(d: Division, divider: Divider, share: RoundingShare | null): DivisionRow {
  const arcsec = (steps: Rational): number => stepsToArcsec(steps, divider.stepsPerTurn);
  const q = d.step.n / d.step.d;
  const closing = arcsec(d.closingErrorSteps);
  const allowed = divider.tolerance && toleranceArcsec(divider.tolerance);
  const outside = allowed === null ? 0 : Math.abs(closing) - allowed;
  return {
    divisions: d.divisions,
    graded: gradeOfDivision(d, divider),
    stepWhole: whole(q),
    stepRest:
      d.step.d === 1n ? null : [grouped((d.step.n % d.step.d).toString()), grouped(d.step.d.toString())],
    spacing: angleText(arcsec(d.spacingErrorSteps)),
    closing: signedAngle(closing),
    closingMisses: outside > 0 ? `Misses by ${roughAngle(outside)}` : null,
    mode: modeText(d, divider),
    idle: d.idle,
    share: share?.text ?? '',
  };
}

const modeText = (d: Division, { by }: Divider): string => {
  if (by === 'rest') return d.grade === 'even' ? 'Every rest' : `lacks ${whole(d.missingFactor)}`;
  if (d.grade === 'even') return 'Full step';
  if (d.coarsestMode !== null) return d.coarsestMode === 1 ? 'Full step' : `1/${d.coarsestMode}`;
  return `lacks ${whole(d.missingFactor)}`;
};

/** The two charts of one division: every place to its own microstep, and one count repeated. Arcseconds at the work. */
export interface ErrorChart {
  readonly divisions: number;
  /** error at move 0…D */
  readonly errors: Float64Array;
  readonly worstMove: number;
  readonly halfMicrostep: number;
  readonly repeatedStep: string;
  /** what each repetition adds */
  readonly drift: number;
  readonly closing: number;
  readonly tolerance: number | null;
  /** first gap whose place is out of tolerance when one count is repeated; null when none is */
  readonly leavesAtGap: number | null;
}

export function errorChart(divider: Divider, d: Division): ErrorChart {
  const errors = errorSeries(divider.stepsPerTurn, d.divisions);
  const closing = stepsToArcsec(d.closingErrorSteps, divider.stepsPerTurn);
  const drift = closing / d.divisions;
  const tolerance = divider.tolerance && toleranceArcsec(divider.tolerance);
  const first = tolerance === null || drift === 0 ? Infinity : Math.floor(tolerance / Math.abs(drift)) + 1;
  return {
    divisions: d.divisions,
    errors,
    worstMove: worstMove(errors),
    halfMicrostep: toNumber(div(microstepArcsec(divider.stepsPerTurn), rational(2n))),
    repeatedStep: whole(d.repeatedStep),
    drift,
    closing,
    tolerance,
    leavesAtGap: first < d.divisions ? first + 1 : null,
  };
}

/** The count that is rounded most; the first of equals, null of none. */
export const mostRounded = (divisions: readonly Division[]): Division | null =>
  divisions.reduce<Division | null>(
    (worst, d) => (worst === null || compare(d.worstErrorSteps, worst.worstErrorSteps) > 0 ? d : worst),
    null,
  );

/** One division opened: its row, its figures, its chart. */
export function opened(
  { drive, k }: { readonly drive: Drive; readonly k: Kinematics },
  divider: Divider,
  divisions: number,
  share: RoundingShare | null,
): OpenedDivision {
  const d = divide(divider, divisions);
  const asked = { drive, k, divider, d };
  return {
    row: divisionRow(d, divider, share),
    share: share?.sentence ?? '',
    division: d,
    worst: worstFigure(asked),
    spacing: spacingFigure(asked),
    closing: closingFigure(asked),
  };
}

export interface OpenedDivision {
  readonly row: DivisionRow;
  /** how much of the whole error is rounding, and what is worse */
  readonly share: string;
  readonly division: Division;
  readonly worst: Figure;
  readonly spacing: Figure;
  readonly closing: Figure;
}
