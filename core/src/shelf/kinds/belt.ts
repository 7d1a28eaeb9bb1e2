import { cellOf, sizeInput, toothInput, type PartData, type PartKind } from '../part.ts';

export interface BeltPart extends PartData {
  readonly kind: 'belt';
  readonly teeth: number;
  readonly pitchMm?: number;
  readonly widthMm?: number;
}

const teeth = toothInput('teeth', 'Teeth', 10);
const pitch = sizeInput('pitchMm', 'Pitch');
const width = sizeInput('widthMm', 'Width');

/** A closed timing belt. */
export const beltPart: PartKind<BeltPart> = {
  kind: 'belt',
  title: 'Belt',
  group: 'belts',
  pasted: /\bbelts?\b/i,
  fresh: { teeth: 100, pitchMm: 2 },
  inputs: [teeth, pitch, width],
  cells: { teeth: cellOf(teeth), size: cellOf(pitch), bore: null },
  label: (p) => `belt of ${p.teeth}`,
};

export const isBeltPart = (part: PartData): part is BeltPart => part.kind === 'belt' && 'teeth' in part;
