import {
  abs,
  decimal,
  exactly,
  mul,
  nearPi,
  rational,
  toText,
  ARCSEC_PER_TURN,
  type Rational,
} from '../numbers/index.ts';
import { divide, type Divider } from '../divide/index.ts';
import { writeCsv } from '../files/index.ts';
import { exactPi, sequenceOf, type RunPlan, type Step } from '../run/index.ts';
import { doubtText, gradeOfDivision, plainText } from '../words/index.ts';
import { holeNumbers, plateCrank, plateSetup, stopWords } from '../plans/index.ts';

/** Turns as arcseconds, nine figures and more after the point. */
const arcsec = (turns: Rational): string => decimal(mul(turns, rational(ARCSEC_PER_TURN)), 9);

/** The divisions table: exact steps as fractions, angles as decimals, what of the whole error the rounding is, and what all of it rests on. */
export function divisionsCsv(
  divider: Divider,
  counts: readonly number[],
  shareOf: (count: number) => { readonly text: string } | null = () => null,
): string {
  const N = divider.stepsPerTurn;
  const unit = stopWords[divider.by].unit;
  const angle = (steps: Rational): string => arcsec(rational(steps.s * steps.n * N.d, steps.d * N.n));
  const rows = counts.map((count) => {
    const d = divide(divider, count);
    return [
      d.divisions,
      d.grade,
      toText(d.step),
      divider.by === 'rest' ? '' : (d.coarsestMode ?? ''),
      d.missingFactor.toString(),
      toText(d.worstErrorSteps),
      angle(d.worstErrorSteps),
      toText(d.spacingErrorSteps),
      angle(d.spacingErrorSteps),
      toText(d.closingErrorSteps),
      angle(d.closingErrorSteps),
      toText(d.truncatedErrorSteps),
      toText(d.returnErrorSteps),
      gradeOfDivision(d, divider).word,
      shareOf(count)?.text ?? '',
    ];
  });
  return writeCsv(
    [
      'divisions',
      'grade',
      `step (${unit})`,
      'coarsest exact mode',
      'missing factor',
      `worst error (${unit})`,
      'worst error (arcsec)',
      `spacing error (${unit})`,
      'spacing error (arcsec)',
      `closing error of one repeated count (${unit})`,
      'closing error of one repeated count (arcsec)',
      `closing error of a truncated count (${unit})`,
      `return error (${unit})`,
      `in words${doubtText(divider.doubt, 'arcsec')}`,
      'rounding, of the whole error',
    ],
    rows,
  );
}

/** The run sheet, line by line as it is worked: gaps 1…D, what is wound back, and the way home; in what the work stops by. */
export function sheetCsv(plan: RunPlan): string {
  const sequence = sequenceOf(plan);
  const { stops } = sequence;
  const R = abs(exactly(plan.reduction));
  const unit = stopWords[stops.by].unit;
  const counts = stops.by === 'rest' && stops.perStop !== null;
  const travel = plan.scale ? nearPi(exactPi(plan.scale.travel)) : null;
  // a place with π in it has no fraction: it is written as a decimal
  const exact =
    plan.scale?.mm.piPower === plan.scale?.travel.piPower ? toText : (r: Rational) => decimal(r, 9);
  const at = (s: Step): readonly string[] =>
    travel
      ? [decimal(mul(s.error, travel), 9), decimal(mul(s.wanted, travel), 9)]
      : [arcsec(s.error), decimal(mul(s.wanted, rational(360)), 9)];
  const setup = plan.plate ? plateSetup(plan.plate) : '';
  const rows = Array.from({ length: sequence.length }, (_, i) => {
    const s = sequence.at(i);
    return [
      s.gap,
      s.gap - 1,
      exact(mul(s.wanted, stops.perTurn)),
      s.stop.toString(),
      exact(mul(s.error, stops.perTurn)),
      ...at(s),
      plan.plate
        ? plainText(plateCrank(plan.plate, s.gap - 1))
        : exact(mul(stops.by === 'rest' ? s.at : s.wanted, R)),
      s.is,
      ...(counts ? [String(s.counts)] : []),
      ...(plan.plate ? [holeNumbers(plan.plate, s.gap).join(' and '), setup] : []),
    ];
  });
  return writeCsv(
    [
      plan.scale ? 'mark' : 'gap',
      'move',
      `exact (${unit})`,
      `target (${unit})`,
      `error (${unit})`,
      ...(travel ? ['error (mm)', 'place (mm)'] : ['error (arcsec)', 'angle (deg)']),
      plan.plate ? 'crank in all' : `${stopWords[stops.by].source} (turns)`,
      'is',
      ...(counts ? ['target (counts of the source)'] : []),
      ...(plan.plate ? [`hole on ${plan.plate.circles.join(' and ')}`, 'set'] : []),
    ],
    rows,
  );
}
