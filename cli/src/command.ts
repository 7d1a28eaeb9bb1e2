import type { Result } from '@pendrix/core';

/** One command of the terminal: words in, text for standard output or a refusal out. */
export interface Command {
  readonly name: string;
  readonly usage: string;
  readonly message: string;
  readonly run: (words: readonly string[]) => Promise<Result<string>>;
}

/** Columns of text, padded; numbers to the right. */
export function table(
  head: readonly string[],
  rows: readonly (readonly string[])[],
  left: ReadonlySet<number> = new Set([0]),
): string {
  const all = [head, ...rows];
  const widths = head.map((_, i) => Math.max(...all.map((r) => [...(r[i] ?? '')].length)));
  const pad = (text: string, i: number): string => {
    const space = ' '.repeat(Math.max(0, widths[i]! - [...text].length));
    return left.has(i) ? text + space : space + text;
  };
  return all.map((r) => r.map(pad).join('  ').trimEnd()).join('\n');
}
