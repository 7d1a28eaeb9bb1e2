import { error, ok, refusalSentence, type Refusal, type Result } from '../../numbers/index.ts';
import { kinematicsOf, pathOf, trainsOf, type Drive, type Kinematics } from '../../drive/index.ts';
import { planShot, stepsOfSweep, type ShotAxis } from '../../travel/index.ts';
import { listed, measured } from '../text.ts';
import { sweepName } from './sweeps.ts';

/** An axis of a drive's shot, with the kinematics of the train that it moves. */
export interface DriveAxis extends ShotAxis {
  readonly k: Kinematics;
}

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

const told = (refusal: Refusal): string =>
  refusalSentence({ ...refusal, path: '' }).replace(/^./, (c) => c.toUpperCase());

/** Several sweeps on one clock: the slowest move decides; null for fewer than two. */
export function togetherMessage(drive: Drive): string | null {
  const axes = shotAxes(drive);
  if (!axes.ok) return told(axes.refusal);
  if (axes.value.length < 2) return null;
  const shot = planShot(axes.value, drive.timer);
  if (!shot.ok) return told(shot.refusal);
  const { slack, interval, longest } = shot.value;
  if (slack === null || interval === null)
    return `${axes.value.length} axes go frame by frame together; give an interval, and the clock they share is reckoned.`;
  const names = listed(axes.value.map((a) => a.name));
  return `${names} share one clock: the slowest move takes ${measured(longest)} s, and ${measured(slack)} s of each ${measured(interval)} s are left.`;
}
