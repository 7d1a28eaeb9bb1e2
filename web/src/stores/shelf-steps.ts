import type { PartRecord } from '../storage/storage.ts';

/** Lines of the shelf as they are to stand, by id; null is "not there". */
export type PartChange = ReadonlyMap<string, PartRecord | null>;

/** One step of the shelf: what stood before and after of every line it touched. */
export interface Step {
  readonly says: string;
  readonly before: PartChange;
  readonly after: PartChange;
  /** edits of one burst of typing are one step */
  readonly burst: string | null;
}

/** Enough for an evening. */
const MOST_STEPS = 300;

/** The steps after one more. One of the same burst joins the last. */
export function withStep(past: readonly Step[], step: Step): readonly Step[] {
  const last = past.at(-1);
  if (last && step.burst !== null && last.burst === step.burst)
    return [...past.slice(0, -1), { ...step, before: last.before }];
  return [...past, step].slice(-MOST_STEPS);
}

/** A change that takes lines back to how they stood, newer than whatever stands there now. */
export const newer = (to: PartChange, now: ReadonlyMap<string, PartRecord>): PartChange =>
  new Map(
    [...to].map(([id, record]) => [
      id,
      record && { ...record, rev: Math.max(record.rev, now.get(id)?.rev ?? 0) + 1 },
    ]),
  );
