import { div, exactly, toNumber, abs } from '../../numbers/index.ts';
import type { Drive } from '../../drive/index.ts';
import { simulateDividing, simulatePlaces, speedRipple } from '../../simulate/index.ts';
import { eased, stepsOfSweep } from '../../travel/index.ts';
import { sweepName } from '../../plans/index.ts';
import { measured } from '../../words/index.ts';
import { contextOf } from '../context.ts';
import { running, simulatedSteps } from './model.ts';

/** One of many: which, from 1, and its amount, ″. */
interface Extreme {
  readonly at: number;
  readonly arcsec: number;
}

/** A wheel as it would be cut. */
export interface WheelPicture {
  readonly kind: 'divide';
  readonly title: string;
  readonly seed: number;
  readonly divisions: number;
  /** of each gap, ″ from where it should be */
  readonly errors: readonly number[];
  /** the widest and the narrowest gap, and the place farthest off: which, from 1, and by how much, ″ */
  readonly widest: Extreme;
  readonly narrowest: Extreme;
  readonly farthest: Extreme;
}

/** What is left of an even speed, over one turn. */
export interface RipplePicture {
  readonly kind: 'spin';
  readonly title: string;
  readonly seed: number;
  /** %, at even places of a turn */
  readonly curve: readonly number[];
  readonly peakToPeak: number;
  readonly message: string;
}

/** Where each frame of a sweep really stands. */
export interface FramesPicture {
  readonly kind: 'sweep';
  readonly title: string;
  readonly seed: number;
  readonly unit: 'deg' | 'mm' | 'turns';
  /** where it should stand, and how far off it is, in the unit */
  readonly frames: readonly { readonly ideal: number; readonly off: number }[];
  /** greatest departure of a frame's own move, % of a mean one */
  readonly worst: number;
  readonly message: string;
}

/** Teeth that are simulated. */
const MOST = 5000;

/** The error at each gap of a count; null where none can be. (handbook: errors, dividing sees only samples) */
export function wheelPicture(drive: Drive, divisions: number, seed: number): WheelPicture | null {
  const alone = { ...drive, job: { ...drive.job, divisions: String(divisions) } };
  const of = contextOf(alone);
  if (!of.divider || divisions > MOST) return null;
  const by = of.errors.budgets.all.find((b) => b.divisions === divisions);
  if (!by) return null;
  // a hole stands where its count wants it: nothing is rounded to whole turns of the crank
  const steps = of.byHand ? null : simulatedSteps(of.k);
  const errors = [...simulateDividing({ rows: by.budget.rows, seed, steps }, divisions)];
  const gaps = errors.map((e, i) => errors[(i + 1) % divisions]! - e);
  return {
    kind: 'divide',
    title: `${divisions}, as it would be cut`,
    seed,
    divisions,
    errors,
    widest: extreme(gaps, (v) => v),
    narrowest: extreme(gaps, (v) => -v),
    farthest: extreme(errors, Math.abs),
  };
}

/** The first that is most by a measure. */
function extreme(list: readonly number[], by: (value: number) => number): Extreme {
  const at = list.reduce((best, v, i) => (by(v) > by(list[best]!) ? i : best), 0);
  return { at: at + 1, arcsec: list[at]! };
}

/** The ripple of a turntable over one turn. */
export function ripplePicture(drive: Drive, at: number, seed: number): RipplePicture | null {
  const spin = drive.job.spins?.[at];
  if (!spin) return null;
  const { simulated } = running(drive, seed);
  const ripple = speedRipple(simulated.rows, seed);
  const rpm = toNumber(exactly(spin.maxRpm));
  const hertz = ripple.fast && (ripple.fast.turns * rpm) / 60;
  return {
    kind: 'spin',
    title: `Speed over one turn, ${spin.minRpm} to ${spin.maxRpm} rpm`,
    seed,
    curve: [...ripple.curve],
    peakToPeak: ripple.peakToPeak,
    message: [
      ripple.peakToPeak > 0
        ? `The speed wavers by ${measured(ripple.peakToPeak)} % from its least to its greatest.`
        : 'Nothing that is known makes it waver over a turn.',
      ...(ripple.fast
        ? [
            `Quicker shafts and the motor bring up to ±${measured(ripple.fast.percent)} % more, ${measured(hertz!)} times a second and oftener at the fastest: inertia smooths it.`,
          ]
        : []),
    ].join(' '),
  };
}

/** The frames of a sweep, each where the train really puts it; null where it does not move this drive. */
export function framesPicture(drive: Drive, at: number, seed: number): FramesPicture | null {
  const sweep = drive.job.sweeps?.[at];
  if (!sweep || sweep.stepsPerUnit !== undefined) return null;
  const { of, simulated } = running(drive, seed);
  const steps = stepsOfSweep(sweep, of.k);
  if (!steps || !of.k.stepsPerTurn) return null;
  const gaps = sweep.frames - 1;
  const turns = toNumber(div(steps, abs(of.k.stepsPerTurn)));
  const [from, to] = [toNumber(exactly(sweep.from)), toNumber(exactly(sweep.to))];
  const share = Array.from({ length: sweep.frames }, (_, i) => eased(sweep, i / gaps));
  const perTurn = (to - from) / turns;
  const errors = simulatePlaces(
    simulated,
    share.map((s) => s * turns),
  );
  const start = errors[0]!;
  const frames = share.map((s, i) => ({
    ideal: from + s * (to - from),
    off: ((errors[i]! - start) / 1_296_000) * Math.abs(perTurn),
  }));
  const mean = Math.abs(to - from) / gaps;
  const worst = frames.reduce(
    (m, f, i) => (i === 0 ? 0 : Math.max(m, Math.abs(f.off - frames[i - 1]!.off))),
    0,
  );
  return {
    kind: 'sweep',
    title: sweepName(sweep, at),
    seed,
    unit: sweep.unit,
    frames,
    worst: (100 * worst) / mean,
    message: `From frame to frame its move departs by up to ${measured((100 * worst) / mean)} % of a mean one.`,
  };
}
