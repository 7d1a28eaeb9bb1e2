import type { Drive, Progress, ShelfPart } from '@pendrix/core';
import type { ChooseAnswer } from '@pendrix/core/choose/index';
import type { Proposals } from '@pendrix/core/start/index';
import type { Stoppable } from './going.ts';

/** A choice as it crosses to a worker: plain data, from which the worker makes the request itself. */
export interface ChooseTask {
  readonly drive: Drive;
  readonly shelf: readonly ShelfPart[];
  /** how many of a line other drives take */
  readonly used: Readonly<Record<string, number>>;
}

/** What the worker that chooses does. */
export interface ChooseWork extends Stoppable {
  /** `found` is told of what nothing beats so far, soon and then seldomer */
  readonly choose: (
    task: ChooseTask,
    told: (progress: Progress) => void,
    found: (answer: ChooseAnswer) => void,
  ) => Promise<ChooseAnswer>;
  /** the ways in which it can be done, the simplest first; `found` is told of those with few stages as they are done */
  readonly propose: (
    task: ChooseTask,
    told: (progress: Progress) => void,
    found: (proposals: Proposals) => void,
  ) => Promise<Proposals>;
}
