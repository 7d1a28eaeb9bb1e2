import type { Figure, Graded } from '../words/index.ts';

/** The six cells, always in this order. */
export const CELLS = ['steps', 'divisions', 'error', 'rate', 'speed', 'force'] as const;
export type CellId = (typeof CELLS)[number];

/** What a figure is about; a page decides where that is shown. */
export type Concern = 'asked' | 'owned' | 'built' | 'searched' | 'judged' | 'made' | 'worked' | 'kept';

/** One cell of the verdict strip: a figure and a grade, or what would light it up. */
export interface VerdictCell {
  readonly cell: CellId;
  readonly label: string;
  /** what explains it */
  readonly concern: Concern;
  /** what it is judged with, when it is one of several */
  readonly group?: string;
  readonly figure: Figure | null;
  readonly graded: Graded | null;
  /** said instead when there is no figure: "no rate asked" */
  readonly absent: string;
  /** whose it is, where a drive has several outputs */
  readonly train?: string;
}

export const cellLabels = {
  steps: 'Steps per turn',
  divisions: 'Divisions',
  error: 'Worst error',
  rate: 'Rate',
  speed: 'Speed',
  force: 'Force',
} as const satisfies Record<CellId, string>;

/** A cell without a figure, and what it says instead. */
export const empty = (cell: CellId, concern: Concern, absent: string): VerdictCell => ({
  cell,
  label: cellLabels[cell],
  concern,
  figure: null,
  graded: null,
  absent,
});
