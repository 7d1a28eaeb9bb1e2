import type { PartData, PartKind } from '../part.ts';
import { bearing } from './bearing.ts';
import { beltPart } from './belt.ts';
import { beltWheel } from './belt-wheel.ts';
import { boxPart } from './box.ts';
import { changeWheel } from './change-wheel.ts';
import { driver } from './driver.ts';
import { encoderPart } from './encoder.ts';
import { motor } from './motor.ts';
import { planetaryPart } from './planetary.ts';
import { plate } from './plate.ts';
import { shaft } from './shaft.ts';
import { wheel } from './wheel.ts';
import { wormPart } from './worm.ts';

/** Every kind of part, in the order of the list. One line a kind. */
export const partKinds = {
  wheel,
  changeWheel,
  beltWheel,
  belt: beltPart,
  worm: wormPart,
  box: boxPart,
  planetary: planetaryPart,
  motor,
  encoder: encoderPart,
  driver,
  plate,
  bearing,
  shaft,
} as const;

export type PartKindId = keyof typeof partKinds;
type DataOf<K> = K extends PartKind<infer D> ? D : never;

/** A line of the shelf of any known kind. */
export type ShelfPart = DataOf<(typeof partKinds)[PartKindId]>;

export const isPartKind = (kind: string): kind is PartKindId => Object.hasOwn(partKinds, kind);

export const partKindOf = (part: { readonly kind: string }): PartKind<PartData> =>
  partKinds[part.kind as PartKindId] as unknown as PartKind<PartData>;
