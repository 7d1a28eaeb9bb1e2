import { toText } from '../numbers/index.ts';
import { stepsToArcsec, targets, type Divider, type Division } from '../divide/index.ts';
import { countsPerTurn, type Drive } from '../drive/index.ts';
import { plainText, report, type VerdictCell } from '../report/index.ts';

/** What `pendrix check --json` prints. Exact quantities are text, angles doubles. (docs: formats) */
export function checkAnswer(drive: Drive): object {
  const r = report(drive);
  const k = r.kinematics;
  const encoder = drive.encoder && countsPerTurn(k, drive.encoder);
  return {
    ratio: toText(k.reduction),
    stepsPerTurn: k.stepsPerTurn && toText(k.stepsPerTurn),
    countsPerTurn: encoder ? toText(encoder) : null,
    turnsToClose: k.turnsToClose === null ? null : k.turnsToClose.toString(),
    shafts: k.shafts.map((s) => ({ index: s.index, turnsPerOutputTurn: toText(s.turnsPerOutputTurn) })),
    divisions: r.divider ? r.divisions.map((d) => divisionAnswer(d, r.divider!)) : [],
    verdict: r.verdict.map(verdictAnswer),
  };
}

const divisionAnswer = (d: Division, divider: Divider): object => ({
  divisions: d.divisions,
  step: toText(d.step),
  grade: d.grade,
  coarsestMode: d.coarsestMode,
  missingFactor: d.missingFactor.toString(),
  worstErrorSteps: toText(d.worstErrorSteps),
  worstErrorArcsec: stepsToArcsec(d.worstErrorSteps, divider.stepsPerTurn),
  spacingErrorSteps: toText(d.spacingErrorSteps),
  closingErrorSteps: toText(d.closingErrorSteps),
  truncatedErrorSteps: toText(d.truncatedErrorSteps),
  returnErrorSteps: toText(d.returnErrorSteps),
  ...(d.ifExact ? { ifExact: true } : {}),
});

const verdictAnswer = (cell: VerdictCell): object => ({
  cell: cell.cell,
  grade: cell.graded?.grade ?? 'unknown',
  figure: cell.figure ? plainText(cell.figure.text) : cell.absent,
});

/** What `pendrix targets --json` prints: rows 0…D. Throws a RangeError for more rows than a sheet holds. */
export function targetsAnswer(divider: Divider, divisions: number): object {
  return {
    divisions,
    stepsPerTurn: toText(divider.stepsPerTurn),
    rows: targets(divider.stepsPerTurn, divisions).map((t) => ({
      index: t.index,
      exact: toText(t.exact),
      target: Number.isSafeInteger(Number(t.target)) ? Number(t.target) : t.target.toString(),
      errorSteps: toText(t.errorSteps),
      errorArcsec: stepsToArcsec(t.errorSteps, divider.stepsPerTurn),
    })),
  };
}
