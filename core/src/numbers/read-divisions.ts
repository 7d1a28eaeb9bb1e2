import { plain } from './read-number.ts';
import { error, ok, type Refusal, type Result } from './refusal.ts';

export const MAX_COUNTS = 5000;
export const MAX_TEXT = 2000;
/** One count above this is a slip of the pen, not a job: 10 million to the turn is an eighth of an arcsecond. */
export const LARGEST_COUNT = 10_000_000;

/** One piece of a division list with what it means, or why it is left out. */
export interface DivisionPiece {
  readonly text: string;
  readonly counts: readonly number[];
  readonly refusal?: Refusal;
  /** it may have been meant as one count: "1,200", "1 200" */
  readonly instead?: string;
}

/** 1 094 400: groups of three of one number, for no count begins with a 0, and none has so many groups by chance. */
const GROUPED = /(?<![\d,x-])(\d{1,3}(?: \d{3})* 0\d{2}(?: \d{3})*|\d(?: \d{3}){2,})(?!\d)/g;
/** 12,5: tight, and nothing else in the list has a comma: more likely a decimal than two counts. */
const ONE_DECIMAL = /^[^,;]*?(\d+),(\d{1,2})(?!\d)[^,;]*$/;

/** A single digit and three more behind a comma or a space: more likely a thousand and some than two counts. */
const ONE_COUNT = /(?<![\d,x-])(\d)[ ,](\d{3})(?!\d)/g;

/**
 * The pieces of a division list, each read by itself: "55, 60-63, 2x36, 90" (handbook: numbers, reading input).
 * Commas, semicolons, spaces, new lines and "and" separate; `2x36` is 72; a range names both its ends.
 */
export function divisionPieces(text: string): readonly DivisionPiece[] {
  const s = plain(text)
    .replace(/\s*\b(?:and|&)\b\s*|\s+&\s+/gi, ', ')
    .replace(/\s*([-x*])\s*(?=\d)/g, (_, sign: string) => (sign === '*' ? 'x' : sign))
    .replace(GROUPED, (number) => number.replaceAll(' ', ''));
  const meant = new Map([...s.matchAll(ONE_COUNT)].map((m) => [m.index, `${m[1]}${m[2]}`]));
  const decimal = ONE_DECIMAL.exec(s);
  if (decimal) meant.set(s.indexOf(`${decimal[1]},${decimal[2]}`), `${decimal[1]}.${decimal[2]}`);
  return [...s.matchAll(/[^\s,;]+/g)].map((m) => {
    const piece = readPiece(m[0]);
    const instead = meant.get(m.index);
    return instead === undefined ? piece : { ...piece, instead };
  });
}

function readPiece(text: string): DivisionPiece {
  const bad = (code: Refusal['code'], more: Partial<Refusal> = {}): DivisionPiece => ({
    text,
    counts: [],
    refusal: error(code, text, { unit: 'divisions', ...more }).refusal,
  });
  if (/^-\d/.test(text)) return bad('negative');
  if (/^\d*\.\d+$/.test(text)) return bad('notWhole', { example: doubled(text) });
  if (/^\d+(\.\d+)?e\d+$/i.test(text)) return bad('exponent');
  const range = /^(\d+)-(\d+)$/.exec(text);
  if (range) {
    const [from, to] = [BigInt(range[1]!), BigInt(range[2]!)];
    if (from === 0n) return bad('zero');
    if (to < from) return bad('backwards', { example: `${to}-${from}` });
    if (to > BigInt(LARGEST_COUNT)) return bad('tooLarge', { limit: String(LARGEST_COUNT) });
    if (to - from >= BigInt(MAX_COUNTS)) return bad('tooMany', { limit: String(MAX_COUNTS) });
    return { text, counts: Array.from({ length: Number(to - from) + 1 }, (_, i) => Number(from) + i) };
  }
  if (!/^\d+(x\d+)*$/.test(text)) return bad('notDivisions');
  const count = text.split('x').reduce((p, f) => p * BigInt(f), 1n);
  if (count === 0n) return bad('zero');
  if (count > BigInt(LARGEST_COUNT)) return bad('tooLarge', { limit: String(LARGEST_COUNT) });
  return { text, counts: [Number(count)] };
}

/** The full turn that a half or quarter count may have meant: 12.5 → 25. */
function doubled(text: string): string {
  const [, part = ''] = text.split('.');
  const twice = Number(text) * (part === '5' ? 2 : 10 ** part.length);
  return Number.isSafeInteger(twice) && twice > 0 ? String(twice) : '25';
}

/**
 * The counts of a division list in the order typed, a repeat once. An empty text is a job without divisions: [].
 * Refuses the first piece that cannot be read, a list of over 5 000 counts, a text of over 2 000 characters.
 */
export function readDivisions(text: string): Result<readonly number[]> {
  if (text.length > MAX_TEXT) return error('tooLong', text, { limit: String(MAX_TEXT) });
  const counts = new Set<number>();
  for (const piece of divisionPieces(text)) {
    if (piece.refusal) return { ok: false, refusal: piece.refusal };
    for (const n of piece.counts) counts.add(n);
    if (counts.size > MAX_COUNTS) return error('tooMany', piece.text, { limit: String(MAX_COUNTS) });
  }
  return ok([...counts]);
}

/** Runs of counts as people write them: 57, 58, 59, 60, 73 → "57–60, 73". */
export function divisionRuns(counts: readonly number[]): string {
  const sorted = [...counts].sort((a, b) => a - b);
  const runs: string[] = [];
  for (let i = 0; i < sorted.length;) {
    let j = i;
    while (sorted[j + 1] === sorted[j]! + 1) j++;
    if (j - i >= 2) runs.push(`${sorted[i]}–${sorted[j]}`);
    else for (let k = i; k <= j; k++) runs.push(String(sorted[k]));
    i = j + 1;
  }
  return runs.join(', ');
}
