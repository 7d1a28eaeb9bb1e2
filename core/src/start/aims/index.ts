import type { Aim } from '../question.ts';
import { camera } from './camera.ts';
import { divide } from './divide.ts';
import { movement } from './movement.ts';
import { ratio } from './ratio.ts';
import { sky } from './sky.ts';
import { table } from './table.ts';

/** What a drive may be for, as it is first asked. One line each. (handbook: choose, first questions) */
export const aims = { divide, sky, camera, table, movement, ratio } as const satisfies Readonly<
  Record<string, Aim>
>;

export type AimId = keyof typeof aims;
export const aimIds = Object.keys(aims) as readonly AimId[];
export const aimOf = (id: AimId): Aim => aims[id];
export const isAim = (id: string | undefined): id is AimId => id !== undefined && id in aims;
