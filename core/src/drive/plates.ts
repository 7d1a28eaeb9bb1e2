import {
  divisionRuns,
  parseRational,
  readCount,
  readReduction,
  error,
  ok,
  toText,
  type Result,
} from '../numbers/index.ts';

/** Most holes in one circle, circles on one plate, plates in a set. */
export const MAX_HOLES = 2000;
const MAX_CIRCLES = 60;
const MAX_PLATES = 12;
/** Change wheels: sets of four of more would be millions. */
export const MAX_GEARS = 36;

/** Plates as written: circles of one plate by spaces or commas, runs as 15-20, plates set apart by "/" or ";". (handbook: divide, index plates) */
export function readPlates(text: string): Result<readonly (readonly number[])[]> {
  const plates = text
    .split(/[/;]/)
    .map((p) => p.trim())
    .filter(Boolean);
  if (plates.length === 0) return error('empty', '', { example: '15-20 / 21 23 27 29 31 33' });
  if (plates.length > MAX_PLATES) return error('tooMany', text, { limit: String(MAX_PLATES) });
  const out: (readonly number[])[] = [];
  for (const plate of plates) {
    const read = readNumbers(plate, 'notCircles');
    if (!read.ok) return read;
    out.push([...new Set(read.value)].sort((a, b) => a - b));
  }
  return ok(out);
}

/** Change wheels as written; one that is owned twice stands twice. */
export const readGears = (text: string): Result<readonly number[]> => {
  const read = readNumbers(text, 'notWhole', MAX_GEARS);
  return read.ok ? ok([...read.value].sort((a, b) => a - b)) : read;
};

function readNumbers(
  text: string,
  code: 'notCircles' | 'notWhole',
  most = MAX_CIRCLES,
): Result<readonly number[]> {
  const out: number[] = [];
  for (const piece of text.split(/[\s,]+/).filter(Boolean)) {
    const [, from, to] = /^(\d{1,6})(?:[-–](\d{1,6}))?$/.exec(piece) ?? [];
    if (from === undefined) return error(code, piece, { example: '15-20' });
    for (const end of [from, to ?? from]) {
      const read = readCount(end, { min: 2, max: MAX_HOLES, unit: 'holes', example: '19' });
      if (!read.ok) return read;
    }
    const [low, high] = [Number(from), Number(to ?? from)];
    if (high < low) return error('backwards', piece);
    if (out.length + high - low + 1 > most) return error('tooMany', text.trim(), { limit: String(most) });
    for (let n = low; n <= high; n++) out.push(n);
  }
  return ok(out);
}

/** As they are written: "15-20 / 21 23 27 29 31 33". */
export const platesText = (plates: readonly (readonly number[])[]): string =>
  plates
    .map((circles) =>
      divisionRuns([...circles])
        .replaceAll('–', '-')
        .replaceAll(', ', ' '),
    )
    .join(' / ');

/** A worm's ratio, exact and above 0: "40", "40:1", "1:40", "90/2". */
export function readWorm(text: string): Result<string> {
  const read = readReduction(text);
  if (!read.ok) return read;
  if (read.value.value.s < 0n) return error('negative', text.trim(), { example: '40' });
  return ok(parseRational(text.trim()) ? text.trim() : toText(read.value.value));
}
