import type { InputSpec } from '../inputs.ts';
import { belt } from './belt.ts';
import { box } from './box.ts';
import { arborInputs } from './arbor.ts';
import { commonInputs } from './common.ts';
import { cycloidPinion } from './cycloid-pinion.ts';
import { cycloidal } from './cycloidal.ts';
import { friction } from './friction.ts';
import { geneva } from './geneva.ts';
import { internal } from './internal.ts';
import { judgedInputs } from './judged.ts';
import { madeInputs } from './made.ts';
import { planetary } from './planetary.ts';
import { ratio } from './ratio.ts';
import { spur } from './spur.ts';
import type { Searched, StageData, StageKind } from './stage.ts';
import { stepped } from './stepped.ts';
import { strainWave } from './strain-wave.ts';
import { worm } from './worm.ts';

/** Every kind of stage, in the order the list of kinds shows them. One line a kind. */
export const stages = {
  spur,
  belt,
  worm,
  planetary,
  internal,
  box,
  stepped,
  cycloidal,
  cycloidPinion,
  strainWave,
  geneva,
  friction,
  ratio,
} as const;

export type StageKindId = keyof typeof stages;
type DataOf<K> = K extends StageKind<infer D> ? D : never;

/** A stage of any known kind, as the drive file holds it. */
export type Stage = DataOf<(typeof stages)[StageKindId]>;

export const isStageKind = (kind: string): kind is StageKindId => Object.hasOwn(stages, kind);

/** What is known of a stage's kind. The registry pairs each kind with its own data, which the compiler cannot follow through a lookup. */
export const kindOf = (stage: StageData): StageKind<StageData> =>
  stages[stage.kind as StageKindId] as unknown as StageKind<StageData>;

/** Its kind's inputs and those that any stage may carry. */
export const stageInputs = (stage: StageData): readonly InputSpec[] => [
  ...kindOf(stage).inputs,
  ...commonInputs,
  ...judgedInputs,
  ...madeInputs,
  ...arborInputs,
];

/** Kinds of stage that a search may use, in the order of the registry; those that any two wheels make come first of all. */
export const searchedKinds: readonly StageKindId[] = (Object.keys(stages) as StageKindId[]).filter(
  (kind) => kindOf({ kind }).search,
);

/** How the wheels of a kind are searched; null for one that is not made of any two wheels. */
export function wheelSearch(kind: StageKindId): Extract<Searched<StageData>, { by: 'wheels' }> | null {
  const { search } = kindOf({ kind });
  return search?.by === 'wheels' ? search : null;
}
