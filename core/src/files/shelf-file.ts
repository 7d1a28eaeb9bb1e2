import { at, error, ok, type Result } from '../numbers/index.ts';
import { checkPart, MAX_PARTS, type PartData, type ShelfPart } from '../shelf/index.ts';
import { ordered } from './drive-file.ts';
import { readJson } from './json.ts';
import { migrate } from './migrate.ts';

/** Reads the text of a shelf file: all of its lines, or none and the place that is wrong. (docs: formats) */
export function readShelf(text: string): Result<readonly ShelfPart[]> {
  const json = readJson(text);
  if (!json.ok) return json;
  const file = migrate(json.value);
  if (!file.ok) return file;
  if (file.value.format !== 'pendrix-shelf')
    return error('wrongFormat', file.value.format, { path: 'format', limit: 'pendrix-shelf' });
  const { parts } = file.value.file;
  if (!Array.isArray(parts))
    return error(parts === undefined ? 'missing' : 'notList', '', { path: 'parts', example: '[]' });
  if (parts.length > MAX_PARTS)
    return error('tooMany', String(parts.length), { path: 'parts', limit: String(MAX_PARTS) });
  const out: ShelfPart[] = [];
  const ids = new Set<string>();
  for (const [i, part] of (parts as unknown[]).entries()) {
    const line = checkLine(part, ids);
    if (!line.ok) return { ok: false, refusal: at(`parts[${i}]`, line.refusal) };
    out.push(line.value);
  }
  return ok(out);
}

/** One line of a shelf file; its id is added to those that are taken. */
export function checkLine(part: unknown, ids: Set<string>): Result<ShelfPart> {
  if (typeof part !== 'object' || part === null || Array.isArray(part))
    return error('notObject', JSON.stringify(part) ?? '');
  const { id, kind } = part as Partial<PartData>;
  if (typeof kind !== 'string')
    return error(kind === undefined ? 'missing' : 'notText', '', { path: 'kind' });
  if (typeof id !== 'string' || id === '' || id.length > 80)
    return error(id === undefined ? 'missing' : 'badValue', JSON.stringify(id) ?? '', { path: 'id' });
  if (ids.has(id)) return error('twice', `id ${id}`, { path: 'id' });
  const refusal = checkPart(part as PartData);
  if (refusal) return { ok: false, refusal };
  ids.add(id);
  return ok(part as ShelfPart);
}

/** A shelf as text; deterministic. */
export const writeShelf = (parts: readonly ShelfPart[]): string =>
  `${JSON.stringify({ format: 'pendrix-shelf', version: 1, parts: parts.map(ordered) }, null, 2)}\n`;
