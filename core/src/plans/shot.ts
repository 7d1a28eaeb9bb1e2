import { error, ok, type Result } from '../numbers/index.ts';
import { kinematicsOf, pathOf, trainsOf, type Drive, type Kinematics, type Sweep } from '../drive/index.ts';
import { stepsOfSweep, type ShotAxis } from '../travel/index.ts';

/** An axis of a drive's shot, with the kinematics of the train that it moves. */
export interface DriveAxis extends ShotAxis {
  readonly k: Kinematics;
}

export const sweepName = (sweep: Sweep, at: number): string => sweep.name?.trim() || `Sweep ${at + 1}`;

const axesOf = (drive: Drive): readonly DriveAxis[] => {
  const k = kinematicsOf(drive);
  return (drive.job.sweeps ?? []).flatMap((sweep, at) => {
    const steps = stepsOfSweep(sweep, k);
    return steps && steps.n > 0n ? [{ name: sweepName(sweep, at), sweep, steps, k }] : [];
  });
};

/**
 * The axes of a drive's shot, those that move. Of one train its sweeps, whatever they move; of several the sweep of each train by its
 * name, and a source that two of them want is refused. (handbook: travel, several axes; drive, more than one train)
 */
export function shotAxes(drive: Drive): Result<readonly DriveAxis[]> {
  const trains = trainsOf(drive);
  if (trains.length === 1) return ok(axesOf(drive));
  const taken = new Map<number, string>();
  const out: DriveAxis[] = [];
  for (const [at, train] of trains.entries()) {
    const path = pathOf(drive, at);
    for (const axis of axesOf(path.drive)) {
      const other = taken.get(path.root);
      if (other !== undefined)
        return error('twoSweeps', train.name, { limit: other, path: at === 0 ? 'job.sweeps' : '' });
      taken.set(path.root, train.name);
      out.push({ ...axis, name: train.name });
    }
  }
  return ok(out);
}
