import {
  type Figure,
  type Graded,
  plainText,
  type Rich,
  strong,
  type WorkingLine,
} from '../../words/index.ts';

/** One line of a duty: a figure, its grade where there is one, and a few words. */
export interface DutyLine {
  readonly figure: Figure;
  readonly graded: Graded | null;
  readonly message: string;
}

/** One line of a chart, points in its units. */
export interface DutySeries {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  readonly look: 'main' | 'second' | 'third' | 'limit';
}

export interface DutyChart {
  readonly key: string;
  readonly title: string;
  readonly x: string;
  readonly y: string;
  /** the horizontal scale goes by powers of ten */
  readonly log?: true;
  readonly series: readonly DutySeries[];
  /** stretches of the horizontal scale that mean something */
  readonly bands?: readonly {
    readonly name: string;
    readonly from: number;
    readonly to: number;
    readonly look: 'asked' | 'bad';
  }[];
  /** what the picture shows, in words */
  readonly message: string;
}

/** Rows of text under heads, as they are shown and as they are saved. */
export interface DutyTable {
  readonly title: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Everything of one duty: its figures, what follows from them, its charts, its table. */
export interface DutyReport {
  readonly key: string;
  readonly title: string;
  readonly graded: Graded | null;
  readonly lines: readonly DutyLine[];
  readonly message: readonly string[];
  readonly charts: readonly DutyChart[];
  readonly table: DutyTable | null;
}

interface Given {
  readonly key: string;
  readonly label: string;
  /** exact text, a double, or null for what is Unknown */
  readonly value: string | number | null;
  readonly text: Rich;
  readonly exact?: boolean;
  /** lines above the last, which is the figure itself */
  /** a function where the lines take time to make */
  readonly from?: readonly WorkingLine[] | (() => readonly WorkingLine[]);
}

/** A figure whose working ends in itself. */
export const figureOf = ({ key, label, value, text, exact = false, from = [] }: Given): Figure => ({
  key,
  label,
  value,
  text,
  exact,
  working: () => [...(typeof from === 'function' ? from() : from), { label, text: strong(text), exact }],
});

export const worked = (label: string, text: string | Rich, exact = false): WorkingLine => ({
  label,
  text: typeof text === 'string' ? [text] : text,
  exact,
});

export const line = (figure: Figure, message = '', graded: Graded | null = null): DutyLine => ({
  figure,
  graded,
  message,
});

/** What its table is called in a file: "sweep-0". */
export const tableKey = (duty: DutyReport): string => duty.key.replace('.', '-');

/** The figures of a duty as a table, for one that has no other. */
export const figuresTable = (duty: DutyReport): DutyTable => ({
  title: duty.title,
  head: ['figure', 'shown', 'value', 'grade', 'says'],
  rows: duty.lines.map((l) => [
    l.figure.label,
    plainText(l.figure.text),
    l.figure.value === null ? '' : String(l.figure.value),
    l.graded?.word ?? '',
    l.message,
  ]),
});
