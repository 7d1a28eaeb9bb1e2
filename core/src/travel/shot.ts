import {
  decimal,
  div,
  error,
  exactly,
  mul,
  ok,
  rational,
  sub,
  type Rational,
  type Refusal,
  type Result,
} from '../numbers/index.ts';
import type { Sweep, Timer } from '../drive/index.ts';
import { planSweep, secondsOfMove, type SweepPlan } from './sweep.ts';

/** One axis of a shot: its sweep and the microsteps of the whole of it. */
export interface ShotAxis {
  readonly name: string;
  readonly sweep: Sweep;
  readonly steps: Rational;
}

/** One frame: where every axis goes, and how long that takes; s. */
export interface ShotFrame {
  /** microsteps from the start, one an axis */
  readonly targets: readonly number[];
  /** the slowest axis; 0 for the first frame, which begins where it stands */
  readonly move: number;
}

/**
 * A shot of several axes on one clock: frame by frame all move, settle, the shutter opens, it is written, and the rest of the
 * interval is waited. From mark to mark is the interval, whatever each move takes. (handbook: travel, several axes)
 */
export interface Shot {
  readonly axes: readonly (ShotAxis & { readonly plan: SweepPlan })[];
  /** how long the slowest axis takes to each frame, s; 0 for the first, which begins where it stands */
  readonly moves: readonly number[];
  /** the longest of them */
  readonly longest: number;
  /** the same frame by frame, made when it is asked for */
  readonly frames: readonly ShotFrame[];
  /** null when nobody has given one: the frames then follow each other without waiting */
  readonly interval: number | null;
  readonly exposure: number;
  readonly write: number;
  readonly settle: number;
  readonly margin: number;
  /** what is left of the shortest interval; null without one */
  readonly slack: number | null;
}

const SHARED = ['frames', 'intervalSeconds', 'exposureSeconds', 'writeSeconds'] as const;

/** What all axes of one shot must have alike, and have not; null when they agree. `path` is in the drive file. */
export function unlike(sweeps: readonly Sweep[]): Refusal | null {
  for (const [at, sweep] of sweeps.entries())
    for (const key of SHARED)
      if ((sweep[key] ?? 0) !== (sweeps[0]![key] ?? 0))
        return error('notShared', String(sweep[key] ?? 'nothing'), {
          path: `job.sweeps[${at}].${key}`,
          limit: String(sweeps[0]![key] ?? 'nothing'),
        }).refusal;
  return null;
}

/** Plans a shot. Refuses axes that do not share their frames and times, and an interval that the longest move breaks. */
export function planShot(axes: readonly ShotAxis[], timer: Timer | undefined): Result<Shot> {
  const sweeps = axes.map((a) => a.sweep);
  const differs = unlike(sweeps);
  if (differs) return { ok: false, refusal: differs };
  const [first] = sweeps;
  if (!first) return error('nothingToExport', 'sweeps');
  const planned = axes.map((a) => ({ ...a, plan: planSweep(a.sweep, a.steps) }));
  const times = planned.map((a) => ({ targets: a.plan.targets, seconds: secondsOfMove(a.sweep, timer) }));
  const moves = Array.from({ length: first.frames }, (_, i) => {
    let move = 0;
    if (i > 0)
      for (const { targets, seconds } of times) move = Math.max(move, seconds(targets[i]! - targets[i - 1]!));
    return move;
  });
  const longest = moves.reduce((n, move) => Math.max(n, move), 0);
  const [exposure, write] = [first.exposureSeconds ?? 0, first.writeSeconds ?? 0];
  const settle = Math.max(...sweeps.map((s) => s.settleSeconds ?? 0));
  const margin = Math.max(...sweeps.map((s) => s.marginSeconds ?? 0));
  const interval = first.intervalSeconds ?? null;
  const slack = interval === null ? null : interval - exposure - write - settle - margin - longest;
  if (slack !== null && slack < 0) {
    const parts = { exposure, writing: write, moving: longest, settling: settle, margin };
    const [breaks] = Object.entries(parts).reduce((a, b) => (b[1] > a[1] ? b : a));
    return error('shotTooShort', `${Number((-slack).toFixed(3))} s`, {
      path: 'job.sweeps[0].intervalSeconds',
      limit: breaks,
    });
  }
  let frames: readonly ShotFrame[] | null = null;
  return ok({
    axes: planned,
    moves,
    longest,
    get frames() {
      return (frames ??= moves.map((move, i) => ({
        targets: times.map(({ targets }) => targets[i]!),
        move,
      })));
    },
    interval,
    exposure,
    write,
    settle,
    margin,
    slack,
  });
}

/** Where an axis stands at so many of its microsteps, mm or degrees, in so many decimals: exact, the last one rounded. */
export function placeTextOf({ sweep, steps }: ShotAxis, decimals: number): (target: number) => string {
  const unit = rational(sweep.unit === 'turns' ? 360 : 1);
  const from = mul(exactly(sweep.from), unit);
  const step = div(mul(sub(exactly(sweep.to), exactly(sweep.from)), unit), steps);
  // over one denominator: a shot has a hundred thousand of them
  const d = from.d * step.d;
  const [start, each] = [from.s * from.n * step.d, step.s * step.n * from.d];
  return (target) => {
    const n = start + each * BigInt(target);
    return decimal(n < 0n ? { s: -1n, n: -n, d } : { s: 1n, n, d }, decimals);
  };
}

/** Seconds of the whole shot, from its first mark to its last. */
export const shotSeconds = ({ moves, interval }: Shot): number | null =>
  interval === null ? null : (moves.length - 1) * interval;
