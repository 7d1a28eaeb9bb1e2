import { abs, div, equal, isZero, ONE, type Rational } from './rational.ts';
import { plain, readNumber } from './read-number.ts';
import { error, ok, type Refusal, type Result } from './refusal.ts';

/** How a ratio was understood, so that the page can say it back. */
export interface ReadRatio {
  /** turns in for one turn out; negative when the output runs the other way */
  readonly value: Rational;
  readonly reading: 'turns' | 'teeth' | 'number';
}

/**
 * A ratio as people write it, turns in for one turn out (handbook: numbers, reading input):
 * "5" and "5:1" are 5, "1:5" is 1/5, "10:80" is teeth driver : driven and so 8, "80/10", "13 8/11", "13.7272".
 * A minus turns the output the other way. Refuses 0, a zero below the line, and what cannot be read.
 */
export function readRatio(text: string): Result<ReadRatio> {
  const s = plain(text);
  if (s === '') return error('empty', text, { example: '5:1' });
  if (s.length > 100) return error('tooLong', text, { limit: '100' });
  const sides = s.split(':');
  if (sides.length > 2) return error('notRatio', text);
  const first = readNumber(sides[0]!);
  if (!first.ok) return unreadable(text, first.refusal);
  if (sides.length === 1) {
    if (isZero(first.value)) return error('zero', text, { example: '5:1' });
    return ok({ value: first.value, reading: 'number' });
  }
  const second = readNumber(sides[1]!);
  if (!second.ok) return unreadable(text, second.refusal);
  if (isZero(first.value) || isZero(second.value)) return error('zero', text, { example: '5:1' });
  const turns = equal(abs(first.value), ONE) || equal(abs(second.value), ONE);
  return ok({
    value: turns ? div(first.value, second.value) : div(second.value, first.value),
    reading: turns ? 'turns' : 'teeth',
  });
}

const unreadable = (text: string, refusal: Refusal): Result<ReadRatio> =>
  ['notNumber', 'empty', 'tooLong'].includes(refusal.code) ? error('notRatio', text) : { ok: false, refusal };

/**
 * The ratio of a worm or a box, as it is said aloud: "1:40" and "40:1" are both forty turns in for one out. What is not a 1 to
 * something is read as any ratio. (handbook: numbers, reading input)
 */
export function readReduction(text: string): Result<ReadRatio> {
  const read = readRatio(text);
  if (!read.ok || read.value.reading !== 'turns') return read;
  const { value } = read.value;
  return value.n < value.d ? ok({ ...read.value, value: div(ONE, value) }) : read;
}
