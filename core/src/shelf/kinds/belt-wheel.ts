import { boreInput, cellOf, sizeInput, toothInput, type PartData, type PartKind } from '../part.ts';

export interface BeltWheelPart extends PartData {
  readonly kind: 'beltWheel';
  readonly teeth: number;
  readonly pitchMm?: number;
  readonly boreMm?: number;
}

const teeth = toothInput('teeth', 'Teeth', 6);
const pitch = sizeInput('pitchMm', 'Pitch');
const bore = boreInput();

/** A timing belt wheel: any two of one pitch and a belt make a stage. (handbook: drive) */
export const beltWheel: PartKind<BeltWheelPart> = {
  kind: 'beltWheel',
  title: 'Belt wheel',
  group: 'belts',
  pasted: /\b(belt wheel|pulley|belt pulley)s?\b/i,
  fresh: { teeth: 20, pitchMm: 2 },
  inputs: [teeth, pitch, bore],
  cells: { teeth: cellOf(teeth), size: cellOf(pitch), bore: cellOf(bore) },
  label: (p) => String(p.teeth),
  wheel: (p) => ({ pair: 'belt', teeth: p.teeth, sizeMm: p.pitchMm ?? null, boreMm: p.boreMm ?? null }),
};
