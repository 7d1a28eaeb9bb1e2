import type { refusalWords } from './refusal-words.ts';

/** Why something that was typed or read is not taken: plain data; the words are in refusal-words.ts. */
export interface Refusal {
  /** which rule */
  readonly code: RefusalCode;
  /** where: "divisions", "train.stages[1].wheel", "line 3, column 12"; "" when the field itself says where */
  readonly path: string;
  /** the piece as it was given, shortened */
  readonly given: string;
  readonly limit?: string;
  readonly unit?: string;
  /** one that would be taken */
  readonly example?: string;
}

export type RefusalCode = keyof typeof refusalWords;

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

/** A refusal as a result; `given` is shortened to 40 characters. */
export function error(
  code: RefusalCode,
  given: string,
  more: Omit<Partial<Refusal>, 'code' | 'given'> = {},
): { readonly ok: false; readonly refusal: Refusal } {
  const short = given.length > 40 ? `${given.slice(0, 39)}…` : given;
  return { ok: false, refusal: { path: '', ...more, code, given: short } };
}

/** The same refusal, told to stand at a place. */
export const at = (path: string, refusal: Refusal): Refusal => ({
  ...refusal,
  path: refusal.path ? `${path}${refusal.path.startsWith('[') ? '' : '.'}${refusal.path}` : path,
});
