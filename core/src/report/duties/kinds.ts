import type { Drive } from '../../drive/index.ts';
import { altAz } from './alt-az.ts';
import { arm } from './arm.ts';
import { camera } from './camera.ts';
import { controller } from './controller.ts';
import type { DutyKind } from './kind.ts';
import { handPlates } from './hand-plates.ts';
import { load } from './load.ts';
import { inTime } from './in-time.ts';
import { ramp } from './ramp.ts';
import { rates } from './rates.ts';
import { knob, spins } from './spins.ts';
import { sweeps } from './sweeps.ts';

/** Everything a drive is judged by besides dividing, in the order it is listed. One line a kind. */
export const dutyKinds = {
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

/** Kinds that can be asked for, as they are offered. */
export const asking: readonly DutyKindId[] = (Object.keys(dutyKinds) as DutyKindId[]).filter(
  (id) => 'ask' in dutyKinds[id],
);

/** What is judged together, in its order, with the kinds in each. */
export const dutyGroups: readonly {
  readonly id: string;
  readonly title: string;
  readonly kinds: readonly DutyKindId[];
}[] = [...new Map(Object.values(dutyKinds).map(({ group }) => [group.id, group])).values()].map((group) => ({
  ...group,
  kinds: (Object.keys(dutyKinds) as DutyKindId[]).filter((id) => dutyKinds[id].group.id === group.id),
}));

/** Is anything asked but dividing? */
export const asksDuties = (drive: Drive): boolean =>
  asking.some((id) => !['camera', 'plates', 'load'].includes(id) && dutyKinds[id].asked(drive));
