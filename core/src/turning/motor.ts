import { abs, exactly, toNumber } from '../numbers/index.ts';
import type { Drive, EncoderMotor, GearMotor, Kinematics, Source, Stepper } from '../drive/index.ts';

/** Below this a stepper starts without a ramp, full steps/s, an estimate. (handbook: force, pull-in) */
export const PULL_IN = 500;

/** What the holding torque comes down to while it turns. */
const TURNING = 0.9;

/** Motors on one wheel share unevenly: from two on, each gives so much. */
const SHARED = 0.9;

const countOf = ({ count = 1 }: Stepper | EncoderMotor | GearMotor): number => count;
const together = (n: number): number => (n < 2 ? 1 : SHARED * n);

/** The part of the rated current that the driver is set to. */
const currentPart = ({ currentLimitA, currentA }: Stepper): number =>
  currentLimitA !== undefined && currentA ? Math.min(1, currentLimitA / currentA) : 1;

/** Torque with which a stepper's motors hold at the present current, all together, N·m; null while nobody gave it. (handbook: errors, one step at the work) */
export const heldNm = (s: Stepper): number | null =>
  s.holdingNm ? s.holdingNm * currentPart(s) * together(countOf(s)) : null;

/** Torque felt with the power off, all motors together, N·m; null while nobody gave it: unknown, not none. */
export const detentOf = (source: Source): number | null =>
  source.kind === 'stepper' && source.detentNm !== undefined ? source.detentNm * countOf(source) : null;

/** How many equal motors turn the first wheel: each pinion bears its share. */
export const motorsOf = (source: Source): number => (source as { readonly count?: number }).count ?? 1;

/** Full steps a second from which the torque falls: V/(2·L·I); null while one of them is not known. (handbook: force) */
export function cornerRate(s: Stepper): number | null {
  const amps = s.currentLimitA ?? s.currentA;
  return s.supplyV && s.inductanceMh && amps ? s.supplyV / (2 * (s.inductanceMh / 1000) * amps) : null;
}

/** On a curve between its points; before the first as at it, behind the last nothing. */
function onCurve(curve: NonNullable<Stepper['torqueCurve']>, rate: number): number {
  const [first] = curve;
  if (!first || rate <= first[0]) return first?.[1] ?? 0;
  for (let i = 1; i < curve.length; i++) {
    const [x0, y0] = curve[i - 1]!;
    const [x1, y1] = curve[i]!;
    if (rate <= x1) return y0 + ((y1 - y0) * (rate - x0)) / (x1 - x0);
  }
  return 0;
}

/**
 * Torque at the motor's shaft, all motors together, N·m, at `rpm` of it; null while what it follows from is not known. (handbook: force)
 */
export function availableNm(source: Source, rpm: number): number | null {
  if (source.kind === 'stepper') {
    const rate = (rpm / 60) * source.fullSteps;
    const share = currentPart(source) * together(countOf(source));
    if (source.torqueCurve) return onCurve(source.torqueCurve, rate) * share;
    const [corner, held] = [cornerRate(source), heldNm(source)];
    if (held === null || corner === null) return null;
    return TURNING * held * Math.min(1, corner / Math.max(rate, 1e-9));
  }
  if (source.kind === 'encoderMotor' || source.kind === 'gearMotor') {
    const { maxRpm, stallNm, ratedV, supplyV } = source;
    const free = maxRpm === undefined ? null : toNumber(exactly(maxRpm));
    if (!free || !stallNm) return null;
    const volts = ratedV && supplyV ? supplyV / ratedV : 1;
    return Math.max(0, stallNm * (volts - rpm / free)) * together(countOf(source));
  }
  return null;
}

/** Where a stepper shakes by itself. */
export interface Resonance {
  /** full steps a second, and the band about it */
  readonly stepRate: number;
  readonly from: number;
  readonly to: number;
  /** part of a full step's push that is left of it in microsteps */
  readonly push: number;
  readonly measured: boolean;
}

/** Half the width of the band. */
const BAND = 0.25;
/** From this push on the torque in the band is not to be relied on. An estimate. */
export const FELT = 0.1;

/** √(p·T_h/J)/2π; J the motor's and what the work reflects, kg·m². (handbook: force, resonance) */
export function resonanceOf(source: Source, reflectedKgM2: number): Resonance | null {
  if (source.kind !== 'stepper') return null;
  const { resonanceStepRate, rotorInertiaKgM2, fullSteps, mode } = source;
  const held = heldNm(source);
  const inertia = rotorKgM2(source) + reflectedKgM2;
  const stepRate =
    resonanceStepRate ??
    (held !== null && rotorInertiaKgM2
      ? Math.sqrt(((fullSteps / 4) * held) / inertia) / (2 * Math.PI)
      : null);
  return stepRate === null
    ? null
    : {
        stepRate,
        from: stepRate * (1 - BAND),
        to: stepRate * (1 + BAND),
        push: 1 / mode,
        measured: resonanceStepRate !== undefined,
      };
}

/** The same in turns a minute of the work: where the motor stands, and the band about it. */
export type ResonanceAtWork = Resonance & {
  readonly rpm: number;
  readonly fromRpm: number;
  readonly toRpm: number;
};

/** Where the motor of a drive shakes, with what its work reflects of a load; null where nobody can tell. (handbook: force, resonance) */
export function resonanceAtWork({ train, job }: Drive, k: Kinematics): ResonanceAtWork | null {
  const ratio = toNumber(abs(k.reduction));
  const { source } = train;
  const found = resonanceOf(source, (job.load?.inertiaKgM2 ?? 0) / ratio ** 2);
  if (!found || source.kind !== 'stepper') return null;
  const toRpm = (rate: number): number => ((rate / source.fullSteps) * 60) / ratio;
  return { ...found, rpm: toRpm(found.stepRate), fromRpm: toRpm(found.from), toRpm: toRpm(found.to) };
}

/** Does any of these speeds of the work lie in the band? */
export const inBand = ({ fromRpm, toRpm }: ResonanceAtWork, low: number, high = low): boolean =>
  high >= fromRpm && low <= toRpm;

/** W at standstill: both phases full 2·I²·R, microstepped I²·R. */
export function heatW(source: Source): number | null {
  if (source.kind !== 'stepper') return null;
  const amps = source.currentLimitA ?? source.currentA;
  if (!amps || !source.resistanceOhm) return null;
  return (source.mode === 1 ? 2 : 1) * amps ** 2 * source.resistanceOhm * countOf(source);
}

/** Inertia of all rotors, kg·m²; 0 while nobody gave it. */
export const rotorKgM2 = (source: Source): number =>
  source.kind === 'stepper' ? (source.rotorInertiaKgM2 ?? 0) * countOf(source) : 0;
