import { abs, div, exactly, isNegative, type Rational } from '../../numbers/index.ts';
import type { InputOf } from '../inputs.ts';
import { COUNTED, type Origin, type Provenance } from './stage.ts';

/** Where a ratio comes from, as the cards say it. */
export const knownBy = [
  ['exact', 'Counted'],
  ['nominal', 'Label'],
  ['measured', 'Measured'],
] as const;

/** The ± of a ratio that was measured, in the unit of the ratio. */
export const plusMinusInput: InputOf<'exact'> = {
  type: 'exact',
  key: 'plusMinus',
  label: 'Within ±',
  default: '',
  optional: true,
  more: true,
  hint: 'how far the measured ratio may be off, as the ratio itself is written; without it, it counts as printed',
};

/** How sure a ratio is that stands in a file with where it comes from, and its ± when it was measured. */
export function originOf(
  ratio: Rational,
  provenance: Provenance | undefined,
  plusMinus: string | undefined,
  unless: Provenance,
): Origin {
  switch (provenance ?? (plusMinus === undefined ? unless : 'measured')) {
    case 'exact':
      return COUNTED;
    case 'nominal':
      return { from: 'printed' };
    case 'measured':
      return plusMinus === undefined
        ? { from: 'estimated' }
        : { from: 'measured', part: div(exactly(plusMinus), abs(ratio)) };
  }
}

/** "45 : 1", "−4 : 3" */
export function ratioLabel(r: Rational): string {
  return `${isNegative(r) ? '−' : ''}${r.n} : ${r.d}`;
}

export function provenanceFacts(provenance: Provenance = 'exact', plusMinus?: string): readonly string[] {
  switch (provenance) {
    case 'exact':
      return [];
    case 'nominal':
      return [
        'The label on a gearbox is often not its ratio: count the teeth, or turn it ten times and count the steps (True ratio, above).',
      ];
    case 'measured':
      return [
        plusMinus === undefined
          ? 'Measured, but not said to what ±: give it, or it counts as a label does.'
          : `Measured to ±${plusMinus}: that stands in every verdict.`,
      ];
  }
}
