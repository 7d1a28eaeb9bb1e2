import { parseArgs } from 'node:util';
import { error, ok, type Result } from '@pendrix/core';

type Kind = 'flag' | 'text';

export interface Given {
  readonly files: readonly string[];
  readonly flags: ReadonlySet<string>;
  readonly texts: ReadonlyMap<string, string>;
}

/** Reads the words after a command. Unknown options, options given twice and options without their value are refused by name. */
export function readOptions(words: readonly string[], known: Readonly<Record<string, Kind>>): Result<Given> {
  const options = Object.fromEntries(
    Object.entries(known).map(([name, kind]) => [
      name,
      { type: kind === 'flag' ? ('boolean' as const) : ('string' as const) },
    ]),
  );
  const { tokens } = parseArgs({
    args: [...words],
    options,
    allowPositionals: true,
    strict: false,
    tokens: true,
  });
  const files: string[] = [];
  const flags = new Set<string>();
  const texts = new Map<string, string>();
  const names = Object.keys(known)
    .map((n) => `--${n}`)
    .join(', ');
  for (const token of tokens) {
    if (token.kind === 'positional') files.push(token.value);
    if (token.kind !== 'option') continue;
    const kind = Object.hasOwn(known, token.name) ? known[token.name] : undefined;
    if (!kind) return error('noOption', token.rawName, { limit: names });
    if (flags.has(token.name) || texts.has(token.name)) return error('twice', token.rawName);
    if (kind === 'flag') {
      if (token.value !== undefined)
        return error('noOption', `${token.rawName}=${token.value}`, { limit: names });
      flags.add(token.name);
    } else {
      if (token.value === undefined)
        return error('needsOption', `the value of ${token.rawName}`, { example: `${token.rawName} 73` });
      texts.set(token.name, token.value);
    }
  }
  return ok({ files, flags, texts });
}
