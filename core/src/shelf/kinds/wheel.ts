import {
  boreInput,
  cellOf,
  sizeInput,
  textInput,
  toothInput,
  type PartData,
  type PartKind,
} from '../part.ts';

export interface WheelPart extends PartData {
  readonly kind: 'wheel';
  readonly teeth: number;
  readonly moduleMm?: number;
  readonly boreMm?: number;
  readonly madeOf?: string;
}

const teeth = toothInput('teeth', 'Teeth', 4);
const module = sizeInput('moduleMm', 'Module');
const bore = boreInput();

/** A toothed wheel or pinion: any two of one module make a pair. (handbook: drive) */
export const wheel: PartKind<WheelPart> = {
  kind: 'wheel',
  title: 'Wheel',
  group: 'wheels',
  pasted: /\b(wheel|pinion|gear)s?\b/i,
  pastedLast: true,
  fresh: { teeth: 60, moduleMm: 1 },
  inputs: [teeth, module, bore, textInput('madeOf', 'Made of', 40)],
  cells: { teeth: cellOf(teeth), size: cellOf(module), bore: cellOf(bore) },
  label: (p) => (p.madeOf ? `${p.teeth}, ${p.madeOf}` : String(p.teeth)),
  wheel: (p) => ({
    pair: 'spur',
    teeth: p.teeth,
    sizeMm: p.moduleMm ?? null,
    boreMm: p.boreMm ?? null,
  }),
};
