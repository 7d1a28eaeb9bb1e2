import type { Divider, Division } from '../divide/index.ts';
import type { Drive, Kinematics } from '../drive/index.ts';
import type { DutiesReport } from './duties/duties.ts';
import type { PlateRow, PlatesReport } from './duties/plates/plates.ts';

/** What errors and every other section are reckoned from. */
export interface Base {
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
