import type { Teeth } from '@pendrix/core';

/** A ratio as text, and the wheels that make it. */
export interface TextTrain {
  readonly ratio: string;
  readonly driven: readonly number[];
  readonly drivers: readonly number[];
}

/** What the ratio worker does: only plain data crosses. */
export interface RatioWork {
  readonly trains: (
    low: string,
    high: string,
    teeth: Teeth,
    pairs: number,
    count: number,
  ) => readonly TextTrain[];
}
