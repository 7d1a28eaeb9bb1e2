import type { Result } from '@pendrix/core';

/** One command of the terminal: words in, text for standard output or a refusal out. */
export interface Command {
  readonly name: string;
  readonly usage: string;
  readonly message: string;
  /** `progress` is told how far a long search is, now and then */
  readonly run: (words: readonly string[], progress: Told) => Promise<Result<string>>;
}

export type Told = (line: string) => void;

/** How long a search is silent at first, and between two lines, ms. */
const SILENCE_MS = 2000;

/** Runs a search to its end and tells how far it is, so that nobody waits before an empty screen. */
export function runTold<T, P>(search: Generator<P, T, boolean>, progress: Told, what: (p: P) => string): T {
  let told = Date.now();
  for (let step = search.next(false); ; step = search.next(false)) {
    if (step.done) return step.value;
    if (Date.now() - told < SILENCE_MS) continue;
    told = Date.now();
    progress(what(step.value));
  }
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
