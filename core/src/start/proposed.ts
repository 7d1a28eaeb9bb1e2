import type { Drive } from '../drive/index.ts';
import type { Had } from '../choose/index.ts';

/** A drive that would do it, or nearly. */
export interface Proposed {
  readonly drive: Drive;
  readonly had: Had;
  /** what has neither a price nor a place on the shelf, and must be bought */
  readonly lacks: readonly string[];
  readonly meets: boolean;
}

export interface Proposals {
  /** what does it, the simplest first, then what only nearly does */
  readonly list: readonly Proposed[];
  /** drives that were judged */
  readonly judged: number;
  readonly meeting: number;
  /** of those the first that do it by all that is known, and smoothly: nothing that is found later makes them doubtful */
  readonly sure: number;
  readonly done: boolean;
}

export const NO_PROPOSALS: Proposals = { list: [], judged: 0, meeting: 0, sure: 0, done: true };
