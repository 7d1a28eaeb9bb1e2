import { belt } from './belt.ts';
import { internal } from './internal.ts';
import { ratio } from './ratio.ts';
import { spur } from './spur.ts';
import type { StageData, StageKind } from './stage.ts';
import { worm } from './worm.ts';

/** Every kind of stage, in the order the list of kinds shows them. One line a kind. */
export const stages = { spur, belt, worm, internal, ratio } as const;

export type StageKindId = keyof typeof stages;
type DataOf<K> = K extends StageKind<infer D> ? D : never;

/** A stage of any known kind, as the drive file holds it. */
export type Stage = DataOf<(typeof stages)[StageKindId]>;

export const isStageKind = (kind: string): kind is StageKindId => Object.hasOwn(stages, kind);

/** What is known of a stage's kind. The registry pairs each kind with its own data, which the compiler cannot follow through a lookup. */
export const kindOf = (stage: StageData): StageKind<StageData> =>
  stages[stage.kind as StageKindId] as unknown as StageKind<StageData>;
