import { mul, ONE, piToNumber, toNumber, abs, type Rational } from '../numbers/index.ts';
import type { Train } from './drive.ts';
import { outputKindOf } from './outputs/index.ts';
import type { OutputData } from './outputs/output.ts';
import { MESH_PLAY_MM, qualityOf } from './stages/common.ts';
import { kindOf } from './stages/index.ts';
import type { StageData } from './stages/stage.ts';

const ARCMIN_PER_TURN = 21_600;

/** Play of a stage end to end at its own output, in turns; null when there is nothing to go by. (handbook: errors, lost motion) */
export function stagePlay(stage: StageData): { readonly turns: number; readonly estimate: boolean } | null {
  const { play } = kindOf(stage);
  if (stage.playArcmin !== undefined) return { turns: stage.playArcmin / ARCMIN_PER_TURN, estimate: false };
  const drivenMm = play?.drivenMm?.(stage) ?? null;
  // c at radius ρ is c/ρ rad, so c/(π·d) turns.
  if (stage.playMm !== undefined)
    // a length that nobody knows the radius of is Unknown, not what is usual
    return drivenMm === null ? null : { turns: stage.playMm / (Math.PI * drivenMm), estimate: false };
  if (play?.by === 'angle') return { turns: play.arcmin / ARCMIN_PER_TURN, estimate: true };
  return drivenMm === null
    ? null
    : { turns: MESH_PLAY_MM[qualityOf(stage)] / (Math.PI * drivenMm), estimate: true };
}

/** Play of the output's own nut or mesh, in turns of the last shaft; null when it is not known. */
function outputTurns(output: OutputData): number | null {
  const kind = outputKindOf(output);
  if (output.playArcmin !== undefined) return output.playArcmin / ARCMIN_PER_TURN;
  const perTurn = kind.perTurnMm?.(output) ?? kind.travel(output);
  if (output.playMm !== undefined && perTurn) return output.playMm / piToNumber(perTurn);
  return kind.play === 'none' ? 0 : null;
}

/** What the train loses when the sense is turned. What is not known is counted, not guessed. */
export interface LostMotion {
  /** at the work, turns: of the last shaft, or of the hinge that it opens */
  readonly atWork: number;
  /** at shaft 0, turns: how far the source turns before the work follows */
  readonly atSource: number;
  /** what each stage brings at the work, in turns; nothing before a lock reaches it */
  readonly byStage: readonly (number | null)[];
  /** of the output's own nut or mesh */
  readonly byOutput: number | null;
  readonly unknown: number;
  readonly estimate: boolean;
}

/** Turns of the last shaft for one of the work. */
const hingeOf = ({ output }: Train): number => {
  const hinge = outputKindOf(output).hinge?.(output);
  return hinge ? piToNumber(hinge) : 1;
};

/** Σ b_i/|Π(r after i)| at the work, times |R| at the source. (handbook: errors, lost motion; drive, Geneva) */
export function lostMotion(train: Train): LostMotion {
  const reductions = train.stages.map((s) => abs(kindOf(s).reduction(s)));
  const lock = train.stages.reduce((last, s, i) => (kindOf(s).locks ? i : last), -1);
  const hinge = hingeOf(train);
  let after: Rational = ONE;
  let estimate = false;
  const byStage: (number | null)[] = [];
  for (let i = train.stages.length - 1; i >= 0; i--) {
    const play = i < lock ? { turns: 0, estimate: false } : stagePlay(train.stages[i]!);
    byStage.unshift(play && play.turns / toNumber(after) / hinge);
    estimate ||= play?.estimate === true && play.turns > 0;
    after = mul(after, reductions[i]!);
  }
  const own = outputTurns(train.output);
  const byOutput = own === null ? null : own / hinge;
  const all = [...byStage, byOutput];
  const atWork = all.reduce<number>((sum, b) => sum + (b ?? 0), 0);
  return {
    atWork,
    atSource: atWork * hinge * toNumber(after),
    byStage,
    byOutput,
    unknown: all.filter((b) => b === null).length,
    estimate,
  };
}

/** Lost motion at the work as one figure: null while nothing of it is known. (docs: formats) */
export const knownPlay = (lost: LostMotion): number | null =>
  lost.atWork === 0 && lost.unknown > 0 ? null : lost.atWork;

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
