import type { StageKindId } from '../../drive/index.ts';
import type { PartData, PartKind } from '../part.ts';
import { bearing } from './bearing.ts';
import { beltPart } from './belt.ts';
import { beltWheel } from './belt-wheel.ts';
import { changeWheel } from './change-wheel.ts';
import { driver } from './driver.ts';
import { encoderPart } from './encoder.ts';
import { motor } from './motor.ts';
import { plate } from './plate.ts';
import { shaft } from './shaft.ts';
import { wheel } from './wheel.ts';
import { wholeParts, type WholePart } from './whole.ts';

/** Kinds of part in the order of the list, one line a kind: wheels and what runs on them, */
const wheels = { wheel, changeWheel, beltWheel, belt: beltPart } as const;
/** and what a stage sits on or is driven by. Between them stand the whole stages, by their own registry. */
const others = { driver, motor, encoder: encoderPart, plate, bearing, shaft } as const;

type Single = typeof wheels & typeof others;
type DataOf<K> = K extends PartKind<infer D> ? D : never;
export type PartKindId = keyof Single | StageKindId;

/** A line of the shelf of any known kind. */
export type ShelfPart = DataOf<Single[keyof Single]> | WholePart;

/** Every kind of part. The registry pairs each kind with its own data, which the compiler cannot follow through a lookup. */
export const partKinds = { ...wheels, ...wholeParts, ...others } as unknown as Readonly<
  Record<string, PartKind<PartData>>
>;

export const isPartKind = (kind: string): kind is PartKindId => Object.hasOwn(partKinds, kind);

export const partKindOf = (part: { readonly kind: string }): PartKind<PartData> => partKinds[part.kind]!;
