import { boreInput, cellOf, type Known, type PartData, type PartKind } from '../part.ts';
import type { InputSpec } from '../../drive/index.ts';

export interface BoxPart extends PartData {
  readonly kind: 'box';
  /** exact, turns in for one turn out */
  readonly ratio: string;
  readonly boreMm?: number;
}

const ratio: InputSpec = { type: 'ratio', key: 'ratio', label: 'Ratio', default: '5', reduces: true };
const bore = boreInput('Shaft');

/** A label is only nearly a ratio; what was counted, or drawn by oneself, is one. (handbook: numbers) */
const provenance = (known: Known | undefined): 'exact' | 'nominal' =>
  known === 'counted' || known === 'ownFile' ? 'exact' : 'nominal';

/** A gearbox that is used as it is. */
export const boxPart: PartKind<BoxPart> = {
  kind: 'box',
  title: 'Box',
  group: 'boxes',
  inputs: [ratio, bore],
  cells: { teeth: cellOf(ratio), size: null, bore: cellOf(bore) },
  label: (p) => `box ${p.ratio}`,
  stage: (p) => ({ kind: 'box', ratio: p.ratio, provenance: provenance(p.known) }),
};
