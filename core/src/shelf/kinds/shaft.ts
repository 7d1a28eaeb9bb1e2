import { cellOf, sizeInput, type PartData, type PartKind } from '../part.ts';

export interface ShaftPart extends PartData {
  readonly kind: 'shaft';
  readonly diameterMm?: number;
  readonly lengthMm?: number;
}

const diameter = sizeInput('diameterMm', 'Diameter');
const length = sizeInput('lengthMm', 'Length');

/** A shaft or arbor; its diameter stands where a bore would. */
export const shaft: PartKind<ShaftPart> = {
  kind: 'shaft',
  title: 'Shaft',
  group: 'bearings',
  pasted: /\b(shaft|arbor|rod|spindle)s?\b/i,
  fresh: { diameterMm: 6 },
  inputs: [diameter, length],
  cells: { teeth: null, size: cellOf(length), bore: cellOf(diameter) },
  label: () => 'shaft',
};
