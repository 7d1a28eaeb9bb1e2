import { error, exactly, mul, ok, toNumber, type Result } from '../../numbers/index.ts';
import type { Drive } from '../../drive/index.ts';
import { doubtOf, toleranceArcsec, toleranceOf } from '../../motion/index.ts';
import { armExceeds } from '../../follow/index.ts';
import { placeTextOf, planShot, type Shot } from '../../travel/index.ts';
import type { FollowingPlan, FramesPlan, Session } from '../../run/index.ts';
import { ARM_ALLOWED } from '../duties/rates/rates.ts';
import { type DriveAxis, shotAxes } from '../../plans/index.ts';
import { doubtText, measured } from '../../words/index.ts';
import type { Report } from '../report.ts';

/** The drive's shot as a session: all its axes on one clock, or why there is none. `report` is that of the output on the bench. */
export function planFrames(drive: Drive, report: Report): Result<FramesPlan> {
  const axes = shotAxes(drive);
  if (!axes.ok) return axes;
  if (axes.value.length === 0) return error('noShot', '');
  const shot = planShot(axes.value, drive.timer);
  if (!shot.ok) return shot;
  const { interval, exposure, write, settle, margin, moves } = shot.value;
  const doubt = [
    ...new Set(axes.value.map((a) => doubtText(doubtOf(a.k), 'ppm').trim()).filter(Boolean)),
  ].join(', ');
  return ok({
    axes: axes.value.map((axis, i) => axisOf(axis, shot.value, i)),
    interval,
    exposure,
    write,
    settle,
    margin,
    moves,
    ...batteryOf(report),
    ...(doubt && { doubt }),
  });
}

function axisOf(axis: DriveAxis, shot: Shot, i: number): FramesPlan['axes'][number] {
  const unit = axis.sweep.unit === 'mm' ? ' mm' : '°';
  const { targets } = shot.axes[i]!.plan;
  const place = placeTextOf(axis, 3);
  let places: readonly string[] | null = null;
  return {
    name: axis.name,
    targets,
    // words for each frame: made when a session begins or is shown, not when two plans are held together
    get places() {
      return (places ??= targets.map((t) => `${place(t)}${unit}`));
    },
  };
}

function batteryOf({ judged }: Report): { readonly batterySeconds?: number } {
  const hours = judged.force?.stand.find((r) => r.id === 'battery')?.hours;
  return hours === undefined ? {} : { batterySeconds: hours * 3600 };
}

/** One rate of the job as a session; null where the drive cannot keep it. */
export function planFollowing(report: Report, at: number): FollowingPlan | null {
  const rate = report.duties.rates[at];
  if (!rate?.timing || !rate.chosen) return null;
  const { drive } = report;
  const { camera } = drive.job;
  const { name } = drive.train;
  const exposure =
    camera?.exposureSeconds === undefined
      ? null
      : { seconds: camera.exposureSeconds, focalMm: camera.focalMm };
  return {
    ...(name !== undefined && { train: name }),
    rate: rate.name,
    constants: rate.chosen.title,
    ends: endOf(report, at),
    exposure,
    ...batteryOf(report),
    ...(rate.doubt.trim() && { doubt: rate.doubt.trim() }),
  };
}

/** No night is longer, s. */
const LONGEST = 12 * 3600;

/** What ends it first: the limits of turning, or an arm that runs out of its tolerance. (handbook: drive, limits; follow, tangent arms) */
function endOf({ drive, duties }: Report, at: number): FollowingPlan['ends'] {
  const { arm, period, rate } = duties.rates[at]!;
  const { limits } = drive.train;
  const ends: { seconds: number; why: string }[] = [];
  if (limits) {
    const room = exactly(rate.reverse ? limits.back : limits.forth);
    ends.push({ seconds: toNumber(mul(room, period)), why: limits.why ?? 'the limit of turning' });
  }
  if (arm) {
    const tolerance = toleranceOf(drive.job);
    const allowed = tolerance ? toleranceArcsec(tolerance) : ARM_ALLOWED;
    const seconds = armExceeds(arm, allowed, LONGEST);
    if (seconds !== null) ends.push({ seconds, why: `the arm is ${measured(allowed)}″ off` });
  }
  return ends.sort((a, b) => a.seconds - b.seconds)[0] ?? null;
}

/** What a session goes by, as text: without words that may be put otherwise, and times to a millisecond. */
const framesKey = ({ axes, interval, exposure, write, settle, margin, moves }: FramesPlan): string =>
  JSON.stringify([
    axes.map(({ name, targets }) => [name, targets]),
    [interval, exposure, write, settle, margin],
    moves.map((s) => Math.round(s * 1000)),
  ]);
const followingKey = ({ rate, constants, ends, exposure }: FollowingPlan): string =>
  JSON.stringify([
    rate,
    constants,
    ends && Math.round(ends.seconds),
    exposure && [exposure.seconds, exposure.focalMm],
  ]);

/** Would a session begun now go by other figures? It keeps those it began with. `report` is that of its output. (handbook: run) */
export function sessionDiffers(drive: Drive, report: Report, { session, plan }: Session): boolean {
  if (session === 'frames') {
    const now = planFrames(drive, report);
    return !now.ok || framesKey(now.value) !== framesKey(plan);
  }
  // two rates may have one name: any of them that is as it was will do
  return !report.duties.rates.some((_, at) => {
    const now = planFollowing(report, at);
    return now !== null && followingKey(now) === followingKey(plan);
  });
}
