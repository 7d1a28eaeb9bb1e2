import type { branchRows, wheelTrains } from '@pendrix/core';

/** What the worker of small searches does: plain data there and back. */
export interface WheelsWork {
  readonly trains: typeof wheelTrains;
  readonly branches: typeof branchRows;
}
