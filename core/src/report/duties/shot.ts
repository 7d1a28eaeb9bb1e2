import { refusalSentence } from '../../numbers/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import { planShot, stepsOfSweep, type ShotAxis } from '../../travel/index.ts';
import { listed, measured } from '../text.ts';
import { sweepName } from './sweeps.ts';

/** The axes of the job's shot, those that move. */
export const shotAxes = (drive: Drive, k: Kinematics): readonly ShotAxis[] =>
  (drive.job.sweeps ?? []).flatMap((sweep, at) => {
    const steps = stepsOfSweep(sweep, k);
    return steps && steps.n > 0n ? [{ name: sweepName(sweep, at), sweep, steps }] : [];
  });

/** Several sweeps on one clock: the slowest move decides; null for fewer than two. */
export function togetherMessage(drive: Drive, k: Kinematics): string | null {
  const axes = shotAxes(drive, k);
  if (axes.length < 2) return null;
  const shot = planShot(axes, drive.timer);
  if (!shot.ok) return refusalSentence({ ...shot.refusal, path: '' }).replace(/^./, (c) => c.toUpperCase());
  const { slack, interval, frames } = shot.value;
  if (slack === null || interval === null)
    return `${axes.length} axes go frame by frame together; give an interval, and the clock they share is reckoned.`;
  const slowest = Math.max(...frames.map((f) => f.move));
  const names = listed(axes.map((a) => a.name));
  return `${names} share one clock: the slowest move takes ${measured(slowest)} s, and ${measured(slack)} s of each ${measured(interval)} s are left.`;
}
