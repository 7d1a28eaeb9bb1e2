import { toNumber } from '../../numbers/index.ts';
import type { Drive, Train } from '../drive.ts';
import { kinematics, reverses } from '../kinematics.ts';
import { kindOf, type Stage } from '../stages/index.ts';
import { pathOf, trainAt, trainsOf } from '../trains.ts';
import { genevaCrank } from './measures.ts';

/**
 * Where the shafts stand when the source has turned `turns` (≥ 0), in turns, clockwise positive as drawn: the work clockwise.
 * A Geneva moves only while its pin is in a slot. Floating point: for the picture alone.
 */
export function shaftAngles(train: Train): (turns: number) => readonly number[] {
  const along = following(train.stages);
  const against = turnsAgainst(train.stages);
  return (turns) => along(against ? -turns : turns);
}

const turnsAgainst = (stages: readonly Stage[]): boolean => stages.filter(reverses).length % 2 === 1;

/** Where the shafts of a chain stand when its first stands at `turns`. */
function following(stages: readonly Stage[]): (turns: number) => readonly number[] {
  const each = stages.map((stage) => {
    const kind = kindOf(stage);
    const r = Math.abs(toNumber(kind.reduction(stage)));
    return { r: reverses(stage) ? -r : r, slots: kind.locks?.(stage) ?? 0 };
  });
  return (turns) => {
    const out = [turns];
    for (const { r, slots } of each) {
      const before = out.at(-1)!;
      out.push(slots > 0 ? -Math.sign(before || 1) * indexed(Math.abs(before), slots) : before / r);
    }
    return out;
  };
}

/**
 * Where all shafts of a drive stand after `seconds` (≥ 0) at the speeds of its sources, in turns, those of each train after one another
 * from the one it begins at. Each source turns so that the output of its own train goes clockwise. Floating point: for the picture alone.
 */
export function treeAngles(drive: Drive): (seconds: number) => readonly number[] {
  const trains = trainsOf(drive);
  const each = trains.map(({ from, source, stages }, at) => ({
    up: from ? trainAt(trains, from.train) : -1,
    shaft: from?.shaft ?? 0,
    along: following(stages),
    perSecond: source
      ? (toNumber(kinematics(pathOf(drive, at).drive.train).speed.rpm) / 60) * (turnsAgainst(stages) ? -1 : 1)
      : 0,
    at,
  }));
  return (seconds) => {
    const made: (readonly number[] | undefined)[] = [];
    const of = (at: number): readonly number[] => {
      const { up, shaft, along, perSecond } = each[at]!;
      return (made[at] ??= along(up < 0 ? seconds * perSecond : of(up)[shaft]!));
    };
    return each.flatMap(({ at }) => of(at));
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
