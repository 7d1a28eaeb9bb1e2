import { div, equal, isZero, ONE, type Rational } from './rational.ts';
import { plain, readNumber } from './read-number.ts';
import { error, ok, type Result } from './refusal.ts';

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
  if (!first.ok) return unreadable(text, first.refusal.code);
  if (sides.length === 1) {
    if (isZero(first.value)) return error('zero', text, { example: '5:1' });
    return ok({ value: first.value, reading: 'number' });
  }
  const second = readNumber(sides[1]!);
  if (!second.ok) return unreadable(text, second.refusal.code);
  if (isZero(first.value) || isZero(second.value)) return error('zero', text, { example: '5:1' });
  const turns = equal(first.value, ONE) || equal(second.value, ONE);
  return ok({
    value: turns ? div(first.value, second.value) : div(second.value, first.value),
    reading: turns ? 'turns' : 'teeth',
  });
}

function unreadable(text: string, code: string): Result<ReadRatio> {
  if (code === 'exponent' || code === 'decimalComma' || code === 'zeroDenominator') return error(code, text);
  return error('notRatio', text);
}
