import { ARCSEC_PER_TURN, abs, div, factors, isZero, mul, rational, toNumber, toText, type Rational } from '../numbers/index.ts';
import {
  divide, errorSeries, microstepArcsec, stepsToArcsec, targetAt, toleranceArcsec, worstMove, type Divider, type Division,
} from '../divide/index.ts';
import type { Drive, Kinematics } from '../drive/index.ts';
import type { Figure, Graded, WorkingLine } from './figure.ts';
import { gradeOfDivision } from './grades.ts';
import type { Rich } from './rich.ts';
import { turnLine } from './train.ts';
import { angleText, fraction, grouped, measured, mixed, powers, roughAngle, signedAngle, stacked, strong, whole } from './text.ts';

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
}

export function divisionRow(d: Division, divider: Divider): DivisionRow {
  const arcsec = (steps: Rational): number => stepsToArcsec(steps, divider.stepsPerTurn);
  const q = d.step.n / d.step.d;
  const closing = arcsec(d.closingErrorSteps);
  const allowed = divider.tolerance && toleranceArcsec(divider.tolerance);
  const outside = allowed === null ? 0 : Math.abs(closing) - allowed;
  return {
    divisions: d.divisions,
    graded: gradeOfDivision(d, divider),
    stepWhole: whole(q),
    stepRest: d.step.d === 1n ? null : [grouped((d.step.n % d.step.d).toString()), grouped(d.step.d.toString())],
    spacing: angleText(arcsec(d.spacingErrorSteps)),
    closing: signedAngle(closing),
    closingMisses: outside > 0 ? `Misses by ${roughAngle(outside)}` : null,
    mode: modeText(d),
    idle: d.idle,
  };
}

const modeText = (d: Division): string => {
  if (d.grade === 'even') return 'Full step';
  if (d.coarsestMode !== null) return d.coarsestMode === 1 ? 'Full step' : `1/${d.coarsestMode}`;
  return `lacks ${whole(d.missingFactor)}`;
};

const zeroLine = (label: string): WorkingLine => ({ label, text: strong(['0″']), exact: true });

/** The lines that say why N/D is not whole. */
function whyNot(d: Division, N: Rational): WorkingLine[] {
  const lines: WorkingLine[] = [
    { label: `one of ${grouped(String(d.divisions))}`, text: [...fraction(d.step), ' = ', ...strong(mixed(d.step))], exact: true },
  ];
  if (d.step.d > 1n && N.d === 1n)
    lines.push({
      label: 'why not whole',
      text: [whole(N.n), ' = ', ...powers(factors(N.n)), `, and ${whole(d.missingFactor)} is missing`],
      exact: true,
    });
  if (N.d > 1n)
    lines.push({ label: 'why not whole', text: [`one turn is not whole itself; it closes after ${whole(N.d)}`], exact: true });
  return lines;
}

/** Steps turned into an angle: the two lines before the last. */
function inAngle(label: string, steps: Rational, N: Rational): WorkingLine[] {
  const micro = microstepArcsec(N);
  return [
    { label: 'one microstep', text: [`${whole(ARCSEC_PER_TURN)}″ ÷ `, ...mixed(N), ' = ', ...fraction(micro), '″'], exact: true },
    { label, text: [...fraction(steps), ' × ', ...fraction(micro), '″ = ', ...fraction(mul(steps, micro)), '″'], exact: true },
  ];
}

interface Asked {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly divider: Divider;
  readonly d: Division;
}

const figure = (
  { d, divider }: Asked,
  part: string,
  label: string,
  steps: Rational,
  text: Rich,
  working: () => readonly WorkingLine[],
): Figure => ({
  key: `divide.${d.divisions}.${part}`,
  label: `${label} ${grouped(String(d.divisions))}`,
  value: toText(mul(steps, microstepArcsec(divider.stepsPerTurn))),
  text,
  exact: isZero(steps),
  working,
});

/** The worst rounding of D divisions, ±. (handbook: divide, absolute targets) */
export function worstFigure(asked: Asked): Figure {
  const { drive, k, divider, d } = asked;
  const N = divider.stepsPerTurn;
  const arcsec = stepsToArcsec(d.worstErrorSteps, N);
  const text = `±${angleText(arcsec)}`;
  const label = `worst error of ${grouped(String(d.divisions))}`;
  return figure(asked, 'worst', 'worst error of', d.worstErrorSteps, [isZero(d.worstErrorSteps) ? '0″' : text], () => {
    const lines = [turnLine(drive, k), ...whyNot(d, N)];
    if (d.step.d === 1n) return [...lines, { label: 'every place', text: ['is a whole microstep'], exact: true }, zeroLine(label)];
    if (d.divisions <= 20_000) {
      const move = worstMove(errorSeries(N, d.divisions));
      const t = targetAt(N, d.divisions, move);
      lines.push({
        label: `gap ${grouped(String(move + 1))}, move ${grouped(String(move))}`,
        text: [...mixed(t.exact), ` goes to ${whole(t.target)}: `, ...fraction(abs(t.errorSteps)), t.errorSteps.s < 0n ? ' short' : ' too far'],
        exact: true,
      });
    }
    const from = measured(arcsec) === String(arcsec) ? [] : [{ unit: `from ${arcsec.toPrecision(6)}″` }];
    return [...lines, ...inAngle('so it is off', d.worstErrorSteps, N), { label, text: [{ strong: text }, ...from], exact: false }];
  });
}

/** How unlike two neighbouring gaps can be. */
export function spacingFigure(asked: Asked): Figure {
  const { drive, k, divider, d } = asked;
  const N = divider.stepsPerTurn;
  const text = angleText(stepsToArcsec(d.spacingErrorSteps, N));
  const label = `spacing error of ${grouped(String(d.divisions))}`;
  return figure(asked, 'spacing', 'spacing error of', d.spacingErrorSteps, [text], () => {
    const lines = [turnLine(drive, k), ...whyNot(d, N)];
    if (d.step.d === 1n) return [...lines, zeroLine(label)];
    const rest = d.step.n % d.step.d;
    return [
      ...lines,
      {
        label: 'gaps are',
        text: [`${whole(d.step.n / d.step.d)} or ${whole(d.step.n / d.step.d + 1n)}, off by `, stacked(rest, d.step.d), ' or ', stacked(d.step.d - rest, d.step.d)],
        exact: true,
      },
      ...inAngle('the greater', d.spacingErrorSteps, N),
      { label, text: strong([text]), exact: false },
    ];
  });
}

/** What one repeated count leaves in the last gap. (handbook: divide, repeated step) */
export function closingFigure(asked: Asked): Figure {
  const { drive, k, divider, d } = asked;
  const N = divider.stepsPerTurn;
  const arcsec = stepsToArcsec(d.closingErrorSteps, N);
  const label = `closing error of ${grouped(String(d.divisions))}`;
  return figure(asked, 'closing', 'closing error of', d.closingErrorSteps, [signedAngle(arcsec)], () => {
    const lines = [turnLine(drive, k), ...whyNot(d, N)];
    if (d.step.d === 1n && isZero(d.closingErrorSteps)) return [...lines, zeroLine(label)];
    const D = BigInt(d.divisions);
    return [
      ...lines,
      { label: 'repeated count', text: [`${whole(d.repeatedStep)}, the nearest whole one`], exact: true },
      {
        label: `${grouped(String(d.divisions))} of them`,
        text: [`${whole(D)} × ${whole(d.repeatedStep)} − `, ...mixed(N), ' = ', ...mixed(d.closingErrorSteps)],
        exact: true,
      },
      {
        label: 'cut off instead',
        text: [`${whole(d.step.n / d.step.d)} each time: `, ...mixed(d.truncatedErrorSteps), ` = ${signedAngle(stepsToArcsec(d.truncatedErrorSteps, N))}`],
        exact: true,
      },
      ...inAngle('in the last gap', d.closingErrorSteps, N),
      { label, text: [{ strong: signedAngle(arcsec) }, { unit: arcsec > 0 ? 'one thin tooth' : 'one thick tooth' }], exact: false },
    ];
  });
}

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

export const MOST_CHARTED = 20_000;

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
    leavesAtGap: first <= d.divisions ? first + 1 : null,
  };
}

/** One division opened: its row, its figures, its chart. */
export function opened(drive: Drive, k: Kinematics, divider: Divider, divisions: number): OpenedDivision {
  const d = divide(divider, divisions);
  const asked = { drive, k, divider, d };
  return { row: divisionRow(d, divider), division: d, worst: worstFigure(asked), spacing: spacingFigure(asked), closing: closingFigure(asked) };
}

export interface OpenedDivision {
  readonly row: DivisionRow;
  readonly division: Division;
  readonly worst: Figure;
  readonly spacing: Figure;
  readonly closing: Figure;
}
