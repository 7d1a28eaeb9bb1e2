import type { InputValue } from './inputs.ts';

/** Plain data by its keys, as files and forms read it: what stands under a key that its kind says. */
export const dataOf = (of: object): Readonly<Record<string, InputValue | undefined>> =>
  of as Readonly<Record<string, InputValue | undefined>>;

/** The same data from some of its entries: keys that were taken out, or set. */
export const fromEntries = <T>(entries: Iterable<readonly [string, unknown]>): T =>
  Object.fromEntries(entries) as T;
