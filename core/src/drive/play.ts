import { mul, ONE, toNumber, abs, type Rational } from '../numbers/index.ts';
import type { Train } from './drive.ts';
import { MESH_PLAY_MM, qualityOf } from './stages/common.ts';
import { kindOf } from './stages/index.ts';
import type { StageData } from './stages/stage.ts';

const ARCMIN_PER_TURN = 21_600;

/** Play of a stage end to end at its own output, in turns; null when there is nothing to go by. (handbook: errors, lost motion) */
export function stagePlay(stage: StageData): { readonly turns: number; readonly estimate: boolean } | null {
  const { play } = kindOf(stage);
  if (stage.playArcmin !== undefined) return { turns: stage.playArcmin / ARCMIN_PER_TURN, estimate: false };
  const drivenMm = play?.by === 'mesh' ? play.drivenMm(stage) : null;
  // c at radius ρ is c/ρ rad, so c/(π·d) turns.
  if (stage.playMm !== undefined && drivenMm !== null)
    return { turns: stage.playMm / (Math.PI * drivenMm), estimate: false };
  if (play?.by === 'angle') return { turns: play.arcmin / ARCMIN_PER_TURN, estimate: true };
  return drivenMm === null
    ? null
    : { turns: MESH_PLAY_MM[qualityOf(stage)] / (Math.PI * drivenMm), estimate: true };
}

/** What all stages together lose when the sense is turned. Stages whose play is not known are counted, not guessed. */
export interface LostMotion {
  /** at the work, turns */
  readonly atWork: number;
  /** at shaft 0, turns: how far the source turns before the work follows */
  readonly atSource: number;
  /** stages that bring it, at the work, in turns */
  readonly byStage: readonly (number | null)[];
  readonly unknown: number;
  readonly estimate: boolean;
}

/** Σ b_i/|Π(r after i)| at the work, times |R| at the source. (handbook: errors, lost motion) */
export function lostMotion(train: Train): LostMotion {
  const reductions = train.stages.map((s) => abs(kindOf(s).reduction(s)));
  let after: Rational = ONE;
  let estimate = false;
  const byStage: (number | null)[] = [];
  for (let i = train.stages.length - 1; i >= 0; i--) {
    const play = stagePlay(train.stages[i]!);
    byStage.unshift(play && play.turns / toNumber(after));
    estimate ||= play?.estimate === true && play.turns > 0;
    after = mul(after, reductions[i]!);
  }
  const atWork = byStage.reduce<number>((sum, b) => sum + (b ?? 0), 0);
  return {
    atWork,
    atSource: atWork * toNumber(after),
    byStage,
    unknown: byStage.filter((b) => b === null).length,
    estimate,
  };
}

/** Shafts whose two parts disagree about the bore, with both diameters. */
export function boreClashes(
  train: Train,
): readonly { readonly shaft: number; readonly a: number; readonly b: number }[] {
  return train.stages.flatMap((stage, i) => {
    const before = i === 0 ? undefined : (train.stages[i - 1] as StageData).outBoreMm;
    const here = (stage as StageData).inBoreMm;
    return before !== undefined && here !== undefined && before !== here
      ? [{ shaft: i, a: before, b: here }]
      : [];
  });
}
