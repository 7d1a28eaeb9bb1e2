import { abs, exactly, isNegative, toText, type Rational } from '../../numbers/index.ts';
import type { Provenance, StageData, StageKind } from './stage.ts';

export interface Ratio extends StageData {
  readonly kind: 'ratio';
  readonly value: string;
  readonly provenance?: Provenance;
}

/** Turns in for one turn out, as the file's text. */
const value = (s: Ratio): Rational => exactly(s.value);

/** Any rational but 0, as given, with where it comes from. (handbook: drive; numbers, where a ratio comes from) */
export const ratio: StageKind<Ratio> = {
  kind: 'ratio',
  title: 'Plain ratio',
  short: 'ratio',
  says: 'anything else, as turns in for one turn out',
  inputs: [
    { type: 'ratio', key: 'value', label: 'Ratio', default: '5', hint: '5:1, 20:76, 76/20 or 13.7272' },
    {
      type: 'choice',
      key: 'provenance',
      label: 'Known by',
      options: [
        { value: 'exact', title: 'Counted' },
        { value: 'nominal', title: 'Label' },
        { value: 'measured', title: 'Measured' },
      ],
      default: 'exact',
      optional: true,
    },
  ],
  reduction: value,
  parts: (s) => [{ label: 'Plain ratio', factor: abs(value(s)) }],
  provenance: (s) => s.provenance ?? 'exact',
  shape: (s) => ({ form: 'box', label: toText(abs(value(s))) }),
  label,
  facts: (s) => [`Read as ${label(s)}, turns in for one turn out.`, ...provenanceFacts(s.provenance)],
};

function label(s: Ratio): string {
  const r = value(s);
  return `${isNegative(r) ? '−' : ''}${r.n} : ${r.d}`;
}

function provenanceFacts(provenance: Provenance = 'exact'): readonly string[] {
  switch (provenance) {
    case 'exact':
      return [];
    case 'nominal':
      return [
        'The label on a gearbox is often not its ratio: count the teeth, or turn it ten times and count the steps.',
      ];
    case 'measured':
      return ['Measured: right as far as the measurement went.'];
  }
}
