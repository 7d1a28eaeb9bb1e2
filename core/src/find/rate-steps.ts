import {
  ARCSEC_PER_TURN,
  compare,
  div,
  exactly,
  mul,
  piToNumber,
  rational,
  type Rational,
} from '../numbers/index.ts';
import { FIND_STEPS, kinematics, pixelScale, type Drive } from '../drive/index.ts';

/** What bounds the steps of a turn for a rate, and by what: the job's camera, the controller's counter and its speed. */
export interface StepBound {
  readonly why: 'camera' | 'counter' | 'speed' | 'field';
  readonly steps: Rational;
}

/** A whole number, or the first figures of a greater one. */
const up = (r: Rational): Rational => rational((r.n + r.d - 1n) / r.d);

/**
 * The steps that a rate wants of a turn where nobody typed any: no fewer than let a camera see one pixel at a step, and than the counter holds
 * between two; no more than the controller makes. (handbook: follow)
 */
export function rateSteps(
  drive: Drive,
  period: Rational,
  ticks: Rational,
  bits: number,
): { readonly least: StepBound; readonly most: StepBound } {
  const { camera } = drive.job;
  const { hinge } = kinematics(drive.train);
  // of an arm it is the screw that turns: so many turns of it are one of the hinge
  const opens = hinge ? piToNumber(hinge) : 1;
  const [low, high] = FIND_STEPS.split('-').map((t) => exactly(t)) as [Rational, Rational];
  const least: StepBound[] = [
    { why: 'field', steps: low },
    { why: 'counter', steps: up(div(mul(period, ticks), rational(2n ** BigInt(bits) - 1n))) },
    ...(camera
      ? [
          {
            why: 'camera' as const,
            steps: rational(
              Math.ceil(Number(ARCSEC_PER_TURN) / opens / pixelScale(camera.pixelUm, camera.focalMm)),
            ),
          },
        ]
      : []),
  ];
  const first = least.reduce((a, b) => (compare(b.steps, a.steps) > 0 ? b : a));
  // as wide as the field is when nothing bounds it
  const wide = div(mul(first.steps, high), low);
  const top = drive.timer?.maxStepsPerSecond;
  const fastest = top === undefined ? null : mul(period, exactly(top));
  return {
    least: first,
    most:
      fastest && compare(fastest, wide) < 0
        ? { why: 'speed', steps: fastest }
        : { why: 'field', steps: wide },
  };
}

/** The range of steps that is searched unless somebody typed one. */
export function usualSteps(drive: Drive, period: string, tick: string, bits: number): string {
  const { least, most } = rateSteps(drive, exactly(period), exactly(tick), bits);
  const whole = (r: Rational): string => String(r.n / r.d);
  return compare(least.steps, most.steps) < 0
    ? `${whole(least.steps)}-${whole(most.steps)}`
    : whole(least.steps) + '-';
}

/** What sets the ends of that range, the lower first: nothing for an end that is only usual. */
export function stepsBy(
  drive: Drive,
  period: string,
  tick: string,
  bits: number,
): readonly Exclude<StepBound['why'], 'field'>[] {
  const { least, most } = rateSteps(drive, exactly(period), exactly(tick), bits);
  return [least.why, most.why].filter((why) => why !== 'field');
}
