import type { Drive, Edit, Kinematics } from '../../drive/index.ts';
import type { Figure } from '../../words/index.ts';
import type { CellId, VerdictCell } from '../cell.ts';
import type { ForceReport } from '../force/report.ts';
import type { DutyReport } from './duty.ts';
import type { RateReport } from './rates/way.ts';

/** What a duty is judged from. Rates and force are judged when they are first asked for, once for all that ask. */
export interface DutyContext {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly rates: () => readonly RateReport[];
  /** null while no load is given */
  readonly force: () => ForceReport | null;
}

/** How a duty is asked for, in words and as an edit. */
export interface DutyAsk {
  readonly title: string;
  /** what for, in a line */
  readonly purpose: string;
  readonly edit: Edit;
  /** what stands where nothing is asked yet, and the words on its button */
  readonly empty: { readonly title: string; readonly message: string; readonly add: string };
}

/** What one of a kind asks of the train, for the Job. */
export interface DutyAsks {
  readonly key: string;
  readonly title: string;
  readonly figures: readonly Figure[];
}

/** How the Job shows a kind: what stands before its fields, which of its inputs, and what it asks of the train. */
export interface DutyJob {
  /** "Speed range"; empty where the fields speak for themselves */
  readonly word: string;
  readonly inputs: readonly string[];
}

/** Makes a cell of the strip; null when this kind has nothing to say there. */
export type DutyCell = (of: DutyContext, reports: readonly DutyReport[]) => VerdictCell | null;

/**
 * What else a drive is judged by. To add a duty: its inputs (a file and a line in drive/duties), and a file with this and a line in
 * `kinds.ts`; the list of what can be asked, the drive's
 * purpose, the Job's lines, the strip's cells, the tabs, the tables and the terminal's answer follow from them.
 */
export interface DutyKind {
  /** it is judged together with others of this id */
  readonly group: { readonly id: string; readonly title: string };
  /** absent for what follows from the rest by itself */
  readonly ask?: DutyAsk;
  readonly asked: (drive: Drive) => boolean;
  /** it says how what is asked otherwise is judged, and gives the drive nothing to do by itself */
  readonly judgesOnly?: true;
  /** what the drive is for, as a part of its title: "follows the stars" */
  readonly says?: (drive: Drive) => string | null;
  /** absent for what the Job shows in a place of its own, or not at all */
  readonly job?: DutyJob;
  /** absent for the first figures of each report */
  readonly asks?: (of: DutyContext) => readonly DutyAsks[];
  /** the first kind that has something to say has the cell */
  readonly cells?: Readonly<Partial<Record<CellId, DutyCell>>>;
  /** several of it may be asked */
  readonly many: boolean;
  readonly reports: (context: DutyContext) => readonly DutyReport[];
  /** whether the figures of one of them rest on the train's own ratio; they do unless said */
  readonly rests?: (drive: Drive, at: number) => boolean;
}

/** The report of a duty of which there is one, as a list. */
export const only = (report: DutyReport | null): readonly DutyReport[] => (report ? [report] : []);
