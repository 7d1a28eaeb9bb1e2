import { boreInput, cellOf, sizeInput, type PartData, type PartKind } from '../part.ts';

export interface BearingPart extends PartData {
  readonly kind: 'bearing';
  readonly boreMm?: number;
  readonly outerMm?: number;
  readonly widthMm?: number;
}

const bore = boreInput();
const outer = sizeInput('outerMm', 'Outside');

/** A ball or plain bearing. */
export const bearing: PartKind<BearingPart> = {
  kind: 'bearing',
  title: 'Bearing',
  group: 'bearings',
  pasted: /\bbearings?\b/i,
  fresh: { boreMm: 6 },
  inputs: [bore, outer, sizeInput('widthMm', 'Width')],
  cells: { teeth: null, size: cellOf(outer), bore: cellOf(bore) },
  label: () => 'bearing',
};
