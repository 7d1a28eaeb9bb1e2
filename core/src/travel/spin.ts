import { abs, div, exactly, mul, rational, toNumber, type Rational } from '../numbers/index.ts';
import type { Kinematics, Knob, Spin } from '../drive/index.ts';

/** A range of speeds at the work, and what it asks of the motor. (handbook: travel) */
export interface SpinReport {
  /** of the motor, rpm, exact */
  readonly motorRpm: readonly [Rational, Rational];
  /** microsteps a second, exact; null when the drive has no steps */
  readonly stepRate: readonly [Rational, Rational] | null;
  /** one step of the knob at the low end, % of the speed there; null without a knob */
  readonly knobPercent: number | null;
  /** one microstep at the rim, µm; null without a radius */
  readonly rimUm: number | null;
  /** microsteps in 0.1° of the work; null without steps */
  readonly perTenth: number | null;
  /** the motor's top speed against the greatest that is wanted of that shaft, rpm; null when it is not known */
  readonly reach: { readonly top: number; readonly wanted: number } | null;
}

export function spinReport(spin: Spin, k: Kinematics, radiusMm: Rational | null): SpinReport {
  const [low, high] = [exactly(spin.minRpm), exactly(spin.maxRpm)];
  const N = k.stepsPerTurn;
  const R = abs(k.reduction);
  const rate = (rpm: Rational, steps: Rational): Rational => div(mul(rpm, steps), rational(60));
  const readings = spin.knobBits === undefined ? null : 2 ** spin.knobBits - 1;
  const motor = [mul(low, R), mul(high, R)] as const;
  return {
    motorRpm: motor,
    stepRate: N && [rate(low, N), rate(high, N)],
    knobPercent: readings && (100 * (toNumber(high) - toNumber(low))) / readings / toNumber(low),
    rimUm: N && radiusMm && (2000 * Math.PI * toNumber(radiusMm)) / toNumber(N),
    perTenth: N && toNumber(N) / 3600,
    reach:
      spin.motorRpm === undefined
        ? null
        : { top: spin.motorRpm, wanted: toNumber(mul(high, turnsOf(k, spin.motorShaft ?? 0))) },
  };
}

/** Turns of a shaft for one of the work; of the last one for a shaft that is not there. */
const turnsOf = (k: Kinematics, shaft: number): Rational =>
  (k.shafts[Math.min(shaft, k.shafts.length - 1)] ?? k.shafts[0]!).turnsPerOutputTurn;

/** Smooth slow turning wants at least so many microsteps in 0.1°; an estimate. */
export const SMOOTH_STEPS = 10;

/** A hand knob on the motor's shaft. */
export interface KnobReport {
  /** of the knob, across the range; exact */
  readonly turns: Rational;
  /** one mark at the work, ″; exact */
  readonly markArcsec: Rational;
  /** turns of the knob in one window; null without one */
  readonly windowTurns: Rational | null;
}

export function knobReport(knob: Knob, k: Kinematics): KnobReport {
  const R = abs(k.reduction);
  const turn = rational(1_296_000);
  return {
    turns: mul(exactly(knob.turnsOut), R),
    markArcsec: div(turn, mul(R, rational(knob.marks))),
    windowTurns: knob.windowArcsec === undefined ? null : div(mul(exactly(knob.windowArcsec), R), turn),
  };
}
