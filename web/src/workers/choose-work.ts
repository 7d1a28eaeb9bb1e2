import type { Drive, Progress, ShelfPart } from '@pendrix/core';
import type { ChooseAnswer } from '@pendrix/core/choose/index';

/** A choice as it crosses to a worker: plain data, from which the worker makes the request itself. */
export interface ChooseTask {
  readonly drive: Drive;
  readonly shelf: readonly ShelfPart[];
  /** how many of a line other drives take */
  readonly used: Readonly<Record<string, number>>;
}

/** What the worker that chooses does. */
export interface ChooseWork {
  /** `found` is told of every number of stages as it is done */
  readonly choose: (
    task: ChooseTask,
    told: (progress: Progress) => void,
    found: (answer: ChooseAnswer) => void,
  ) => Promise<ChooseAnswer>;
  /** ends what is under way; it gives what it has */
  readonly stop: () => void;
}
