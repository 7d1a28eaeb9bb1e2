import { px } from './outline.ts';

/** A rule under the tool: marks that are made, that are to come, the one at the tool, and numbers of every fifth or tenth. */
export interface CutRule {
  readonly made: string;
  readonly marks: string;
  readonly next: string;
  /** where the tool stands */
  readonly at: number;
  readonly numbers: readonly { readonly text: string; readonly x: number }[];
  /** ends of the rule that is seen; one that goes on is cut off */
  readonly from: number;
  readonly to: number;
  readonly goesOn: boolean;
}

/** Marks that are seen at once. */
const SEEN = 61;

/** Mark `mark` of D is at the tool, `isMade` tells of each whether it is made; `ended` that none is next. Between x `left` and `right`, marks hang down from y `top`. Pixels. */
export function cutRule(
  D: number,
  mark: number,
  isMade: (mark: number) => boolean,
  ended: boolean,
  left: number,
  right: number,
  top: number,
): CutRule {
  const seen = Math.min(D, SEEN);
  const first = Math.max(1, Math.min(mark - Math.floor(seen / 2), D - seen + 1));
  const pitch = seen > 1 ? (right - left) / (seen - 1) : 0;
  const x = (i: number): number => px(left + (i - first) * pitch);
  const every = pitch >= 24 ? 1 : pitch >= 9 ? 5 : 10;
  const line = (i: number): string => {
    const long = (i - 1) % 10 === 0 ? 46 : (i - 1) % 5 === 0 ? 36 : 26;
    return `M${x(i)} ${top}v${long}`;
  };
  let [made, marks] = ['', ''];
  const numbers = [];
  for (let i = first; i < first + seen; i++) {
    if (isMade(i)) made += line(i);
    else if (ended || i !== mark) marks += line(i);
    if ((i - 1) % every === 0) numbers.push({ text: String(i - 1), x: x(i) });
  }
  return {
    made,
    marks,
    next: ended ? '' : line(mark),
    at: x(Math.min(mark, D)),
    numbers,
    from: left - (first > 1 ? 20 : 8),
    to: right + (first + seen <= D ? 20 : 8),
    goesOn: first > 1 || first + seen <= D,
  };
}
