import { abs, exactly, rational, toText, type Rational } from '../../numbers/index.ts';
import { choice } from './pair.ts';
import { knownBy, originOf, plusMinusInput, provenanceFacts, ratioLabel } from './provenance.ts';
import { ripple, wholeErrorInput } from './wobble.ts';
import type { Provenance, StageData, StageKind } from './stage.ts';

export interface Ratio extends StageData {
  readonly kind: 'ratio';
  readonly value: string;
  readonly provenance?: Provenance;
  /** of a measured ratio, exact */
  readonly plusMinus?: string;
}

/** Turns in for one turn out, as the file's text. */
const value = (s: Ratio): Rational => exactly(s.value);

/** Whole ratios that stand for anything that can be had. */
const PLAIN = [2, 3, 4, 5, 6, 8, 10, 12, 15, 20];

/** Any rational but 0, as given, with where it comes from. (handbook: drive; numbers, where a ratio comes from) */
export const ratio: StageKind<Ratio> = {
  kind: 'ratio',
  title: 'Fixed ratio',
  short: 'ratio',
  message: 'anything else, as turns in for one turn out',
  written: 'as given',
  inputs: [
    { type: 'ratio', key: 'value', label: 'Ratio', default: '5', hint: '5:1, 20:76, 76/20 or 13.7272' },
    choice('provenance', 'Ratio known from', knownBy, { optional: true }),
    plusMinusInput,
    wholeErrorInput,
  ],
  reduction: value,
  parts: (s) => [{ label: 'Fixed ratio', factor: abs(value(s)) }],
  origin: (s) => originOf(value(s), s.provenance, s.plusMinus, 'exact'),
  shape: (s) => ({ form: 'box', label: toText(abs(value(s))) }),
  search: {
    title: 'Fixed ratios',
    by: 'whole',
    any: () => PLAIN.map((n): Ratio => ({ kind: 'ratio', value: String(n), provenance: 'exact' })),
    message: () => `fixed ratios ${PLAIN.join(', ')}`,
  },
  label: (s) => ratioLabel(value(s)),
  play: null,
  wobbles: () => [ripple('fixed ratio', 'errorArcmin', 'in', rational(1))],
  facts: (s) => [
    `Read as ${ratioLabel(value(s))}, turns in for one turn out.`,
    ...provenanceFacts(s.provenance, s.plusMinus),
  ],
};
