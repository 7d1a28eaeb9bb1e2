import { isNegative, type Rational } from '../../numbers/index.ts';
import type { Provenance } from './stage.ts';

/** Where a ratio comes from, as the cards say it. */
export const knownBy = [
  ['exact', 'Counted'],
  ['nominal', 'Label'],
  ['measured', 'Measured'],
] as const;

/** "64 : 1", "−4 : 3" */
export function ratioLabel(r: Rational): string {
  return `${isNegative(r) ? '−' : ''}${r.n} : ${r.d}`;
}

export function provenanceFacts(provenance: Provenance = 'exact'): readonly string[] {
  switch (provenance) {
    case 'exact':
      return [];
    case 'nominal':
      return [
        'The label on a gearbox is often not its ratio: count the teeth, or turn it ten times and count the steps (True ratio, above).',
      ];
    case 'measured':
      return ['Measured: right as far as the measurement went.'];
  }
}
