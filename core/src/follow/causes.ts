import { abs, exactly, isZero, toNumber, type Rational } from '../numbers/index.ts';
import type { Kinematics, TangentArm, Timer } from '../drive/index.ts';
import { doubtOf, doubtPpm } from '../motion/index.ts';
import { armDrift, armError, screwFor, type TurningArm } from './arms.ts';
import { polarDrift } from './camera.ts';
import { clockOff, ppm } from './timing.ts';

/** What makes a rate wrong. To add one: a line here, and one in the words of the report. */
export type CauseId = 'rounding' | 'speed' | 'clock' | 'measured' | 'arm' | 'polar';

/** One cause of a rate that is off, at its worst. (handbook: follow) */
export interface RateCause {
  readonly id: CauseId;
  /** parts in a million; signed where its sense is known, fast positive, else a ± */
  readonly ppm: number;
  readonly sign: 'known' | 'either';
  /** ″ a second at the axis, a magnitude: what a camera adds up */
  readonly arcsecPerSecond: number;
  /** it moves across the sky everywhere alike: no cos δ */
  readonly across: boolean;
}

/** What a rate is judged by besides its intervals. */
export interface RateAsked {
  readonly timer: Timer | undefined;
  readonly k: Kinematics;
  readonly period: Rational;
  readonly arm: TurningArm | null;
  /** how long it is followed, s */
  readonly session: number;
  readonly polarArcmin: number;
}

/** Every cause there is, the way's own rounding first. `off` is wanted over made, less one. */
export function causesOf(asked: RateAsked, off: Rational, own: 'rounding' | 'speed'): readonly RateCause[] {
  const { timer, k, period, arm, session, polarArcmin } = asked;
  const rate = 1_296_000 / toNumber(period);
  const of = (id: CauseId, value: number, sign: RateCause['sign']): RateCause => ({
    id,
    ppm: value,
    sign,
    arcsecPerSecond: (Math.abs(value) / 1e6) * rate,
    across: false,
  });
  const clock = timer ? ppm(clockOff(timer)) : 0;
  const measured = doubtPpm(doubtOf(k));
  const polar = polarDrift(polarArcmin);
  return [
    of(own, isZero(off) ? 0 : ppm(off), 'known'),
    ...(clock === 0 ? [] : [of('clock', clock, 'either')]),
    ...(measured === 0 ? [] : [of('measured', measured, 'either')]),
    ...(arm && arm.kind !== 'curved'
      ? [
          {
            ...of('arm', (1e6 * armError(arm, session)) / (rate * session), 'known'),
            arcsecPerSecond: Math.abs(armDrift(arm, session)),
          },
        ]
      : []),
    ...(polar === 0
      ? []
      : [
          {
            // of the sky's own rate, whatever a mirror makes of it
            ...of('polar', (1e6 * polarArcmin * Math.PI) / 10_800, 'either'),
            arcsecPerSecond: polar,
            across: true,
          },
        ]),
  ];
}

/** Those of the rate itself: what moves across the sky is no error of it. (handbook: errors, what a camera sees) */
export const ofRate = (causes: readonly RateCause[]): readonly RateCause[] => causes.filter((c) => !c.across);

/** The one that does most to the rate. */
export const largestCause = (causes: readonly RateCause[]): RateCause =>
  ofRate(causes).reduce((a, b) => (Math.abs(b.ppm) > Math.abs(a.ppm) ? b : a));

/** The arm of an output, its screw turning as it is right at the start: one turn of the hinge in `period` seconds. */
export function turningArm(output: TangentArm, period: Rational): TurningArm {
  const lead = toNumber(exactly(output.leadMm));
  const radius = toNumber(exactly(output.armMm));
  const rate = (2 * Math.PI) / toNumber(abs(period));
  return {
    kind: output.geometry,
    radiusMm: radius,
    leadMm: lead,
    turnsPerSecond: screwFor(radius, lead, rate),
    rate,
  };
}
