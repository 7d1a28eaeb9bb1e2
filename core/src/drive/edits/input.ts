import { fromEntries } from '../data.ts';
import { error, ok, type Result } from '../../numbers/index.ts';
import { defaultsOf, readInput, type InputSpec } from '../inputs.ts';

/** The same data with one input as it was typed; an empty text takes an optional one away, so that its estimate is in force again. */
export function withInput<T extends object>(
  data: T,
  inputs: readonly InputSpec[],
  key: string,
  text: string,
): Result<T> {
  const spec = inputs.find((i) => i.key === key);
  if (!spec) return error('unknownEdit', key);
  if (spec.optional && text.trim() === '')
    return ok(fromEntries<T>(Object.entries(data).filter(([k]) => k !== key)));
  const read = readInput(spec, text);
  return read.ok ? ok({ ...data, [key]: read.value }) : read;
}

/** The data of another kind: its defaults, and what both kinds know under the same key. */
export function ofKind(
  kind: string,
  inputs: readonly InputSpec[],
  before: Readonly<Record<string, unknown>>,
): Readonly<Record<string, unknown>> {
  const kept = inputs.flatMap((spec): [string, unknown][] => {
    const value = before[spec.key];
    return value === undefined ? [] : [[spec.key, value]];
  });
  return { kind, ...defaultsOf(inputs), ...Object.fromEntries(kept) };
}

/** "driven 80", for the undo key. */
export const inputLabel = (inputs: readonly InputSpec[], key: string, text: string): string =>
  `${inputs.find((i) => i.key === key)?.label.toLowerCase() ?? key} ${text.trim()}`;
