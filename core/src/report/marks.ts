import type { Drive, Kinematics } from '../drive/index.ts';
import { doubtOf } from '../motion/index.ts';
import { dueBy, openComplaints } from '../log/index.ts';
import { madeWheels, wheelRefusal } from '../make/index.ts';
import { left, partLabel, type ShelfPart, type Use } from '../shelf/index.ts';
import type { Divider, Division } from '../divide/index.ts';
import type { DutiesReport } from './duties/duties.ts';
import type { PlateRow } from './duties/plates/plates.ts';
import { whole } from '../words/index.ts';
import { stageReports } from './train/train.ts';
import { attention, platesAttention } from './verdict/verdict.ts';
import type { Concern } from './cell.ts';

/** ring: nothing yet; dot: in order; diamond: needs attention, with the reason. */
export interface Mark {
  readonly concern: Concern;
  readonly mark: 'ring' | 'dot' | 'diamond';
  readonly reason: string;
}

export const markWords = {
  ring: 'nothing yet',
  dot: 'in order',
  diamond: 'needs attention',
} as const satisfies Record<Mark['mark'], string>;

interface Marked {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly divider: Divider | null;
  readonly divisions: readonly Division[];
  readonly duties: DutiesReport;
  readonly plates: readonly PlateRow[] | null;
}

const ring = (concern: Concern, reason: string): Mark => ({ concern, mark: 'ring', reason });
const dot = (concern: Concern, reason: string): Mark => ({ concern, mark: 'dot', reason });
const diamond = (concern: Concern, reason: string): Mark => ({ concern, mark: 'diamond', reason });

/** How each concern stands; `runs` is how many runs of this drive are stored. */
export function marks(
  { drive, k, divider, divisions, duties, plates }: Marked,
  runs: number,
  day = '',
): readonly Mark[] {
  const asked = divisions.length;
  const others = duties.asked;
  const misses =
    platesAttention(plates) ?? (plates ? null : attention(divisions, divider)) ?? duties.attention;
  return [
    asked > 0
      ? dot('asked', 'divisions asked')
      : (k.travel && drive.job.moves) || others
        ? dot('asked', others ? 'duties asked' : 'moves asked')
        : ring('asked', 'nothing asked yet'),
    trainMark(drive, k),
    drive.find ? dot('searched', 'a search is kept with this drive') : ring('searched', 'no search kept yet'),
    asked === 0 && !others && !plates
      ? ring('judged', 'nothing to judge yet')
      : misses
        ? diamond('judged', misses)
        : dot('judged', 'within what is asked'),
    makeMark(drive),
    runs > 0
      ? dot('worked', runs === 1 ? 'one run kept' : `${runs} runs kept`)
      : ring('worked', 'no run yet'),
    logMark(drive, day),
  ];
}

function trainMark(drive: Drive, k: Kinematics): Mark {
  if (drive.train.stages.length === 0) return ring('built', 'no stage yet: the motor turns the work itself');
  const misfit = stageReports(drive, k).flatMap((s) => s.warns)[0];
  if (misfit) return diamond('built', misfit);
  const guess = doubtOf(k).printed[0];
  if (guess !== undefined) return diamond('built', `${guess} is not counted: find the true ratio`);
  if (!k.stepsPerTurn) return dot('built', 'this source has no steps');
  if (!k.lock && k.turnsToClose !== null && k.turnsToClose > 1n)
    return diamond(
      'built',
      `one turn is not a whole number of steps; it closes after ${whole(k.turnsToClose)}`,
    );
  return dot('built', 'one turn is a whole number of steps');
}

/** The mark of the shelf, which all drives share. */
export function shelfMark(parts: readonly ShelfPart[], uses: ReadonlyMap<string, readonly Use[]>): Mark {
  if (parts.length === 0) return ring('owned', 'nothing on it yet');
  const short = parts.find((p) => left(p, uses.get(p.id) ?? []).used > p.own);
  if (!short) return dot('owned', `${whole(BigInt(parts.length))} lines on it`);
  const { used } = left(short, uses.get(short.id)!);
  return diamond('owned', `${partLabel(short)}: ${used} in use, ${short.own} owned`);
}

/** What is written down, and what of it wants attention by a day; nothing falls due without one. */
function logMark(drive: Drive, day: string): Mark {
  const [complaint] = openComplaints(drive);
  if (complaint) return diamond('kept', `open: ${complaint.words}`);
  const [due] = dueBy(drive, day);
  if (due) return diamond('kept', `due since ${due.due!}: ${due.words}`);
  const many = (drive.log?.length ?? 0) + (drive.revisions?.length ?? 0);
  return many > 0
    ? dot('kept', many === 1 ? 'one entry' : `${many} entries and revisions`)
    : ring('kept', 'nothing written yet');
}

/** What is to be made, and whether it can be as it stands. */
function makeMark(drive: Drive): Mark {
  const wheels = madeWheels(drive).filter((w) => w.as !== 'pulley');
  const many = wheels.length + drive.train.stages.filter((s) => s.kind === 'belt').length;
  const bad = wheels.find((w) => wheelRefusal(w));
  if (bad) return diamond('made', `wheel ${bad.number} cannot be made as it stands`);
  return many > 0
    ? dot('made', wheels.length === 1 ? 'one wheel to make' : `${wheels.length} wheels to make`)
    : ring('made', 'nothing to make');
}
