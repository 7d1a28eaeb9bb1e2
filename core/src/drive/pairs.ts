import { at, product, rational, readCount, error, ok, type Rational, type Result } from '../numbers/index.ts';

/** Tooth pairs of a gearbox, [driver, driven] each, from the motor on. */
export type ToothPairs = readonly (readonly [number, number])[];

const MAX_PAIRS = 12;
const LIMITS = { min: 1, max: 10_000, unit: 'teeth', example: '9:32' };

/** "9:32, 11:22" → [[9, 32], [11, 22]], driver : driven. Refuses what is not a pair by its piece. */
export function readPairs(text: string): Result<ToothPairs> {
  const pieces = text.split(/[,;·×*]+/).map((p) => p.trim());
  if (text.trim() === '') return error('empty', text, { example: '9:32, 11:22' });
  if (pieces.length > MAX_PAIRS) return error('tooManyPairs', text, { limit: String(MAX_PAIRS) });
  const pairs: [number, number][] = [];
  for (const piece of pieces) {
    const sides = piece.split(':');
    if (sides.length !== 2) return error('notPair', piece);
    const [driver, driven] = [readCount(sides[0]!, LIMITS), readCount(sides[1]!, LIMITS)];
    if (!driver.ok) return driver;
    if (!driven.ok) return driven;
    pairs.push([driver.value, driven.value]);
  }
  return ok(pairs);
}

/** Checks the pairs that stand in a drive file. */
export function checkPairs(value: unknown): Result<ToothPairs> {
  if (!Array.isArray(value)) return error('notList', JSON.stringify(value) ?? '');
  if (value.length === 0) return error('empty', '', { example: '[[9, 32]]' });
  if (value.length > MAX_PAIRS) return error('tooManyPairs', '', { limit: String(MAX_PAIRS) });
  for (const [i, pair] of (value as unknown[]).entries()) {
    const path = `[${i}]`;
    if (!Array.isArray(pair) || pair.length !== 2)
      return error('notPair', JSON.stringify(pair) ?? '', { path });
    for (const teeth of pair as unknown[]) {
      if (typeof teeth !== 'number' || !Number.isFinite(teeth))
        return error('notNumber', JSON.stringify(teeth) ?? '', { path, example: '32' });
      const read = readCount(String(teeth), LIMITS);
      if (!read.ok) return { ok: false, refusal: at(path, read.refusal) };
    }
  }
  return ok(value as unknown as ToothPairs);
}

export const pairsText = (pairs: ToothPairs): string => pairs.map(([a, b]) => `${a}:${b}`).join(', ');

/** What the pairs multiply to, driven over driver, taken as +. */
export const pairsRatio = (pairs: ToothPairs): Rational => product(pairs.map(([z1, z2]) => rational(z2, z1)));
