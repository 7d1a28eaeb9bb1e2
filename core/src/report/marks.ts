import type { Drive, Kinematics } from '../drive/index.ts';
import type { Divider, Division } from '../divide/index.ts';
import { whole } from './text.ts';
import { stageReports } from './train.ts';
import { attention, type Place } from './verdict.ts';

/** ring: nothing yet; dot: in order; diamond: wants attention, with the reason. */
export interface Mark {
  readonly place: Place;
  readonly mark: 'ring' | 'dot' | 'diamond';
  readonly reason: string;
}

export const markWords = {
  ring: 'nothing yet',
  dot: 'in order',
  diamond: 'wants attention',
} as const satisfies Record<Mark['mark'], string>;

interface Marked {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly divider: Divider | null;
  readonly divisions: readonly Division[];
}

const ring = (place: Place, reason: string): Mark => ({ place, mark: 'ring', reason });
const dot = (place: Place, reason: string): Mark => ({ place, mark: 'dot', reason });
const diamond = (place: Place, reason: string): Mark => ({ place, mark: 'diamond', reason });

/** The marks of the stations; `runs` is how many runs of this drive are stored. */
export function marks({ drive, k, divider, divisions }: Marked, runs: number): readonly Mark[] {
  const asked = divisions.length;
  const misses = attention(divisions, divider);
  return [
    asked > 0
      ? dot('job', 'divisions asked')
      : k.travel && drive.job.moves
        ? dot('job', 'moves asked')
        : ring('job', 'nothing asked yet'),
    trainMark(drive, k),
    asked === 0
      ? ring('check', 'nothing to judge yet')
      : misses
        ? diamond('check', misses)
        : dot('check', 'within what is asked'),
    runs > 0 ? dot('run', runs === 1 ? 'one run kept' : `${runs} runs kept`) : ring('run', 'no run yet'),
  ];
}

function trainMark(drive: Drive, k: Kinematics): Mark {
  if (drive.train.stages.length === 0) return ring('train', 'no stage yet: the motor turns the work itself');
  const misfit = stageReports(drive, k).flatMap((s) => s.warns)[0];
  if (misfit) return diamond('train', misfit);
  if (k.inexact.length > 0)
    return diamond('train', `${k.inexact[0]!.label} is not counted: find the true ratio`);
  if (!k.stepsPerTurn) return dot('train', 'this source has no steps');
  if (!k.lock && k.turnsToClose !== null && k.turnsToClose > 1n)
    return diamond(
      'train',
      `one turn is not a whole number of steps; it closes after ${whole(k.turnsToClose)}`,
    );
  return dot('train', 'one turn is a whole number of steps');
}
