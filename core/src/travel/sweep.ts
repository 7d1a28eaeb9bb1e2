import {
  abs,
  div,
  exactly,
  mul,
  piToNumber,
  rational,
  round,
  roundDiv,
  sub,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import type { Kinematics, Sweep } from '../drive/index.ts';

/** Sweeps in frames: where the drive stands at each, whole microsteps from the start. (handbook: travel) */

/** Part of the way that is behind at part `u` of the frames, both 0 to 1. */
export function eased(sweep: Sweep, u: number): number {
  switch (sweep.easing) {
    case 'linear':
      return u;
    case 'cosine':
      return (1 - Math.cos(Math.PI * u)) / 2;
    case 'smoothstep':
      return 3 * u ** 2 - 2 * u ** 3;
    case 'trapezoid': {
      const [p, q] = [(sweep.speedUp ?? 20) / 100, (sweep.slowDown ?? 20) / 100];
      const top = 1 / (1 - (p + q) / 2);
      if (u < p) return (top * u ** 2) / (2 * p);
      if (u <= 1 - q) return top * (u - p / 2);
      return 1 - (top * (1 - u) ** 2) / (2 * q);
    }
  }
}

/** Microsteps of the whole sweep, exact, or by a double where its travel has π in it; null when the drive has no steps. */
export function stepsOfSweep(sweep: Sweep, k: Kinematics): Rational | null {
  const way = abs(sub(exactly(sweep.to), exactly(sweep.from)));
  if (sweep.stepsPerUnit !== undefined) return mul(way, exactly(sweep.stepsPerUnit));
  const N = k.stepsPerTurn;
  if (!N) return null;
  switch (sweep.unit) {
    case 'turns':
      return mul(way, N);
    case 'deg':
      return mul(div(way, rational(360)), N);
    case 'mm': {
      if (!k.travel) return null;
      if (k.travel.piPower === 0) return mul(div(way, k.travel.q), N);
      const turns = toNumber(way) / piToNumber(k.travel);
      return rational(BigInt(Math.round(turns * toNumber(N) * 1e6)), 1_000_000n);
    }
  }
}

export interface SweepPlan {
  /** exact, of the whole sweep */
  readonly steps: Rational;
  /** at each frame, from 0 to round(steps); exact for an even sweep, else by doubles to the step */
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

/** Every frame's place. Steps of at most 2^52. */
export function planSweep(sweep: Sweep, steps: Rational): SweepPlan {
  const gaps = sweep.frames - 1;
  const total = toNumber(steps);
  const ideal = (i: number): number => eased(sweep, i / gaps) * total;
  const [top, bottom] = [Number(steps.n), Number(steps.d) * gaps];
  // whole numbers below 2^50 divide exactly enough for a floor; beyond them the exact way, which is slow for long films
  const small = top * gaps * 2 + bottom * 2 < 2 ** 50;
  const evenly = (i: number): number =>
    small
      ? Math.floor((2 * top * i + bottom) / (2 * bottom))
      : Number(roundDiv(steps.n * BigInt(i), steps.d * BigInt(gaps)));
  const targets = Array.from({ length: sweep.frames }, (_, i) => {
    if (i === gaps) return Number(round(steps));
    if (sweep.easing === 'linear') return evenly(i);
    return Math.round(ideal(i));
  });
  let [least, most, still, ripple] = [Infinity, 0, 0, 0];
  for (let i = 1; i <= gaps; i++) {
    const moved = targets[i]! - targets[i - 1]!;
    least = Math.min(least, moved);
    most = Math.max(most, moved);
    if (moved === 0) still++;
    ripple = Math.max(ripple, Math.abs(moved - (ideal(i) - ideal(i - 1))));
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

/** The schedule of a sweep whose longest move takes so many microsteps; null without an interval. */
export function scheduleOf(sweep: Sweep, mostSteps: number): Schedule | null {
  if (sweep.intervalSeconds === undefined) return null;
  const parts = [
    { id: 'exposure', seconds: sweep.exposureSeconds ?? 0 },
    { id: 'write', seconds: sweep.writeSeconds ?? 0 },
    {
      id: 'move',
      seconds:
        mostSteps === 0 ? 0 : moveSeconds(mostSteps, sweep.topStepRate ?? 4000, sweep.stepAccel ?? 8000),
    },
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

/** Frames of so many seconds: floor(duration / interval) + 1. */
export const framesIn = (seconds: number, interval: number): number => Math.floor(seconds / interval) + 1;
