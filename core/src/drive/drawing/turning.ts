import { isNegative, toNumber } from '../../numbers/index.ts';
import type { Train } from '../drive.ts';
import { kindOf } from '../stages/index.ts';
import { genevaCrank } from './measures.ts';

/**
 * Where the shafts stand when the source has turned `turns` (≥ 0), in turns, clockwise positive as drawn: the work clockwise.
 * A Geneva moves only while its pin is in a slot. Floating point: for the picture alone.
 */
export function shaftAngles(train: Train): (turns: number) => readonly number[] {
  const stages = train.stages.map((stage) => {
    const kind = kindOf(stage);
    return { r: toNumber(kind.reduction(stage)), slots: kind.locks?.(stage) ?? 0 };
  });
  const against = train.stages.filter((s) => isNegative(kindOf(s).reduction(s))).length % 2 === 1;
  return (turns) => {
    const out = [against ? -turns : turns];
    for (const { r, slots } of stages) out.push(slots > 0 ? -indexed(out.at(-1)!, slots) : out.at(-1)! / r);
    return out;
  };
}

/** Turns of a Geneva wheel, against its crank, after `crank` turns from the middle of a dwell. (handbook: drive, Geneva) */
export function indexed(crank: number, slots: number): number {
  const done = Math.floor(crank);
  // The pin is nearest to the wheel in the middle of the turn.
  const a = (crank - done - 0.5) * 2 * Math.PI;
  const k = genevaCrank(slots);
  const engaged = Math.PI / 2 - Math.PI / slots;
  if (Math.abs(a) >= engaged) return (done + (a > 0 ? 1 : 0)) / slots;
  const b = Math.atan2(k * Math.sin(a), 1 - k * Math.cos(a));
  return (done + 0.5) / slots + b / (2 * Math.PI);
}
