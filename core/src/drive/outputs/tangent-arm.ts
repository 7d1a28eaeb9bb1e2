import { div, exactly, mul, piValue, rational } from '../../numbers/index.ts';
import { outputPlay, type OutputData, type OutputKind } from './output.ts';

export type ArmKind = 'straight' | 'isosceles' | 'curved';

/** A screw on an arm: it opens a hinge. Exact lengths are text. */
export interface TangentArm extends OutputData {
  readonly kind: 'tangentArm';
  readonly leadMm: string;
  /** from the hinge to the screw */
  readonly armMm: string;
  readonly geometry: ArmKind;
  /** a screw speed that is wanted, rpm: what the arm should then measure is told */
  readonly screwRpm?: string;
  /** how long it follows; an hour unless said */
  readonly sessionMinutes?: number;
}

/** One turn of the hinge at the start is 2πρ/lead turns of the screw: never Even by itself. (handbook: drive; follow, tangent arms) */
export const tangentArm: OutputKind<TangentArm> = {
  kind: 'tangentArm',
  title: 'Tangent arm',
  message: 'a screw that opens a hinge, as in a barn door',
  suits: {
    brings: 'Two boards, a hinge and a screw: nothing to cut.',
    asks: 'a hinge set true, wound back after each session',
  },
  typical: [{ kind: 'tangentArm', leadMm: '1', armMm: '228.557', geometry: 'isosceles' }],
  inputs: [
    { type: 'exact', key: 'leadMm', label: 'Lead', unit: 'mm', default: '1', hint: 'travel for one turn' },
    {
      type: 'exact',
      key: 'armMm',
      label: 'Hinge to screw',
      unit: 'mm',
      default: '228.557',
      hint: 'where the screw pulls, from the middle of the hinge',
    },
    {
      type: 'choice',
      key: 'geometry',
      label: 'Geometry',
      options: [
        { value: 'isosceles', title: 'Straight, pivoted at both ends' },
        { value: 'straight', title: 'Straight, square to the fixed arm' },
        { value: 'curved', title: 'Curved rod' },
      ],
      default: 'isosceles',
    },
    {
      type: 'exact',
      key: 'screwRpm',
      label: 'Wanted screw speed',
      unit: 'rpm',
      default: '',
      optional: true,
      hint: 'Check tells how long the arm must be for it',
    },
    {
      type: 'number',
      key: 'sessionMinutes',
      label: 'Session',
      unit: 'min',
      min: 0.1,
      max: 1440,
      default: 60,
      optional: true,
      hint: 'how long it follows before it is wound back',
    },
    outputPlay('Nut backlash', 'end to end along the screw'),
  ],
  travel: () => null,
  perTurnMm: (o) => piValue(exactly(o.leadMm)),
  hinge: (o) => piValue(div(mul(rational(2), exactly(o.armMm)), exactly(o.leadMm)), 1),
  play: 'unknown',
  facts: (o) => [
    o.geometry === 'curved'
      ? 'A curved rod keeps the rate at a steady speed of the screw.'
      : 'A steady screw keeps the rate only at the start: Check tells how long, and gives the speeds that put it right.',
  ],
  glyph: 'arm',
};
