import type { Drive, FindAnswer, FoundRow, Progress, Share, ShelfPart } from '@pendrix/core';

/** A search as it crosses to a worker: plain data, from which the worker makes the request itself. */
export interface FindTask {
  readonly drive: Drive;
  readonly shelf: readonly ShelfPart[];
  /** how many of a line other drives take */
  readonly used: Readonly<Record<string, number>>;
  readonly share: Share;
}

export type Told = (progress: Progress) => void;
export type Found = (answer: FindAnswer) => void;

/** What a find worker does. */
export interface FindWork {
  /** one share of the search; `found` is told of every number of stages as it is done */
  readonly share: (task: FindTask, told: Told, found: Found) => Promise<FindAnswer>;
  /** what can only be asked when all shares are in */
  readonly after: (task: FindTask, answer: FindAnswer, told: Told) => Promise<FindAnswer>;
  /** other trains of a row's ratio */
  readonly others: (task: FindTask, row: FoundRow, count: number) => readonly FoundRow[];
  /** ends what is under way; it gives what it has */
  readonly stop: () => void;
}
