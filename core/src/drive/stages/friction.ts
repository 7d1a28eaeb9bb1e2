import { div, exactly, neg, toNumber, type Rational } from '../../numbers/index.ts';
import type { InputSpec } from '../inputs.ts';
import { choice } from './pair.ts';
import { originOf, plusMinusInput } from './provenance.ts';
import { runouts } from './wobble.ts';
import type { StageData, StageKind } from './stage.ts';

export interface Friction extends StageData {
  readonly kind: 'friction';
  readonly d1: string;
  readonly d2: string;
  readonly run?: 'open' | 'crossed' | 'rim';
  /** of the ratio as it was counted over many turns, exact */
  readonly plusMinus?: string;
}

const diameter = (key: string, label: string, standard: string): InputSpec => ({
  type: 'exact',
  key,
  label,
  unit: 'mm',
  default: standard,
  hint: 'measured at the middle of the belt, or at the rim that rolls',
});

const ways = (s: Friction): NonNullable<Friction['run']> => s.run ?? 'open';

/** Round or flat belt, or rim on rim, d1 drives d2: r = ±d2/d1, only as true as the diameters were measured. (handbook: drive) */
export const friction: StageKind<Friction> = {
  kind: 'friction',
  title: 'Friction drive',
  short: 'friction',
  message: 'a round belt or two rims; no teeth, and it slips',
  suits: {
    brings: 'No play and no teeth; its ratio has to be measured.',
    asks: 'a ratio measured at the work',
  },
  written: 'd2/d1, minus unless open; with `plusMinus` measured, else it counts as printed',
  inputs: [
    diameter('d1', 'Driver', '20'),
    diameter('d2', 'Driven', '60'),
    choice(
      'run',
      'Runs',
      [
        ['open', 'Open belt'],
        ['crossed', 'Crossed'],
        ['rim', 'Rim on rim'],
      ],
      { optional: true },
    ),
    plusMinusInput,
  ],
  reduction: (s) => (ways(s) === 'open' ? size(s) : neg(size(s))),
  parts: (s) => [{ label: 'Friction', factor: size(s) }],
  origin: (s) => originOf(size(s), 'measured', s.plusMinus, 'measured'),
  shape: (s) => {
    const [driver, driven] = [s.d1, s.d2].map((d) => ({ teeth: 0, pitchMm: toNumber(exactly(d)) }));
    return ways(s) === 'rim'
      ? { form: 'mesh', driver: driver!, driven: driven!, inner: false }
      : { form: 'belt', driver: driver!, driven: driven!, crossed: ways(s) === 'crossed' };
  },
  label: (s) => `${s.d1} : ${s.d2} mm`,
  facts: () => [
    'It slips and creeps, so the ratio is only as good as its measurement: count it over many turns, or put the encoder after it.',
  ],
  play: { by: 'angle', arcmin: 0, drivenMm: (s) => drivenMm(s) },
  wobbles: (s) => runouts('driver', 'driven', drivenMm(s)),
};

const drivenMm = (s: Friction): number => toNumber(exactly(s.d2));
const size = (s: Friction): Rational => div(exactly(s.d2), exactly(s.d1));
