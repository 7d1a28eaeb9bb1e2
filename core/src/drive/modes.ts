import { readCount, error, ok, type Result } from '../numbers/index.ts';

/** Finest division of a full step that is taken. */
export const FINEST_MODE = 1024;

/** The driver's modes as people write them: "1, 2, 4, 8, 16" → ascending, each once. Refuses 0, fractions and more than 24 of them. */
export function readModes(text: string): Result<readonly number[]> {
  const pieces = text.split(/[\s,;]+/).filter((p) => p !== '');
  if (pieces.length === 0) return error('empty', text, { example: '1, 2, 4, 8, 16' });
  if (pieces.length > 24) return error('tooMany', text, { limit: '24' });
  const modes = new Set<number>();
  for (const piece of pieces) {
    // "1/16" is how drivers print it; any other fraction is a slip
    const [, mode] = /^(?:1\/)?([^/]*)$/.exec(piece) ?? [];
    if (mode === undefined) return error('notModes', piece);
    const read = readCount(mode, { min: 1, max: FINEST_MODE, example: '16' });
    if (!read.ok) return read.refusal.code === 'notNumber' ? error('notModes', piece) : read;
    modes.add(read.value);
  }
  return ok([...modes].sort((a, b) => a - b));
}

/** Checks modes and mode as a file holds them. */
export function checkModes(modes: unknown, mode: unknown): Result<null> {
  if (!Array.isArray(modes)) return error('notList', JSON.stringify(modes) ?? '', { path: 'modes' });
  if (modes.length === 0) return error('empty', '', { path: 'modes', example: '[1, 2, 4]' });
  const read = readModes(modes.map((m) => (typeof m === 'number' ? String(m) : JSON.stringify(m))).join(' '));
  if (!read.ok) return { ok: false, refusal: { ...read.refusal, path: 'modes' } };
  if (typeof mode !== 'number')
    return error(mode === undefined ? 'missing' : 'notNumber', JSON.stringify(mode) ?? '', {
      path: 'mode',
      example: '16',
    });
  if (!read.value.includes(mode))
    return error('notAMode', String(mode), { path: 'mode', limit: read.value.join(', ') });
  return ok(null);
}
