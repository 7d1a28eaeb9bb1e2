import type { ColumnsSeen } from '@pendrix/core/files/record';
import type { Heads } from '@pendrix/core/files/record-columns';
import type { DivisionFit, Drive, DutyChart, Refusal, TrackingFit } from '@pendrix/core';

/** What was read of a record: of following with its fit and a chart, or of a divided wheel. */
export type RecordRead =
  | {
      readonly is: 'tracking';
      readonly fit: TrackingFit;
      /** drift, what was left out, what is not explained */
      readonly says: readonly string[];
      readonly chart: DutyChart;
      readonly readings: number;
    }
  | { readonly is: 'dividing'; readonly fit: DivisionFit; readonly errors: Float64Array }
  | { readonly is: 'refused'; readonly refusal: Refusal };

export interface RecordWork {
  /** what its columns are, for somebody to say what they hold */
  readonly columns: (text: string) => ColumnsSeen;
  /** `told` hears how far it has come, 0 to 1; the text decides which of the two it is; `rate` is the followed one by its name, the first unless said */
  readonly read: (
    drive: Drive,
    text: string,
    /** what was said of its columns; empty while nobody did */
    heads: Heads,
    rate: string | undefined,
    told: (done: number) => void,
  ) => RecordRead;
  /** a made-up record of this drive as a text, by a seed */
  readonly sample: (drive: Drive, seed: number) => string;
}
