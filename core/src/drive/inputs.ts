import {
  at,
  fromStepAngle,
  inUnit,
  isNegative,
  parseRational,
  readClock,
  readCount,
  readNumber,
  readPeriod,
  readRatio,
  readReduction,
  readSigned,
  readSize,
  error,
  ok,
  toText,
  withoutExponent,
  isZero,
  type Rational,
  type Refusal,
  type Result,
} from '../numbers/index.ts';
import { checkPairs, pairsText, readPairs, type ToothPairs } from './pairs.ts';

interface InputBase {
  /** the key in the drive file */
  readonly key: string;
  readonly label: string;
  readonly unit?: string;
  /** one line under the field or in its tip */
  readonly hint?: string;
  /** may be absent; its default, when it has one, is then an estimate */
  readonly optional?: true;
  /** folded away with the less used ones */
  readonly more?: true;
  /** set at the arbor plan, not on a card */
  readonly plan?: true;
  /** set where it is judged, not on a card */
  readonly judged?: true;
  /** set in Make, not on a card */
  readonly made?: true;
}

/**
 * One input of a stage, a source or an output, as plain data: the form, the file's schema and the reading of text all derive
 * from it. `count` is a JSON number that must be whole (`wheel`: teeth of a wheel that another could take the place of);
 * `size` a physical float; `ratio` an exact rational but 0 as text, turns in for one turn out; `exact` an exact quantity above 0
 * as text, `signed` one of either sign, `clock` ticks a second, `period` seconds a turn; `number` a physical float of either sign;
 * `flag` true or absent; `pairs` a list of tooth pairs; `text` words; `choice` one of a few words. (handbook: README)
 */
export type InputSpec =
  | (InputBase & {
      readonly type: 'count';
      readonly min: number;
      readonly max: number;
      /** null when there is none to go by */
      readonly default: number | null;
      readonly wheel?: true;
      /** full steps a turn: the angle of one step is taken too */
      readonly steps?: true;
    })
  | (InputBase & {
      readonly type: 'size';
      readonly min: number;
      readonly max: number;
      /** null when there is none to go by */
      readonly default: number | null;
      readonly optional: true;
    })
  | (InputBase & {
      readonly type: 'ratio';
      readonly default: string;
      /** said aloud as a reduction: 1:40 is forty in for one out, as 40:1 is */
      readonly reduces?: true;
    })
  | (InputBase & { readonly type: 'exact'; readonly default: string })
  | (InputBase & { readonly type: 'signed'; readonly default: string })
  | (InputBase & { readonly type: 'clock' | 'period'; readonly default: string })
  | (InputBase & {
      readonly type: 'number';
      readonly min: number;
      readonly max: number;
      /** null when there is none to go by */
      readonly default: number | null;
    })
  | (InputBase & { readonly type: 'flag'; readonly default: ''; readonly optional: true })
  | (InputBase & { readonly type: 'pairs'; readonly default: string })
  | (InputBase & {
      readonly type: 'text';
      readonly max: number;
      readonly default: '';
      readonly optional: true;
    })
  | (InputBase & {
      readonly type: 'choice';
      readonly options: readonly { readonly value: string; readonly title: string }[];
      readonly default: string;
      /** the file holds it as a JSON number */
      readonly number?: true;
    });

export type InputOf<T extends InputSpec['type']> = Extract<InputSpec, { readonly type: T }>;

export type InputValue = number | string | boolean | ToothPairs;

/** Reads what was typed into the field of `spec`; the value is what the drive file holds. */
export function readInput(spec: InputSpec, typed: string): Result<InputValue> {
  const text = withoutUnit(spec, typed);
  switch (spec.type) {
    case 'count':
      return readCount(text, {
        min: spec.min,
        max: spec.max,
        ...unitOf(spec),
        example: exampleOf(spec),
      });
    case 'size':
      return readSize(text, { min: spec.min, max: spec.max, ...unitOf(spec), example: exampleOf(spec) });
    case 'exact':
      return readExact(text, spec);
    case 'signed':
      return asExact(readNumber(text), text, spec);
    case 'clock':
      return asExact(readClock(text), text, spec);
    case 'period':
      return asExact(readPeriod(text), text, spec);
    case 'number':
      return readSigned(text, { min: spec.min, max: spec.max, ...unitOf(spec), example: exampleOf(spec) });
    case 'flag':
      return ok(text === 'true');
    case 'pairs':
      return readPairs(text);
    case 'text':
      return checkInput(spec, text.trim());
    case 'ratio': {
      const read = (spec.reduces ? readReduction : readRatio)(text);
      return read.ok ? ok(toText(read.value.value)) : read;
    }
    case 'choice':
      return checkInput(spec, spec.number ? Number(text) : text);
  }
}

/** What was typed, in the unit of the field. (handbook: numbers, reading input) */
function withoutUnit(spec: InputSpec, text: string): string {
  if (!['count', 'size', 'number', 'exact', 'signed'].includes(spec.type)) return text;
  // what a size is shown as can be typed again
  const plain = spec.type === 'size' || spec.type === 'number' ? withoutExponent(text) : text;
  const steps = spec.type === 'count' && spec.steps ? fromStepAngle(plain) : plain;
  return inUnit(steps, spec.unit, spec.key.startsWith('module'));
}

/** An exact quantity above 0; kept as it was written when a file can hold it so. */
function readExact(text: string, spec: InputSpec): Result<string> {
  const read = readNumber(text);
  if (!read.ok) return { ok: false, refusal: { ...read.refusal, ...unitOf(spec), example: exampleOf(spec) } };
  if (isZero(read.value)) return error('zero', text, { example: exampleOf(spec) });
  if (isNegative(read.value)) return error('negative', text, { example: exampleOf(spec) });
  return ok(parseRational(text.trim()) ? text.trim() : toText(read.value));
}

/** Exact text of what was read; kept as it was written when a file can hold it so. */
function asExact(read: Result<Rational>, text: string, spec: InputSpec): Result<string> {
  if (!read.ok) return { ok: false, refusal: { example: exampleOf(spec), ...read.refusal, ...unitOf(spec) } };
  return ok(parseRational(text.trim()) ? text.trim() : toText(read.value));
}

const exampleOf = (spec: InputSpec): string => (spec.default ? String(spec.default) : '1');

/** Checks a value that stands in a drive file. `inexact` is a number where exact text is meant. */
export function checkInput(spec: InputSpec, value: unknown): Result<InputValue> {
  if (spec.type === 'choice') {
    const known = spec.options.map((o) => o.value);
    const word = spec.number && typeof value === 'number' ? String(value) : value;
    return typeof word === 'string' && known.includes(word) && (!spec.number || typeof value === 'number')
      ? ok(value as number | string)
      : error('notAChoice', show(value), { limit: known.join(', ') });
  }
  if (spec.type === 'text') {
    if (typeof value !== 'string') return error('notText', show(value));
    return value.length > spec.max ? error('tooLong', value, { limit: String(spec.max) }) : ok(value);
  }
  if (spec.type === 'flag')
    return typeof value === 'boolean'
      ? ok(value)
      : error('notAChoice', show(value), { limit: 'true, false' });
  if (spec.type === 'pairs') return checkPairs(value);
  if (isExactText(spec)) {
    const text = typeof value === 'number' && Number.isSafeInteger(value) ? String(value) : value;
    if (typeof text === 'number') return error(Number.isFinite(text) ? 'inexact' : 'notFinite', String(text));
    const r = typeof text === 'string' ? parseRational(text) : null;
    if (!r) return error('notExact', show(value));
    if (spec.type === 'signed') return ok(text as string);
    if (isZero(r)) return error('zero', show(value), { example: `"${exampleOf(spec)}"` });
    return spec.type !== 'ratio' && isNegative(r)
      ? error('negative', show(value), { example: `"${exampleOf(spec)}"` })
      : ok(text as string);
  }
  if (typeof value !== 'number') return error('notNumber', show(value), { example: exampleOf(spec) });
  if (!Number.isFinite(value)) return error('notFinite', String(value));
  const limits = { min: spec.min, max: spec.max, ...unitOf(spec), example: exampleOf(spec) };
  if (Math.abs(value) > 1e15)
    return error(value < 0 ? 'negative' : 'tooLarge', String(value), {
      ...unitOf(spec),
      limit: String(spec.max),
    });
  if (spec.type === 'count')
    return Number.isInteger(value)
      ? readCount(String(value), limits)
      : error('notWhole', plainNumber(value), limits);
  // a physical size is the double that stands there, however small
  const { min, max, ...told } = limits;
  if (value < 0 && min >= 0) return error('negative', plainNumber(value), told);
  if (value === 0 && min > 0 && spec.type === 'size') return error('zero', '0', told);
  if (value < min) return error('tooSmall', plainNumber(value), { ...told, limit: String(min) });
  return value > max ? error('tooLarge', plainNumber(value), { ...told, limit: String(max) }) : ok(value);
}

type ExactSpec = InputOf<'ratio' | 'exact' | 'signed' | 'clock' | 'period'>;
const EXACT: readonly string[] = [
  'ratio',
  'exact',
  'signed',
  'clock',
  'period',
] satisfies ExactSpec['type'][];
const isExactText = (spec: InputSpec): spec is ExactSpec => EXACT.includes(spec.type);

/** What a field shows for a value, and what its reader takes back. */
export const showInput = (spec: InputSpec, value: InputValue | undefined): string =>
  value === undefined
    ? ''
    : typeof value === 'object'
      ? pairsText(value)
      : typeof value === 'boolean' || spec.type === 'choice' || spec.type === 'text'
        ? String(value)
        : plainNumber(value);

const unitOf = (spec: InputSpec): { unit?: string } => (spec.unit ? { unit: spec.unit } : {});

/** A JSON number without an exponent, exactly as a file says it, so that the readers take it. */
function plainNumber(value: number | string): string {
  const text = String(value);
  const [, sign, whole, part = '', power] = /^(-?)(\d)(?:\.(\d+))?e([+-]\d+)$/.exec(text) ?? [];
  if (typeof value === 'string' || whole === undefined) return text;
  const by = Number(power);
  const digits = `${whole}${part}`;
  return by < 0 ? `${sign}0.${'0'.repeat(-by - 1)}${digits}` : `${sign}${digits.padEnd(by + 1, '0')}`;
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
      if (spec.optional) continue;
      return error('missing', '', { path: spec.key, example: exampleOf(spec) }).refusal;
    }
    const checked = checkInput(spec, value);
    if (!checked.ok) return at(spec.key, checked.refusal);
  }
  return null;
}

/** The values a new stage or source starts with: all that must be there; what is optional stays absent. */
export function defaultsOf(inputs: readonly InputSpec[]): Record<string, InputValue> {
  const out: Record<string, InputValue> = {};
  for (const spec of inputs)
    if (!spec.optional && spec.default !== null)
      out[spec.key] = spec.type === 'choice' && spec.number ? Number(spec.default) : spec.default;
  return out;
}

/** What a card shows of a kind's inputs: not what the plan of the arbors or Check sets. */
export const onCard = (inputs: readonly InputSpec[]): readonly InputSpec[] =>
  inputs.filter((i) => !i.plan && !i.judged && !i.made);
