import { abs, toNumber } from '../numbers/index.ts';
import type { Drive, Kinematics } from '../drive/index.ts';
import { halfStep, steeredCounts, stepAtWork } from '../motion/index.ts';
import { heldNm } from '../turning/index.ts';
import type { ErrorTerm } from './term.ts';

/** Under this part of what the stages bring, what the source brings no longer matters. (handbook: errors) */
const NO_LONGER = 0.1;

/** The worst error against the ratio: what the stages bring stays, what the source brings goes down with it. */
export interface Reach {
  /** of the stages and the output, ″ */
  readonly stages: number;
  /** of the source at a ratio of 1: steps, waves, half a microstep, stop window, marks, ″ */
  readonly source: number;
  /** the first whole ratio from which more of it no longer helps; null where nothing of the stages is known */
  readonly from: number | null;
  readonly ratio: number;
}

/** What goes down with more ratio, and what does not. */
const SOURCE_OR_STAGE: readonly ErrorTerm['kind'][] = ['periodic', 'step', 'window', 'plate'];
const isOfSource = ({ id, value }: ErrorTerm): boolean =>
  id.startsWith('motor.') || value?.field.of === 'source';

/** ″ of one turn. */
const TURN = 1_296_000;

/** (handbook: errors, more ratio no longer helps) */
export function reachOf(drive: Drive, k: Kinematics, terms: readonly ErrorTerm[]): Reach | null {
  const step = stepAtWork(drive, k);
  // what an encoder corrects does not reach the work at any ratio
  if (k.fullStepsPerTurn === null || k.lock || k.hinge || !step || steeredCounts(drive, k)) return null;
  const ratio = toNumber(abs(k.reduction));
  const counted = terms.filter((t) => SOURCE_OR_STAGE.includes(t.kind));
  const sum = (own: boolean): number =>
    counted.reduce((n, t) => n + (isOfSource(t) === own ? (t.arcsec ?? 0) : 0), 0);
  const source = (sum(true) + halfStep(step)) * ratio;
  const stages = sum(false);
  return {
    stages,
    source,
    from: stages > 0 ? Math.ceil(source / (stages * NO_LONGER)) : null,
    ratio,
  };
}

export const worstAt = ({ stages, source }: Reach, ratio: number): number => stages + source / ratio;

/** A microstep and the dead band against friction, at the motor, ″; and on which microstep it moves. (handbook: errors, the motor) */
export interface Resolution {
  readonly microstep: number;
  readonly deadBand: number;
  /** the first microstep that moves it from balance, and after a reversal; null where it never does */
  readonly first: number | null;
  readonly reversed: number | null;
  /** the finest mode whose microstep is not below the dead band */
  readonly finest: number;
}

/** What friction leaves of the microsteps of a stepper; null while a torque is not known. */
export function resolutionOf(
  { train: { source } }: Drive,
  frictionAtMotorNm: number | null,
): Resolution | null {
  const held = source.kind === 'stepper' ? heldNm(source) : null;
  if (source.kind !== 'stepper' || held === null || frictionAtMotorNm === null) return null;
  const { fullSteps, mode, modes } = source;
  const part = frictionAtMotorNm / held;
  const pairs = fullSteps / 4;
  const angle = part >= 1 ? Math.PI / 2 : Math.asin(part);
  const electrical = Math.PI / 2 / mode;
  const steps = (a: number): number | null =>
    part >= 1 ? null : Math.max(1, Math.ceil(a / electrical - 1e-12));
  const deadBand = part >= 1 ? Infinity : (angle / pairs) * (TURN / (2 * Math.PI));
  const fine = modes.filter((m) => TURN / fullSteps / m >= deadBand);
  return {
    microstep: TURN / fullSteps / mode,
    deadBand,
    first: steps(angle),
    reversed: steps(2 * angle),
    finest: fine.length > 0 ? Math.max(...fine) : Math.min(...modes),
  };
}
