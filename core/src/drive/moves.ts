import {
  piValue,
  rational,
  readLength,
  readNumber,
  error,
  ok,
  type PiValue,
  type Result,
} from '../numbers/index.ts';

/** One wanted move along a linear output: as typed, and in mm with π as a symbol. */
export interface Move {
  readonly text: string;
  readonly mm: PiValue;
}

const MAX_MOVES = 40;

/** 1,200: more likely one move than a move of 1 mm and one of 200. */
const DOUBTFUL = /(?<![\d,./])\d,\d{3}(?![\d.,])/;

/** 12,5: one comma in all, tight. */
const ONE_DECIMAL = /^[^,]*\d,\d{1,2}(?!\d)[^,]*$/;

/** "1, 0.5 mm, 1/8 in, 2π" → the moves, mm. π as "π" or "pi" after a number. Refuses what is not above 0 by its piece, and asks which is meant by 1,200. (handbook: numbers) */
export function readMoves(text: string): Result<readonly Move[]> {
  const doubtful = DOUBTFUL.exec(text)?.[0];
  if (doubtful !== undefined)
    return error('doubtfulComma', doubtful, {
      limit: doubtful.replace(',', ''),
      example: doubtful.replace(',', '.'),
    });
  // a comma that stands alone, tight between digits, is a decimal's
  const said = ONE_DECIMAL.test(text) || text.includes(';') ? text.replace(/(?<=\d),(?=\d)/g, '.') : text;
  const pieces = said
    .split(/[,;]+/)
    .map((p) => p.trim())
    .filter((p) => p !== '');
  if (pieces.length > MAX_MOVES) return error('tooMany', text, { limit: String(MAX_MOVES) });
  if (text.length > 2000) return error('tooLong', text, { limit: '2000' });
  const out: Move[] = [];
  for (const piece of pieces) {
    const withPi = /^([\d./ ]*)\s*[·*x]?\s*(?:π|pi)\s*(mm)?$/i.exec(piece);
    if (withPi) {
      const q = withPi[1]!.trim() === '' ? ok(rational(1n)) : readNumber(withPi[1]!);
      if (!q.ok || q.value.n === 0n) return error('noTravel', piece);
      out.push({ text: piece, mm: piValue(q.value, 1) });
      continue;
    }
    const read = readLength(piece);
    if (!read.ok) return read.refusal.code === 'notLength' ? error('noTravel', piece) : read;
    out.push({ text: piece, mm: piValue(read.value) });
  }
  return ok(out);
}
