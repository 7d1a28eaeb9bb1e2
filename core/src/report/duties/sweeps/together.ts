import { refusalSentence, type Refusal } from '../../../numbers/index.ts';
import type { Drive } from '../../../drive/index.ts';
import { shotAxes } from '../../../plans/index.ts';
import { planShot } from '../../../travel/index.ts';
import { listed, measured } from '../../../words/index.ts';

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
