import { parse, visit, type ParseError } from 'jsonc-parser';
import { error, ok, type Refusal, type Result } from '../numbers/index.ts';

/** Largest file that is read, bytes. */
export const MAX_BYTES = 20_000_000;

/** Our files are a dozen deep or so; far beyond that it is none, and could not be stored. More than a drive may be, with lists around it. */
const MAX_DEPTH = 100;

/**
 * Text of an unread file as JSON. Refuses what is too big, empty, an archive or picture, a web page, nested without end, or broken, and
 * a key that is given twice, naming line and column.
 */
export function readJson(text: string): Result<unknown> {
  if (text.length > MAX_BYTES) return error('fileTooBig', '', { limit: '20 MB' });
  const body = text.replace(/^\uFEFF/, '');
  if (body.trim() === '') return error('fileEmpty', '');
  if (body.startsWith('PK') || body.slice(0, 4096).includes('\0')) return error('fileNotText', '');
  if (/^\s*<(!doctype|html|\?xml|head|body)/i.test(body)) return error('fileIsPage', '');
  const deep = tooDeep(body);
  if (deep !== null) return error('tooDeep', '', { path: place(body, deep), limit: String(MAX_DEPTH) });
  let value: unknown;
  try {
    value = JSON.parse(body);
  } catch {
    return broken(body);
  }
  const twice = keyGivenTwice(body);
  return twice ? { ok: false, refusal: twice } : ok(value);
}

/** Where brackets are nested deeper than any file of ours; null when they are not. */
function tooDeep(body: string): number | null {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < body.length; i++) {
    const c = body[i];
    if (inText) {
      if (c === '\\') i++;
      else if (c === '"') inText = false;
    } else if (c === '"') inText = true;
    else if (c === '{' || c === '[') {
      if (++depth > MAX_DEPTH) return i;
    } else if (c === '}' || c === ']') depth--;
  }
  return null;
}

/** Is a value nested deeper than so many brackets? */
export const isDeeper = (value: unknown, than: number): boolean =>
  typeof value === 'object' &&
  value !== null &&
  (than === 0 || Object.values(value).some((inner) => isDeeper(inner, than - 1)));

/** The first key that one object is given twice: of two values one would be lost without a word. */
function keyGivenTwice(body: string): Refusal | null {
  const open: Set<string>[] = [];
  let found: Refusal | null = null;
  visit(body, {
    onObjectBegin: () => void open.push(new Set()),
    onObjectEnd: () => void open.pop(),
    onObjectProperty: (key, offset) => {
      const keys = open.at(-1);
      if (keys?.has(key)) found ??= error('twice', `"${key}"`, { path: place(body, offset) }).refusal;
      keys?.add(key);
    },
  });
  return found;
}

/** "line 3, column 12" */
function place(body: string, offset: number): string {
  const before = body.slice(0, offset).split('\n');
  return `line ${before.length}, column ${(before.at(-1) ?? '').length + 1}`;
}

function broken(body: string): Result<never> {
  const errors: ParseError[] = [];
  parse(body, errors, { disallowComments: true, allowTrailingComma: false });
  const offset = Math.min(errors[0]?.offset ?? body.length, body.length);
  const piece = body.slice(offset).split(/[\s,}\]]/)[0] ?? '';
  return error('brokenJson', piece, { path: place(body, offset) });
}
