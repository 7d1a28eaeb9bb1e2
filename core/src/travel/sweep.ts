import {
  abs,
  div,
  exactly,
  mul,
  nearPi,
  rational,
  round,
  sub,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import type { Kinematics, Sweep, Timer } from '../drive/index.ts';
import { eased, easedTargets } from './easing.ts';

/** Sweeps in frames: where the drive stands at each, whole microsteps from the start. (handbook: travel) */

/**
 * Microsteps of the whole sweep: exact, or by 70 figures of π where its travel holds it. null when the drive has no steps, when what
 * it opens is a hinge, or when a wheel locks: the work then stands still and jumps.
 */
export function stepsOfSweep(sweep: Sweep, k: Kinematics): Rational | null {
  const way = abs(sub(exactly(sweep.to), exactly(sweep.from)));
  if (sweep.stepsPerUnit !== undefined) return mul(way, exactly(sweep.stepsPerUnit));
  const N = k.stepsPerTurn;
  if (!N || k.hinge || k.lock) return null;
  switch (sweep.unit) {
    case 'turns':
      return mul(way, N);
    case 'deg':
      return mul(div(way, rational(360)), N);
    case 'mm':
      return k.travel && mul(div(way, nearPi(k.travel)), N);
  }
}

export interface SweepPlan {
  /** exact, of the whole sweep */
  readonly steps: Rational;
  /** at each frame, from 0 to round(steps) */
  readonly targets: readonly number[];
  /** in one frame */
  readonly least: number;
  readonly most: number;
  /** frames in which nothing moves */
  readonly still: number;
  /** greatest |moved − ideal| in one frame, % of a mean frame */
  readonly ripple: number;
  /** microsteps of a mean frame, exact */
  readonly mean: Rational;
}

const plans = new WeakMap<Sweep, Map<string, SweepPlan>>();

/** Every frame's place, exact to the step and halves up. Steps of at most 2^52. Made once for a sweep and its steps, and kept while the sweep stands. */
export function planSweep(sweep: Sweep, steps: Rational): SweepPlan {
  const kept = plans.get(sweep) ?? new Map<string, SweepPlan>();
  plans.set(sweep, kept);
  const key = `${steps.n}/${steps.d}`;
  const known = kept.get(key) ?? planned(sweep, steps);
  kept.set(key, known);
  return known;
}

/** What doubles leave of an eased place, as a part of the whole sweep and besides. */
const SLACK = { part: 4e-15, steps: 1e-6 };

/**
 * Where each frame stands: rounded from doubles where those cannot be on the wrong side of a half, else exactly. (handbook: numbers, rounding)
 */
function placesOf(sweep: Sweep, steps: Rational): (i: number) => number {
  const gaps = sweep.frames - 1;
  const total = toNumber(steps);
  const slack = total * SLACK.part + SLACK.steps;
  const exact = easedTargets(sweep, gaps, steps);
  return (i) => {
    if (i === gaps) return Number(round(steps));
    const near = eased(sweep, i / gaps) * total;
    const down = Math.floor(near);
    const rest = near - down;
    return Math.abs(rest - 0.5) > slack && slack < 0.25 ? down + (rest > 0.5 ? 1 : 0) : Number(exact(i));
  };
}

function planned(sweep: Sweep, steps: Rational): SweepPlan {
  const gaps = sweep.frames - 1;
  const total = toNumber(steps);
  const place = placesOf(sweep, steps);
  const targets = Array.from({ length: sweep.frames }, (_, i) => place(i));
  let [least, most, still, ripple, before] = [Infinity, 0, 0, 0, 0];
  for (let i = 1; i <= gaps; i++) {
    const moved = targets[i]! - targets[i - 1]!;
    const ideal = eased(sweep, i / gaps) * total;
    least = Math.min(least, moved);
    most = Math.max(most, moved);
    if (moved === 0) still++;
    ripple = Math.max(ripple, Math.abs(moved - (ideal - before)));
    before = ideal;
  }
  return {
    steps,
    targets,
    least,
    most,
    still,
    ripple: total === 0 ? 0 : (100 * ripple * gaps) / total,
    mean: div(steps, rational(gaps)),
  };
}

/** Does any frame of a sweep depart from its ideal move by more than is seen? Told by the first that does. */
function seen(sweep: Sweep, steps: Rational): boolean {
  const gaps = sweep.frames - 1;
  const total = toNumber(steps);
  const place = placesOf(sweep, steps);
  const allowed = (SEEN_RIPPLE * total) / 100 / gaps;
  let [stood, before] = [place(0), 0];
  for (let i = 1; i <= gaps; i++) {
    const at = place(i);
    const ideal = eased(sweep, i / gaps) * total;
    if (Math.abs(at - stood - (ideal - before)) > allowed) return true;
    [stood, before] = [at, ideal];
  }
  return false;
}

/** The eye sees uneven motion above roughly this ripple, %; an estimate. */
export const SEEN_RIPPLE = 5;

/** Seconds of a move of `distance` with top speed v and acceleration a, from rest to rest. */
export const moveSeconds = (distance: number, v: number, a: number): number =>
  distance * a >= v ** 2 ? distance / v + v / a : 2 * Math.sqrt(distance / a);

/** Shoot, move, shoot: what one interval holds. */
export interface Schedule {
  readonly parts: readonly {
    readonly id: 'exposure' | 'write' | 'move' | 'settle' | 'margin';
    readonly seconds: number;
  }[];
  readonly interval: number;
  /** what is left of the interval in the frame with the longest move; negative: it does not fit */
  readonly slack: number;
  readonly totalSeconds: number;
  readonly filmSeconds: number;
  /** what takes most of the interval */
  readonly longest: 'exposure' | 'write' | 'move' | 'settle' | 'margin';
}

/** How fast the motor of a sweep moves, microsteps a second: as given, and never faster than the controller can step. */
export function speedOf(
  sweep: Pick<Sweep, 'topStepRate' | 'stepAccel'>,
  timer: Timer | undefined,
): { readonly top: number; readonly accel: number } {
  const most = timer?.maxStepsPerSecond === undefined ? Infinity : toNumber(exactly(timer.maxStepsPerSecond));
  return { top: Math.min(sweep.topStepRate ?? TOP_STEP_RATE, most), accel: sweep.stepAccel ?? STEP_ACCEL };
}

/** Of a motor of which nobody has said anything; estimates. */
const TOP_STEP_RATE = 4000;
const STEP_ACCEL = 8000;

/** Seconds of a move of so many microsteps of a sweep. */
export function secondsOfMove(
  sweep: Pick<Sweep, 'topStepRate' | 'stepAccel'>,
  timer: Timer | undefined,
): (steps: number) => number {
  const { top, accel } = speedOf(sweep, timer);
  return (steps) => (steps === 0 ? 0 : moveSeconds(steps, top, accel));
}

/** The schedule of a sweep whose longest move takes so many microsteps; null without an interval. */
export function scheduleOf(sweep: Sweep, mostSteps: number, timer?: Timer): Schedule | null {
  if (sweep.intervalSeconds === undefined) return null;
  const parts = [
    { id: 'exposure', seconds: sweep.exposureSeconds ?? 0 },
    { id: 'write', seconds: sweep.writeSeconds ?? 0 },
    { id: 'move', seconds: secondsOfMove(sweep, timer)(mostSteps) },
    { id: 'settle', seconds: sweep.settleSeconds ?? 0 },
    { id: 'margin', seconds: sweep.marginSeconds ?? 0 },
  ] as const;
  const used = parts.reduce((n, p) => n + p.seconds, 0);
  return {
    parts,
    interval: sweep.intervalSeconds,
    slack: sweep.intervalSeconds - used,
    totalSeconds: (sweep.frames - 1) * sweep.intervalSeconds,
    filmSeconds: sweep.frames / (sweep.fps ?? 25),
    longest: parts.reduce((a, b) => (b.seconds > a.seconds ? b : a)).id,
  };
}

/** The finest of these factors of the steps that brings the ripple under what is seen, tried frame by frame; null for none. */
export const curedBy = (sweep: Sweep, steps: Rational, factors: readonly Rational[]): Rational | null =>
  factors.find((f) => !seen(sweep, mul(steps, f))) ?? null;

/** Frames of so many seconds: floor(duration / interval) + 1. */
export const framesIn = (seconds: number, interval: number): number => Math.floor(seconds / interval) + 1;
