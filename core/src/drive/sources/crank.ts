import { abs, div, exactly, mul, rational, toNumber, type Rational } from '../../numbers/index.ts';
import type { InputOf } from '../inputs.ts';
import type { SourceData, SourceKind } from './source.ts';
import { knownByInputs } from '../stages/judged.ts';
import { motor } from './motor.ts';
import { speedInput, speedOf } from './speed.ts';

export interface Crank extends SourceData {
  readonly kind: 'crank';
  readonly marks: number;
  readonly rpm?: string;
  /** turns of a second, slow knob for one turn of the crank */
  readonly knob?: string;
  readonly rangeDeg?: string;
  readonly windowDeg?: string;
  /** a mark or hole is set so far from where it should be, ±, at this radius */
  readonly markErrorMm?: number;
  readonly markRadiusMm?: number;
  readonly measured?: string;
}

const angle = (key: string, label: string, hint: string): InputOf<'exact'> => ({
  type: 'exact',
  key,
  label,
  unit: '°',
  default: '',
  optional: true,
  more: true,
  hint,
});

/** Turns with the figures that carry meaning: "45", "0.333". */
const turns = (r: Rational): string => String(Number(toNumber(r).toPrecision(4)));
const knobAngle = (r: Rational): string =>
  toNumber(r) < 1 ? `${Number((toNumber(r) * 360).toPrecision(3))}° of it` : `${turns(r)} turns`;

/** Hand crank or knob with a graduated dial of k marks: N = k·|R|. (handbook: drive, sources; two-speed hand drives) */
export const crank: SourceKind<Crank> = {
  kind: 'crank',
  title: 'Hand crank',
  short: 'crank',
  message: 'a crank or a knob with a dial',
  suits: {
    brings: 'No motor and nothing to go wrong: exact, and slow.',
    asks: 'patience, and a tally kept',
  },
  inputs: [
    {
      type: 'count',
      key: 'marks',
      label: 'Dial',
      unit: 'marks',
      min: 1,
      max: 100_000,
      default: 100,
      hint: 'marks on one turn of the dial; 1 for a crank that goes by whole turns',
    },
    speedInput('30'),
    motor('markErrorMm', 'Mark or hole', 'mm', 50, '± from where it should be'),
    motor('markRadiusMm', 'Radius of the marks', 'mm', 10_000),
    ...knownByInputs,
    {
      type: 'exact',
      key: 'knob',
      label: 'Fine knob',
      unit: 'turns',
      default: '',
      optional: true,
      more: true,
      hint: 'turns of a second, slow knob for one turn of the crank',
    },
    angle('rangeDeg', 'Range', 'how far the work goes in all'),
    angle('windowDeg', 'Window', 'the part of it that matters: a tuning peak, a focus'),
  ],
  step: 'mark',
  stops: 'mark',
  fullSteps: (s) => s.marks,
  modes: () => [1],
  mode: () => 1,
  hasModes: false,
  speed: (s) => speedOf(s.rpm, 30),
  parts: (s) => [{ label: 'Dial', factor: rational(s.marks) }],
  facts: (s, reduction) => [
    s.marks === 1
      ? 'It goes by whole turns of the crank.'
      : `One mark is ${Number((360 / s.marks).toFixed(4))}° of the crank.`,
    ...twoSpeeds(s, abs(reduction)),
  ],
  glyph: 'crank',
};

/** Turns over the range and across the window, crank and knob side by side. */
function twoSpeeds(s: Crank, R: Rational): readonly string[] {
  const over = (deg: string): Rational => mul(div(exactly(deg), rational(360)), R);
  const knob = s.knob === undefined ? null : exactly(s.knob);
  const both = (deg: string): string => {
    const crank_ = over(deg);
    return `crank ${knobAngle(crank_)}${knob ? `, knob ${knobAngle(mul(crank_, knob))}` : ''}`;
  };
  return [
    ...(s.rangeDeg === undefined ? [] : [`Over ${s.rangeDeg}°: ${both(s.rangeDeg)}.`]),
    ...(s.windowDeg === undefined ? [] : [`Across ${s.windowDeg}°: ${both(s.windowDeg)}.`]),
  ];
}
