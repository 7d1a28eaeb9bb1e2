import {
  at,
  parseRational,
  readCount,
  readRatio,
  readSize,
  refused,
  taken,
  toText,
  isZero,
  type Refusal,
  type Result,
} from '../numbers/index.ts';

interface InputBase {
  /** the key in the drive file */
  readonly key: string;
  readonly label: string;
  readonly unit?: string;
  /** one line under the field or in its tip */
  readonly hint?: string;
}

/**
 * One input of a stage or a source, as plain data: the form, the file's schema and the reading of text all derive from it.
 * `count` is a JSON number that must be whole; `size` a physical float; `ratio` an exact rational as text; `choice` one of a few words.
 * An optional input that is absent takes its `default`, which is then an estimate. (handbook: README)
 */
export type InputSpec =
  | (InputBase & {
      readonly type: 'count';
      readonly min: number;
      readonly max: number;
      readonly default: number;
    })
  | (InputBase & {
      readonly type: 'size';
      readonly min: number;
      readonly max: number;
      readonly default: number;
      readonly optional: true;
    })
  | (InputBase & { readonly type: 'ratio'; readonly default: string })
  | (InputBase & {
      readonly type: 'choice';
      readonly options: readonly { readonly value: string; readonly title: string }[];
      readonly default: string;
      readonly optional?: true;
    });

export type InputValue = number | string;

/** Reads what was typed into the field of `spec`; the value is what the drive file holds. */
export function readInput(spec: InputSpec, text: string): Result<InputValue> {
  switch (spec.type) {
    case 'count':
      return readCount(text, {
        min: spec.min,
        max: spec.max,
        ...unitOf(spec),
        example: String(spec.default),
      });
    case 'size':
      return readSize(text, { min: spec.min, max: spec.max, ...unitOf(spec), example: String(spec.default) });
    case 'ratio': {
      const read = readRatio(text);
      return read.ok ? taken(toText(read.value.value)) : read;
    }
    case 'choice':
      return checkInput(spec, text);
  }
}

/** Checks a value that stands in a drive file. `inexact` is a number where exact text is meant. */
export function checkInput(spec: InputSpec, value: unknown): Result<InputValue> {
  if (spec.type === 'choice') {
    const known = spec.options.map((o) => o.value);
    return typeof value === 'string' && known.includes(value)
      ? taken(value)
      : refused('notAChoice', show(value), { limit: known.join(', ') });
  }
  if (spec.type === 'ratio') {
    const text = typeof value === 'number' && Number.isSafeInteger(value) ? String(value) : value;
    if (typeof text === 'number')
      return refused(Number.isFinite(text) ? 'inexact' : 'notFinite', String(text));
    const r = typeof text === 'string' ? parseRational(text) : null;
    if (!r) return refused('notExact', show(value));
    return isZero(r) ? refused('zero', show(value), { example: '"5"' }) : taken(text as string);
  }
  if (typeof value !== 'number') return refused('notNumber', show(value), { example: String(spec.default) });
  if (!Number.isFinite(value)) return refused('notFinite', String(value));
  const limits = { min: spec.min, max: spec.max, ...unitOf(spec), example: String(spec.default) };
  if (Math.abs(value) > 1e15)
    return refused(value < 0 ? 'negative' : 'tooLarge', String(value), {
      ...unitOf(spec),
      limit: String(spec.max),
    });
  const text = plainNumber(value);
  return spec.type === 'count' ? readCount(text, limits) : readSize(text, limits);
}

/** What a field shows for a value, and what its reader takes back. */
export const showInput = (spec: InputSpec, value: InputValue | undefined): string =>
  value === undefined ? '' : spec.type === 'choice' ? String(value) : plainNumber(value);

const unitOf = (spec: InputSpec): { unit?: string } => (spec.unit ? { unit: spec.unit } : {});

/** A JSON number without an exponent, so that the readers take it. */
function plainNumber(value: InputValue): string {
  const text = String(value);
  if (typeof value === 'string' || !/e/i.test(text)) return text;
  return Math.abs(value) < 1 ? value.toFixed(20).replace(/0+$/, '') : BigInt(Math.round(value)).toString();
}

/** A value from a file, short enough to echo. */
export function show(value: unknown): string {
  const text = typeof value === 'string' ? `"${value}"` : JSON.stringify(value);
  return text ?? String(value);
}

/** The first refusal among the inputs of a stage or source read from a file, placed at its key; null when all are good. */
export function refusalOf(
  inputs: readonly InputSpec[],
  data: Readonly<Record<string, unknown>>,
): Refusal | null {
  for (const spec of inputs) {
    const value = data[spec.key];
    if (value === undefined) {
      if ('optional' in spec) continue;
      return refused('missing', '', { path: spec.key, example: String(spec.default) }).refusal;
    }
    const checked = checkInput(spec, value);
    if (!checked.ok) return at(spec.key, checked.refusal);
  }
  return null;
}

/** The values a new stage or source starts with: all that must be there; what is optional stays absent. */
export function defaultsOf(inputs: readonly InputSpec[]): Record<string, InputValue> {
  const out: Record<string, InputValue> = {};
  for (const spec of inputs) if (!('optional' in spec)) out[spec.key] = spec.default;
  return out;
}
