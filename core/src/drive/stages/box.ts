import {
  abs,
  div,
  exactly,
  isNegative,
  ONE,
  rational,
  error,
  sub,
  toNumber,
  toText,
  type Rational,
} from '../../numbers/index.ts';
import { isOfPlanets, knownBoxes } from '../boxes.ts';
import { pairsRatio, type ToothPairs } from '../pairs.ts';
import { choice } from './pair.ts';
import { knownBy, originOf, plusMinusInput, provenanceFacts, ratioLabel } from './provenance.ts';
import { ripple, wholeErrorInput } from './wobble.ts';
import { COUNTED, type Owned, type Part, type Provenance, type StageData, type StageKind } from './stage.ts';

export interface Box extends StageData {
  readonly kind: 'box';
  /** driver and driven of each pair, when they were counted */
  readonly pairs?: ToothPairs;
  /** the pairs fit a count or a label, but nobody has counted them */
  readonly guessed?: boolean;
  /** what is printed on it; in force while there are no pairs */
  readonly ratio?: string;
  readonly provenance?: Provenance;
  /** of a measured ratio, exact */
  readonly plusMinus?: string;
}

const reduction = (s: Box): Rational =>
  s.pairs ? pairsRatio(s.pairs) : s.ratio === undefined ? ONE : exactly(s.ratio);

/** A label is only nearly a ratio; what was counted, or drawn by oneself, is one. (handbook: numbers) */
const owned: Owned<Box> = {
  title: 'Gearbox',
  plural: 'Gearboxes',
  group: 'boxes',
  pasted: /\b(gear ?box(es)?|box(es)?|gear(ed)? ?(motor|head)s?)\b/i,
  inputs: [{ type: 'ratio', key: 'ratio', label: 'Ratio', default: '5', reduces: true }],
  teeth: 'ratio',
  size: null,
  bore: 'Shaft',
  fresh: { ratio: '5' },
  rest: (counted) => ({ provenance: counted ? 'exact' : 'nominal' }),
  label: (s) => `box ${s.ratio}`,
};

/** A packaged gearbox: by its tooth pairs, taken as +, or by the ratio on its label. (handbook: drive; numbers) */
export const box: StageKind<Box> = {
  kind: 'box',
  title: 'Gearbox',
  short: 'box',
  message: 'a bought gearbox, by its teeth or by its label',
  written: 'product of the pairs, taken as +, else the ratio',
  inputs: [
    {
      type: 'pairs',
      key: 'pairs',
      label: 'Tooth pairs',
      default: '',
      optional: true,
      hint: 'driver : driven of each pair, for example 9:32, 11:22, 9:26, 10:31',
    },
    {
      type: 'flag',
      key: 'guessed',
      label: 'Teeth are a guess',
      default: '',
      optional: true,
      hint: 'they fit, but nobody has counted them: what rests on them is told so',
    },
    {
      type: 'ratio',
      key: 'ratio',
      label: 'Printed',
      reduces: true,
      default: '',
      optional: true,
      hint: 'the label, 45:1',
    },
    choice(
      'provenance',
      'Ratio known from',
      [['nominal', 'Label'], ...knownBy.filter(([v]) => v !== 'nominal')],
      {
        optional: true,
      },
    ),
    plusMinusInput,
    wholeErrorInput,
  ],
  fresh: { ratio: '45', provenance: 'nominal' },
  refuse: (s) =>
    s.pairs === undefined && s.ratio === undefined ? error('noRatio', '', { path: 'pairs' }).refusal : null,
  reduction,
  parts: (s): readonly Part[] =>
    s.pairs
      ? s.pairs.map(([z1, z2]) => ({ label: `Box ${z1}:${z2}`, factor: rational(z2, z1) }))
      : [{ label: 'Box', factor: abs(reduction(s)) }],
  origin: (s) => {
    if (s.pairs) return s.guessed ? { from: 'estimated' } : COUNTED;
    return originOf(reduction(s), s.provenance, s.plusMinus, 'nominal');
  },
  shape: (s) => ({ form: 'box', label: short(reduction(s)) }),
  sense: ({ pairs }) => {
    if (!pairs) return { turns: 1, by: 'if its box keeps the way, which no label tells' };
    if (isOfPlanets(pairs)) return null;
    const odd = pairs.length % 2 === 1;
    return {
      turns: odd ? -1 : 1,
      by: `if the ${pairs.length === 1 ? 'pair of its box is a plain one' : `${pairs.length} pairs of its box are plain ones`}, outside one another`,
    };
  },
  toothed: ({ pairs = [] }) => ({ driven: pairs.map(([, z2]) => z2), drivers: pairs.map(([z1]) => z1) }),
  search: {
    title: 'Gearboxes',
    by: 'whole',
    any: () => knownBoxes.map(({ pairs }): Box => ({ kind: 'box', pairs })),
    message: () => 'boxes with counted teeth',
  },
  owned,
  label: (s) => ratioLabel(reduction(s)),
  facts: (s) => {
    if (!s.pairs) return provenanceFacts(s.provenance ?? 'nominal', s.plusMinus);
    const r = pairsRatio(s.pairs);
    const teeth = `${s.pairs.length} ${s.pairs.length === 1 ? 'pair' : 'pairs'}: ${toText(r)} = ${toNumber(r).toFixed(6).replace(/0+$/, '').replace(/\.$/, '')}.`;
    const guess = s.guessed ? ['These teeth are a guess that fits: count them, then say so.'] : [];
    if (s.ratio === undefined) return [teeth, ...guess];
    const off = toNumber(div(sub(abs(exactly(s.ratio)), r), r)) * 100;
    return Math.abs(off) < 1e-12
      ? [teeth, 'The label is exactly that.', ...guess]
      : [
          teeth,
          `The label says ${toText(exactly(s.ratio))}, ${Math.abs(off).toPrecision(3)} % too ${off > 0 ? 'much' : 'little'}; the teeth are in force.`,
          ...guess,
        ];
  },
  play: null,
  wobbles: () => [ripple('gearbox', 'errorArcmin', 'in', rational(1))],
};

const short = (r: Rational): string => {
  const n = toNumber(abs(r));
  const sign = isNegative(r) ? '−' : '';
  return sign + (r.d === 1n ? r.n.toString() : Number(n.toPrecision(5)).toString());
};
