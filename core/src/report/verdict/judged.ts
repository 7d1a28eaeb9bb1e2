import type { Divider, Division } from '../../divide/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import type { DutiesReport } from '../duties/duties.ts';
import type { PlateRow } from '../duties/plates/plates.ts';
import type { ErrorsReport } from '../errors/report.ts';

/** What the cells are made from. */
export interface Judged {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly divider: Divider | null;
  readonly divisions: readonly Division[];
  readonly asked: number;
  readonly duties: DutiesReport;
  /** how plates make the wanted counts, where that is how it is divided */
  readonly plates: readonly PlateRow[] | null;
  readonly errors: () => ErrorsReport;
}
