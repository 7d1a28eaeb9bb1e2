import type { Grade } from '../motion/index.ts';
import { plainText, type Rich } from './rich.ts';

/** One line of a working: what it is, the arithmetic, whether it is exact. */
export interface WorkingLine {
  readonly label: string;
  readonly text: Rich;
  readonly exact: boolean;
}

/**
 * One figure of the report. `value` is exact text for a rational, a double for a physical quantity, null when Unknown.
 * `working` is made when asked; its last line is the figure shown.
 */
export interface Figure {
  readonly key: string;
  /** what it is, as the head of its working: "worst error of 97" */
  readonly label: string;
  readonly value: string | number | null;
  readonly text: Rich;
  readonly exact: boolean;
  readonly working: () => readonly WorkingLine[];
}

/** A grade with its word: "Rounded ±0.59″", "Even at 1/16". */
export interface Graded {
  readonly grade: Grade;
  readonly word: string;
  /** the word tells what it rests on: a label, a measurement */
  readonly doubt?: true;
}

/** A working as text for the clipboard, one line each. */
export function workingAsText(figure: Figure): string {
  const lines = figure.working();
  const width = Math.max(...lines.map((l) => l.label.length));
  const rows = lines.map(
    (l) => `${l.label.padEnd(width)}  ${plainText(l.text)}${l.exact ? '  (exact)' : ''}`,
  );
  return `${figure.label}\n${rows.join('\n')}\n`;
}
