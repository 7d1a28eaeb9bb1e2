import type { Base } from './base.ts';
import { readDivisions } from '../numbers/index.ts';
import { divide, dividerOf } from '../divide/index.ts';
import { kinematicsOf, type Drive } from '../drive/index.ts';
import { toleranceOf } from '../motion/index.ts';
import { dutiesReport } from './duties/duties.ts';
import { platesReport } from './duties/plates/plates.ts';
import { errorsReport, type ErrorsReport } from './errors/report.ts';
import type { ForceReport } from './force/report.ts';
import { lazy } from './lazy.ts';
import { byPlates } from '../plans/index.ts';

/** What every section of a report is made from. What takes time is made when it is first asked for. */
export interface Context extends Base {
  /** every cause of error, and what is made of them */
  readonly errors: ErrorsReport;
  /** null while no load is given */
  readonly force: ForceReport | null;
}
export function contextOf(drive: Drive): Context {
  const k = kinematicsOf(drive);
  const read = readDivisions(drive.job.divisions);
  const counts = read.ok ? read.value : [];
  const divider = dividerOf(drive, k, toleranceOf(drive.job));
  const divisions = lazy(() => (divider ? counts.map((c) => divide(divider, c)) : []));
  const plates = lazy(() => platesReport(drive, k, counts));
  const byHand = lazy(() => (byPlates(drive) ? (plates()?.rows ?? null) : null));
  const errors = lazy(() => errorsReport(made));
  const duties = dutiesReport(drive, k);
  const made: Context = {
    drive,
    k,
    counts,
    divider,
    get divisions() {
      return divisions();
    },
    duties,
    get plates() {
      return plates();
    },
    get byHand() {
      return byHand();
    },
    get errors() {
      return errors();
    },
    get force() {
      return duties.force;
    },
  };
  return made;
}
