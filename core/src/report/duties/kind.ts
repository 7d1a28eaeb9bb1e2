import type { Drive, Edit, Kinematics } from '../../drive/index.ts';
import type { DutyReport } from './duty.ts';
import type { RateReport } from './rate-way.ts';

/** What a duty is judged from. The rates are judged when they are first asked for. */
export interface DutyContext {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly rates: () => readonly RateReport[];
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

/**
 * What else a drive is judged by. To add a duty: its inputs (a file and a line in drive/duties), and a file with this and a line in
 * `kinds.ts`; the list of what can be asked, the tabs, the tables and the terminal's answer follow from them.
 */
export interface DutyKind {
  /** it is judged together with others of this id */
  readonly group: { readonly id: string; readonly title: string };
  /** absent for what follows from the rest by itself */
  readonly ask?: DutyAsk;
  readonly asked: (drive: Drive) => boolean;
  /** several of it may be asked */
  readonly many: boolean;
  readonly reports: (context: DutyContext) => readonly DutyReport[];
  /** whether the figures of one of them rest on the train's own ratio; they do unless said */
  readonly rests?: (drive: Drive, at: number) => boolean;
}

/** The report of a duty of which there is one, as a list. */
export const only = (report: DutyReport | null): readonly DutyReport[] => (report ? [report] : []);
