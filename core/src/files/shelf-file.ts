import { at, refused, taken, type Result } from '../numbers/index.ts';
import { checkPart, MOST_PARTS, type PartData, type ShelfPart } from '../shelf/index.ts';
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
    return refused('wrongFormat', file.value.format, { path: 'format', limit: 'pendrix-shelf' });
  const { parts } = file.value.file;
  if (!Array.isArray(parts))
    return refused(parts === undefined ? 'missing' : 'notList', '', { path: 'parts', example: '[]' });
  if (parts.length > MOST_PARTS)
    return refused('tooMany', String(parts.length), { path: 'parts', limit: String(MOST_PARTS) });
  const out: ShelfPart[] = [];
  const ids = new Set<string>();
  for (const [i, part] of (parts as unknown[]).entries()) {
    const path = `parts[${i}]`;
    if (typeof part !== 'object' || part === null || Array.isArray(part))
      return refused('notObject', JSON.stringify(part) ?? '', { path });
    const { id, kind } = part as Partial<PartData>;
    if (typeof kind !== 'string')
      return refused(kind === undefined ? 'missing' : 'notText', '', { path: `${path}.kind` });
    if (typeof id !== 'string' || id === '' || id.length > 80)
      return refused(id === undefined ? 'missing' : 'badValue', JSON.stringify(id) ?? '', {
        path: `${path}.id`,
      });
    if (ids.has(id)) return refused('twice', `id ${id}`, { path: `${path}.id` });
    ids.add(id);
    const refusal = checkPart(part as PartData);
    if (refusal) return { ok: false, refusal: at(path, refusal) };
    out.push(part as ShelfPart);
  }
  return taken(out);
}

/** A shelf as text; deterministic. */
export const writeShelf = (parts: readonly ShelfPart[]): string =>
  `${JSON.stringify({ format: 'pendrix-shelf', version: 1, parts: parts.map(ordered) }, null, 2)}\n`;
