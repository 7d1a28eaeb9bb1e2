/** A line of a dial: where, in turns; how long, mm; what stands at it. */
export interface DialLine {
  readonly turn: number;
  readonly long: number;
  readonly text: string;
}

const SHORT = 2;
const FIVE = 3;
const TEN = 4.5;

/** Lines all round: each fifth longer, each tenth longest and numbered; a dial of degrees counts to 360. */
export const dialLines = (lines: number): readonly DialLine[] =>
  Array.from({ length: lines }, (_, i) => ({
    turn: i / lines,
    long: i % 10 === 0 ? TEN : i % 5 === 0 ? FIVE : SHORT,
    text: i % 10 === 0 ? String(i) : '',
  }));

/** So many parts over one fewer of the dial's: where a line of it stands against the dial's tells the part. */
export const vernierLines = (lines: number, parts: number): readonly DialLine[] =>
  Array.from({ length: parts + 1 }, (_, i) => ({
    turn: (i * (parts - 1)) / (parts * lines),
    long: i === 0 || i === parts ? TEN : i % 5 === 0 ? FIVE : SHORT,
    text: i === 0 || i === parts ? String(i) : '',
  }));
