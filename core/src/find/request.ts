import { error, type Rational, type Refusal } from '../numbers/index.ts';
import type { Kit } from './kit.ts';

/** What is asked of the parts: a ratio, divisions that come out even, or a rate from a timer's whole ticks. */
export type Asked =
  | { readonly question: 'ratio'; readonly target: Rational }
  | { readonly question: 'divisions'; readonly divisions: readonly bigint[] }
  | {
      readonly question: 'rate';
      readonly periodSeconds: Rational;
      readonly tickHz: Rational;
      /** of the counter; null for one that never runs over */
      readonly bits: number | null;
    };

/** Least and greatest, both included; null where there is no limit. */
export type Between = readonly [Rational | null, Rational | null];

/** How answers are put in order: the best first, all that nothing beats in error, stages and teeth at once, or both together. */
export type Rank = 'best' | 'pareto' | 'both';

/** One request, checked and exact. (docs: formats; handbook: find) */
export interface FindRequest {
  readonly asked: Asked;
  /** null where no motor matters: a ratio by itself */
  readonly source: { readonly fullSteps: number; readonly modes: readonly number[] } | null;
  readonly kit: Kit;
  readonly maxStages: number;
  /** steps a turn of the work */
  readonly steps: Between;
  /** the ratio itself, turns in for one turn out */
  readonly ratio: Between;
  readonly maxErrorPpm: Rational | null;
  /** ticks between two steps, both included */
  readonly interval: readonly [number, number] | null;
  readonly rank: Rank;
  readonly count: number;
}

export const MAX_FIND_STAGES = 5;
/** What asks for more than the nearest ratios of one list of wheels goes as far as this. */
export const WIDE_STAGES = 4;

/** Five stages are one walk over segments of one list of wheels; anything else would hold lists of millions. Null where they can be gone through. */
export function stagesRefused({
  asked,
  kit,
  maxStages,
  rank,
}: Pick<FindRequest, 'asked' | 'kit' | 'maxStages' | 'rank'>): Refusal | null {
  const one = kit.families.length <= 1 && kit.parts.length <= LONG_LIST;
  if (maxStages <= WIDE_STAGES || (asked.question === 'ratio' && rank !== 'pareto' && one)) return null;
  return error('manyStages', String(maxStages), { path: 'maxStages', limit: String(WIDE_STAGES) }).refusal;
}

/** More different parts than this are searched as a list. */
export const LONG_LIST = 100;
export const MAX_FIND_COUNT = 1000;
