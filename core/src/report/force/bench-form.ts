import type { Edit } from '../../drive/index.ts';

type Values = Readonly<Record<string, number>>;

/** A form of a minute: something is read off the bench, and what follows stands below. */
export interface BenchForm {
  readonly id: string;
  readonly title: string;
  /** what to do */
  readonly message: string;
  readonly fields: readonly {
    readonly key: string;
    readonly label: string;
    readonly unit: string;
    readonly usual?: string;
  }[];
  /** what its key says, when something can be taken over */
  readonly take: string;
  /** null while something is missing, or does not fit */
  answer(values: Values): { readonly text: string; readonly edits: readonly Edit[] } | null;
}

export const short = (n: number): string => String(Number(n.toPrecision(3)));
export const load = (key: string, text: string): Edit => ({ do: 'duty', duty: 'load', at: 0, key, text });
/** The keys that count as measured, with more of them. */
export const among = (list: string | undefined, ...keys: string[]): string =>
  [...new Set([...(list ?? '').split(/[\s,]+/).filter(Boolean), ...keys])].join(', ');
export const field = (key: string, label: string, unit: string, usual?: string) => ({
  key,
  label,
  unit,
  ...(usual !== undefined && { usual }),
});
