import { wheel, type WheelPart } from './wheel.ts';
import type { PartData, PartKind } from '../part.ts';

export interface ChangeWheelPart extends PartData, Omit<WheelPart, 'kind'> {
  readonly kind: 'changeWheel';
}

const { pastedLast: _, ...like } = wheel;

/** A wheel of a set that is changed for each job. (handbook: divide, plates) */
export const changeWheel: PartKind<ChangeWheelPart> = {
  ...(like as unknown as PartKind<ChangeWheelPart>),
  kind: 'changeWheel',
  title: 'Change wheel',
  group: 'changeWheels',
  pasted: /\bchange (wheel|gear)s?\b/i,
  fresh: { teeth: 40, moduleMm: 1 },
};
