import type { Rational } from '../numbers/index.ts';
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

export const MAX_FIND_STAGES = 4;
export const MAX_FIND_COUNT = 1000;
