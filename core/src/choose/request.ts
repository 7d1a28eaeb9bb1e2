import type { Drive, Source, Stage } from '../drive/index.ts';
import type { MeasureId } from './measures.ts';

/** A motor, a crank or another source that may be taken, with every mode its driver has. */
export interface SourceChoice {
  readonly source: Source;
  /** [1] where nothing divides its steps */
  readonly modes: readonly number[];
  /** what it costs where it is not owned, exact text; nobody knows while it is absent */
  readonly price?: string;
  readonly own: number;
}

/** A stage that may be taken. */
export interface StageChoice {
  readonly stage: Stage;
  /** what it is made of, by keys of the stock: itself, or two wheels of the shelf */
  readonly takes: readonly string[];
}

/** What there is of one thing that stages take. */
export interface Stock {
  /** how many there can be in one drive */
  readonly quantity: number;
  readonly own: number;
  readonly price?: string;
  /** wheels that are cut or printed for one where it is neither owned nor bought; 0 where it cannot be made */
  readonly wheels: number;
}

/** Which whole drives do a job, from what there is to build from. (docs: formats, choose) */
export interface ChooseRequest {
  /** job, timer, output and kept stages: a drive but for what is chosen */
  readonly wanted: Drive;
  readonly sources: readonly SourceChoice[];
  readonly stages: readonly StageChoice[];
  readonly stock: ReadonlyMap<string, Stock>;
  /** beside those that are kept */
  readonly maxStages: number;
  /** what is bought together may not cost more, exact text */
  readonly spendAtMost?: string;
  /** up to five, the most important first */
  readonly measures: readonly MeasureId[];
  /** candidates that are told; all of them are compared */
  readonly count: number;
  /** what it is chosen from, in words, and what was left out of that */
  readonly pool: string;
}

export const MAX_CHOOSE_STAGES = 4;
export const MAX_MEASURES = 5;
