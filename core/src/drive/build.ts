import { error, type Refusal } from '../numbers/index.ts';
import { show } from './inputs.ts';

/** How far a screw is turned in: nothing is final before the mesh is set. */
export type Fastener = 'loose' | 'snug' | 'final';

/** One step of a build, kept with the drive. (handbook: make, building in order) */
export interface BuildStep {
  readonly id: string;
  readonly title: string;
  /** what must be so before anything after it is done: "turns freely all the way round" */
  readonly gate?: string;
  readonly fastener?: Fastener;
  /** front, back, mirror, hand */
  readonly way?: string;
  readonly tools?: string;
  readonly two?: boolean;
  /** the day it was done, its gate passed: "2026-11-28" */
  readonly done?: string;
  readonly minutes?: number;
}

export interface Build {
  readonly steps: readonly BuildStep[];
  /** of a set-up: why it was not gone through this time */
  readonly skipped?: string;
}

export const MAX_BUILD = 200;
export const FASTENERS: readonly Fastener[] = ['loose', 'snug', 'final'];
/** Longest text of a step. */
export const MAX_STEP = 200;

const isText = (value: unknown): boolean =>
  value === undefined || (typeof value === 'string' && value.length <= MAX_STEP);

function stepFault(value: unknown): Refusal | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return error('notObject', show(value)).refusal;
  const s = value as Readonly<Record<string, unknown>>;
  if (typeof s['id'] !== 'string' || s['id'] === '' || s['id'].length > 40)
    return error('badValue', show(s['id']), { path: 'id' }).refusal;
  for (const key of ['title', 'gate', 'way', 'tools', 'done']) {
    const text = s[key];
    if (typeof text === 'string' && text.length > MAX_STEP)
      return error('tooLong', `${text.slice(0, 20)}…`, { path: key, limit: String(MAX_STEP) }).refusal;
  }
  if (typeof s['title'] !== 'string' || s['title'].trim() === '' || !isText(s['title']))
    return error('badValue', show(s['title']), { path: 'title' }).refusal;
  for (const key of ['gate', 'way', 'tools', 'done'])
    if (!isText(s[key])) return error('badValue', show(s[key]), { path: key }).refusal;
  if (s['fastener'] !== undefined && !FASTENERS.includes(s['fastener'] as Fastener))
    return error('notAChoice', show(s['fastener']), { path: 'fastener', limit: FASTENERS.join(', ') })
      .refusal;
  if (s['two'] !== undefined && typeof s['two'] !== 'boolean')
    return error('badValue', show(s['two']), { path: 'two' }).refusal;
  const { minutes } = s;
  if (minutes !== undefined && !(typeof minutes === 'number' && minutes >= 0 && minutes <= 100_000))
    return error('badValue', show(minutes), { path: 'minutes' }).refusal;
  return null;
}

/** What is wrong with a build as a file holds it; null when nothing is. */
export function buildFault(value: unknown): Refusal | null {
  const { steps, skipped } = (value ?? {}) as { readonly steps?: unknown; readonly skipped?: unknown };
  if (!isText(skipped)) return error('badValue', show(skipped), { path: 'skipped' }).refusal;
  if (!Array.isArray(steps)) return error('badValue', show(steps), { path: 'steps' }).refusal;
  if (steps.length > MAX_BUILD)
    return error('tooLarge', String(steps.length), { path: 'steps', limit: String(MAX_BUILD), unit: 'steps' })
      .refusal;
  const seen = new Set<string>();
  for (const [i, step] of steps.entries()) {
    const fault = stepFault(step);
    if (fault) return { ...fault, path: `steps[${i}]${fault.path ? `.${fault.path}` : ''}` };
    const { id } = step as BuildStep;
    if (seen.has(id)) return error('badValue', id, { path: `steps[${i}].id` }).refusal;
    seen.add(id);
  }
  return null;
}
