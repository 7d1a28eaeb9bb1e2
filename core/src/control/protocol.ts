/** The lines between Pendrix and a controller: JSON, one object a line. (handbook: run, controllers; docs: controller) */

/** Longest line either way, characters. */
export const MAX_LINE = 4096;
/** Farthest that anything may be sent, counts either way. */
export const FARTHEST = 2 ** 50;

export type Command =
  | { readonly cmd: 'hello' }
  | { readonly cmd: 'moveTo'; readonly counts: number }
  | { readonly cmd: 'jog'; readonly counts: number }
  | { readonly cmd: 'zero' }
  | { readonly cmd: 'hold'; readonly on: boolean }
  | { readonly cmd: 'freeze'; readonly on: boolean }
  | { readonly cmd: 'stop' }
  | { readonly cmd: 'status' };

/** What it sends by itself, and on "status". `counts` is what it goes by; `raw` what the encoder has counted, frozen or not. */
export interface Status {
  readonly counts: number;
  readonly raw: number;
  readonly moving: boolean;
  readonly held: boolean;
  readonly frozen: boolean;
  /** in its own words; null while there is none */
  readonly fault: string | null;
  /** edges seen since the last status line, of either channel; 0 where it has no encoder */
  readonly edges: { readonly a: number; readonly b: number };
}

/** What it says to "hello": its name, and a word that is another after each start, so that a lost count is known. */
export interface Hello {
  readonly name: string;
  readonly boot: string;
  /** counts for one turn of its shaft, where it knows */
  readonly protocol: 1;
}

export interface Request {
  readonly id: number;
  readonly command: Command;
}

export type ReadLine =
  | { readonly ok: true; readonly request: Request }
  | { readonly ok: false; readonly id: number | null; readonly error: string };

const isWhole = (n: unknown): n is number => typeof n === 'number' && Number.isSafeInteger(n);
const isCounts = (n: unknown): n is number => isWhole(n) && Math.abs(n) <= FARTHEST;

/** One line as a request; anything else is refused in a few words, and nothing moves. Never throws. */
export function readLine(line: string): ReadLine {
  if (line.length > MAX_LINE)
    return { ok: false, id: null, error: `a line is at most ${MAX_LINE} characters` };
  let value: unknown;
  try {
    value = JSON.parse(line);
  } catch {
    return { ok: false, id: null, error: 'not a JSON object' };
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { ok: false, id: null, error: 'not a JSON object' };
  const data = value as Readonly<Record<string, unknown>>;
  const { id, cmd, counts, on } = data;
  if (!isWhole(id) || id < 0) return { ok: false, id: null, error: 'id must be a whole number' };
  const refuse = (error: string): ReadLine => ({ ok: false, id, error });
  const ok = (command: Command): ReadLine => ({ ok: true, request: { id, command } });
  switch (cmd) {
    case 'hello':
    case 'zero':
    case 'stop':
    case 'status':
      return ok({ cmd });
    case 'moveTo':
    case 'jog':
      return isCounts(counts) ? ok({ cmd, counts }) : refuse('counts must be a whole number');
    case 'hold':
    case 'freeze':
      return typeof on === 'boolean' ? ok({ cmd, on }) : refuse('on must be true or false');
    default:
      return refuse('unknown command');
  }
}

export const writeRequest = ({ id, command }: Request): string => JSON.stringify({ id, ...command });

/** What comes back from a controller, as it is understood here; null for a line that is none of these. */
export type FromController =
  | {
      readonly is: 'answer';
      readonly id: number;
      readonly ok: boolean;
      readonly error: string;
      readonly hello: Hello | null;
    }
  | { readonly is: 'refused'; readonly error: string }
  | { readonly is: 'status'; readonly status: Status };

export function readAnswer(line: string): FromController | null {
  if (line.length > MAX_LINE) return null;
  let value: unknown;
  try {
    value = JSON.parse(line);
  } catch {
    return null;
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return null;
  const d = value as Readonly<Record<string, unknown>>;
  if (d['event'] === 'status') {
    if (!isWhole(d['counts']) || !isWhole(d['raw'])) return null;
    const edges = d['edges'] as Readonly<Record<string, unknown>> | undefined;
    const edge = (n: unknown): number => (isWhole(n) ? Math.max(0, n) : 0);
    return {
      is: 'status',
      status: {
        counts: d['counts'],
        raw: d['raw'],
        moving: d['moving'] === true,
        held: d['held'] === true,
        frozen: d['frozen'] === true,
        fault: typeof d['fault'] === 'string' && d['fault'] !== '' ? d['fault'].slice(0, 200) : null,
        edges: { a: edge(edges?.['a']), b: edge(edges?.['b']) },
      },
    };
  }
  if (typeof d['ok'] !== 'boolean') return null;
  const message = typeof d['error'] === 'string' ? d['error'].slice(0, 200) : '';
  if (!isWhole(d['id'])) return d['ok'] ? null : { is: 'refused', error: message };
  const hello =
    typeof d['boot'] === 'string'
      ? {
          name: (typeof d['name'] === 'string' ? d['name'] : 'controller').slice(0, 60),
          boot: d['boot'].slice(0, 60),
          protocol: 1 as const,
        }
      : null;
  return { is: 'answer', id: d['id'], ok: d['ok'], error: message, hello };
}
