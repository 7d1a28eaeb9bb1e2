import { toText } from '../../numbers/index.ts';
import { knownPlay, lostMotion } from '../../drive/index.ts';
import type { Drive } from '../../drive/index.ts';
import type { Budgeted } from './budgets.ts';
import type { ErrorsReport } from './report.ts';

const ARCSEC_PER_TURN = 1_296_000;

const sums = ({ budget, divisions }: Budgeted): object => ({
  ...(divisions !== null && { divisions }),
  worstArcsec: budget.worst,
  likelyArcsec: budget.likely,
  ...(budget.unknown > 0 && { unknown: budget.unknown }),
});

/** What the terminal tells of errors: the rows of both budgets once each, and their sums. (docs: formats) */
export function errorsAnswer(errors: ErrorsReport, drive: Drive): object {
  const { dividing, tracking } = errors.budgets;
  const seen = new Set<string>();
  const budgeted = [dividing, tracking].flatMap((by) => by?.budget.rows.map((r) => r.term) ?? []);
  const rows = (dividing || tracking ? budgeted : errors.budgets.terms()).flatMap((term) => {
    const key = `${term.id} ${term.kind} ${term.arcsec}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return [
      {
        cause: term.cause,
        stage: term.stage === null ? null : term.stage + 1,
        shaft: term.shaft,
        kind: term.kind,
        outputArcsec: term.arcsec,
        turnsPerOutputTurn: term.turnsPerOutputTurn && toText(term.turnsPerOutputTurn),
        provenance: term.known,
      },
    ];
  });
  const lost = knownPlay(lostMotion(drive.train));
  return {
    rows,
    dividing: dividing && sums(dividing),
    tracking: tracking && sums(tracking),
    lostMotionArcsec: lost === null ? null : lost * ARCSEC_PER_TURN,
  };
}
