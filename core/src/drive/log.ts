import { error, type Refusal } from '../numbers/index.ts';
import { show } from './inputs.ts';

/** Kinds of entry, in the order they are offered. (handbook: run, the log) */
export const LOG_KINDS = [
  'measurement',
  'adjustment',
  'exposure',
  'part',
  'lubrication',
  'build',
  'noise',
  'complaint',
  'wish',
] as const;
export type LogKind = (typeof LOG_KINDS)[number];

/** A figure that was read: what it is of, its value, its unit, and its ± where it has one. */
export interface LogValue {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly plusMinus?: number;
}

/** One entry of a drive's log. Feelings are data: binds, snug, slight rattle, by ear. */
export interface LogEntry {
  readonly id: string;
  readonly kind: LogKind;
  /** "2026-11-28" or "2026-11-28 21:40" */
  readonly at: string;
  readonly words: string;
  /** the revision that it belongs to; none while the design was never kept */
  readonly revision?: number;
  readonly values?: readonly LogValue[];
  readonly exposure?: {
    readonly focalMm: number;
    readonly seconds: number;
    readonly kept: number;
    readonly taken: number;
  };
  /** when it falls due again: "2027-03-01" */
  readonly due?: string;
  /** of a measurement: the complaint that it closes */
  readonly closes?: string;
}

export const MAX_LOG = 5000;
/** Longest words of an entry. */
export const MAX_WORDS = 2000;

const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])( ([01]\d|2[0-3]):[0-5]\d)?$/;
export const isDay = (text: unknown): text is string => typeof text === 'string' && DAY.test(text);

type Data = Readonly<Record<string, unknown>>;
const isData = (value: unknown): value is Data =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const bad = (value: unknown, path: string): Refusal => error('badValue', show(value), { path }).refusal;
const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const isCount = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) >= 0;

function valueFault(value: unknown): Refusal | null {
  if (!isData(value)) return bad(value, '');
  if (typeof value['name'] !== 'string' || value['name'].length > 60) return bad(value['name'], 'name');
  if (!isNumber(value['value'])) return bad(value['value'], 'value');
  if (typeof value['unit'] !== 'string' || value['unit'].length > 20) return bad(value['unit'], 'unit');
  const { plusMinus } = value;
  return plusMinus === undefined || (isNumber(plusMinus) && plusMinus >= 0)
    ? null
    : bad(plusMinus, 'plusMinus');
}

function exposureFault(value: unknown): Refusal | null {
  if (!isData(value)) return bad(value, '');
  for (const key of ['focalMm', 'seconds'])
    if (!isNumber(value[key]) || value[key] <= 0) return bad(value[key], key);
  const { kept, taken } = value;
  if (!isCount(taken)) return bad(taken, 'taken');
  return isCount(kept) && kept <= taken ? null : bad(kept, 'kept');
}

function entryFault(value: unknown): Refusal | null {
  if (!isData(value)) return error('notObject', show(value)).refusal;
  if (typeof value['id'] !== 'string' || value['id'] === '' || value['id'].length > 60)
    return bad(value['id'], 'id');
  if (!(LOG_KINDS as readonly unknown[]).includes(value['kind']))
    return error('notAChoice', show(value['kind']), { path: 'kind', limit: LOG_KINDS.join(', ') }).refusal;
  if (!isDay(value['at'])) return bad(value['at'], 'at');
  if (typeof value['words'] !== 'string') return bad(value['words'], 'words');
  if (value['words'].length > MAX_WORDS)
    return error('tooLong', `${value['words'].slice(0, 20)}…`, { path: 'words', limit: String(MAX_WORDS) })
      .refusal;
  if (value['revision'] !== undefined && !isCount(value['revision']))
    return bad(value['revision'], 'revision');
  if (value['due'] !== undefined && !isDay(value['due'])) return bad(value['due'], 'due');
  if (value['closes'] !== undefined && typeof value['closes'] !== 'string')
    return bad(value['closes'], 'closes');
  const within = (key: string, fault: Refusal | null): Refusal | null =>
    fault && { ...fault, path: `${key}${fault.path ? `.${fault.path}` : ''}` };
  if (value['exposure'] !== undefined) {
    const fault = within('exposure', exposureFault(value['exposure']));
    if (fault) return fault;
  }
  if (value['values'] === undefined) return null;
  if (!Array.isArray(value['values']) || value['values'].length > 40) return bad(value['values'], 'values');
  for (const [i, v] of (value['values'] as unknown[]).entries()) {
    const fault = within(`values[${i}]`, valueFault(v));
    if (fault) return fault;
  }
  return null;
}

/** What is wrong with a log as a file holds it; null when nothing is. Complaints that are closed must be there. */
export function logFault(value: unknown): Refusal | null {
  if (!Array.isArray(value)) return error('notList', show(value)).refusal;
  if (value.length > MAX_LOG)
    return error('tooLarge', String(value.length), { limit: String(MAX_LOG), unit: 'entries' }).refusal;
  const seen = new Set<string>();
  for (const [i, entry] of (value as unknown[]).entries()) {
    const fault = entryFault(entry);
    if (fault) return { ...fault, path: `[${i}]${fault.path ? `.${fault.path}` : ''}` };
    const { id } = entry as LogEntry;
    if (seen.has(id)) return error('badValue', id, { path: `[${i}].id` }).refusal;
    seen.add(id);
  }
  return null;
}
