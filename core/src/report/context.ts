import { readDivisions } from '../numbers/index.ts';
import { divide, dividerOf, type Divider, type Division } from '../divide/index.ts';
import { kinematicsOf, type Drive, type Kinematics } from '../drive/index.ts';
import { toleranceOf } from '../motion/index.ts';
import { dutiesReport, type DutiesReport } from './duties/duties.ts';
import { platesReport, type PlateRow, type PlatesReport } from './duties/plates.ts';
import { lazy } from './lazy.ts';
import { byPlates } from './run-plan.ts';

/** What every section of a report is made from. What takes time is made when it is first asked for. */
export interface Context {
  readonly drive: Drive;
  readonly k: Kinematics;
  /** wanted divisions */
  readonly counts: readonly number[];
  /** what divides; null when the source has no steps */
  readonly divider: Divider | null;
  readonly divisions: readonly Division[];
  readonly duties: DutiesReport;
  /** index plates; null when the drive has none */
  readonly plates: PlatesReport | null;
  /** how plates make the wanted counts, where that is how it is divided */
  readonly byHand: readonly PlateRow[] | null;
}

export function contextOf(drive: Drive): Context {
  const k = kinematicsOf(drive);
  const read = readDivisions(drive.job.divisions);
  const counts = read.ok ? read.value : [];
  const divider = dividerOf(drive.train, k, toleranceOf(drive.job));
  const divisions = lazy(() => (divider ? counts.map((c) => divide(divider, c)) : []));
  const plates = lazy(() => platesReport(drive, k, counts));
  const byHand = lazy(() => (byPlates(drive) ? (plates()?.rows ?? null) : null));
  return {
    drive,
    k,
    counts,
    divider,
    get divisions() {
      return divisions();
    },
    duties: dutiesReport(drive, k),
    get plates() {
      return plates();
    },
    get byHand() {
      return byHand();
    },
  };
}
