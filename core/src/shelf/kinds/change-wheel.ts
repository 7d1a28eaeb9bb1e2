import { wheel, type WheelPart } from './wheel.ts';
import type { PartData, PartKind } from '../part.ts';

export interface ChangeWheelPart extends PartData, Omit<WheelPart, 'kind'> {
  readonly kind: 'changeWheel';
}

/** A wheel of a set that is changed for each job. (handbook: divide, plates) */
export const changeWheel: PartKind<ChangeWheelPart> = {
  ...(wheel as unknown as PartKind<ChangeWheelPart>),
  kind: 'changeWheel',
  title: 'Change wheel',
  group: 'changeWheels',
};
