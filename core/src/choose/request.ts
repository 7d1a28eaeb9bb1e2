import type { Drive } from '../drive/index.ts';
import type { MeasureId } from './measures.ts';
import type { SourceChoice, StageChoice, StockOf } from './stock.ts';

/** Which whole drives do a job, from what there is to build from. (docs: formats, choose) */
export interface ChooseRequest {
  /** job, timer, output and kept stages: a drive but for what is chosen */
  readonly wanted: Drive;
  readonly sources: readonly SourceChoice[];
  readonly stages: readonly StageChoice[];
  readonly stock: StockOf;
  /** beside those that are kept */
  readonly maxStages: number;
  /** what is bought together may not cost more, exact text */
  readonly spendAtMost?: string;
  /** what one wheel takes to cut or print, at the maker's own pace, h */
  readonly wheelHours?: number;
  /** up to five, the most important first */
  readonly measures: readonly MeasureId[];
  /** candidates that are told; all of them are compared */
  readonly count: number;
  /** what it is chosen from, in words, and what was left out of that */
  readonly pool: string;
}

export const MAX_CHOOSE_STAGES = 4;
export const MAX_MEASURES = 5;
