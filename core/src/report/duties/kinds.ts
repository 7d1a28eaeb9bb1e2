import type { Drive } from '../../drive/index.ts';
import { altAz } from './camera/alt-az.ts';
import { arm } from './arm/arm.ts';
import { camera } from './camera/camera.ts';
import { controller } from './controller/controller.ts';
import type { DutyKind } from './kind.ts';
import { handPlates } from './plates/hand-plates.ts';
import { load } from './load/load.ts';
import { inTime } from './in-time/in-time.ts';
import { ramp } from './ramp/ramp.ts';
import { rates } from './rates/rates.ts';
import { knob, spins } from './spins/spins.ts';
import { sweeps } from './sweeps/sweeps.ts';

/** Everything a drive is judged by besides dividing, in the order it is listed. One line a kind. */
const dutyKinds = {
  rates,
  camera,
  altAz,
  arm,
  sweeps,
  ramp,
  spins,
  knob,
  inTime,
  load,
  plates: handPlates,
  controller,
} as const satisfies Readonly<Record<string, DutyKind>>;

export type DutyKindId = keyof typeof dutyKinds;

/** All of them, in the order they are listed. */
export const dutyKindIds = Object.keys(dutyKinds) as readonly DutyKindId[];

/** A kind with all that it may say. */
export const kindOfDuty = (id: DutyKindId): DutyKind => dutyKinds[id];

/** Kinds that can be asked for, as they are offered. */
export const asking: readonly DutyKindId[] = dutyKindIds.filter((id) => 'ask' in dutyKinds[id]);

/** What is judged together, in its order, with the kinds in each. */
export const dutyGroups: readonly {
  readonly id: string;
  readonly title: string;
  readonly kinds: readonly DutyKindId[];
}[] = [...new Map(Object.values(dutyKinds).map(({ group }) => [group.id, group])).values()].map((group) => ({
  ...group,
  kinds: dutyKindIds.filter((id) => dutyKinds[id].group.id === group.id),
}));

/** Is anything asked but dividing? */
export const asksDuties = (drive: Drive): boolean =>
  asking.some((id) => !kindOfDuty(id).judgesOnly && dutyKinds[id].asked(drive));

/** What a drive is for besides dividing: "follows the stars", "sweeps 0 to 90° in 240 frames". */
export const dutiesSay = (drive: Drive): readonly string[] =>
  dutyKindIds.flatMap((id) => kindOfDuty(id).says?.(drive) ?? []);
