import { parse, type ParseError } from 'jsonc-parser';
import { refused, taken, type Result } from '../numbers/index.ts';

/** Largest file that is read, bytes. */
export const MOST_BYTES = 20_000_000;

/** NUL and the replacement character do not occur in JSON that was saved as UTF-8 text. */
const NOT_TEXT = ['\0', '\uFFFD'] as const;

/** Text of an unread file as JSON. Refuses what is too big, empty, an archive or picture, a web page, or broken, naming line and column. */
export function readJson(text: string): Result<unknown> {
  if (text.length > MOST_BYTES) return refused('fileTooBig', '', { limit: '20 MB' });
  const body = text.replace(/^\uFEFF/, '');
  if (body.trim() === '') return refused('fileEmpty', '');
  const head = body.slice(0, 4096);
  if (head.startsWith('PK') || NOT_TEXT.some((sign) => head.includes(sign)))
    return refused('fileNotText', '');
  if (/^\s*<(!doctype|html|\?xml|head|body)/i.test(body)) return refused('fileIsPage', '');
  try {
    return taken(JSON.parse(body) as unknown);
  } catch {
    return broken(body);
  }
}

function broken(body: string): Result<never> {
  const errors: ParseError[] = [];
  parse(body, errors, { disallowComments: true, allowTrailingComma: false });
  const offset = Math.min(errors[0]?.offset ?? body.length, body.length);
  const before = body.slice(0, offset).split('\n');
  const piece = body.slice(offset).split(/[\s,}\]]/)[0] ?? '';
  return refused('brokenJson', piece, {
    path: `line ${before.length}, column ${(before.at(-1) ?? '').length + 1}`,
  });
}
