import { error, ok } from '../../numbers/index.ts';
import { logFault, type LogEntry } from '../log.ts';
import { designDiffers, designOf, MAX_REVISIONS, withDesign } from '../revisions.ts';
import type { Drive, Revision } from '../drive.ts';
import type { EditKind } from './edit.ts';

export interface SetLog {
  readonly do: 'log';
  /** one entry, put in or in the place of the one of its id; or taken away by its id */
  readonly entry?: LogEntry;
  readonly remove?: string;
  readonly message: string;
}

/** An entry of the log is written, changed or taken away. (handbook: run, the log) */
export const log: EditKind<SetLog> = {
  id: 'log',
  apply: (drive, { entry, remove }) => {
    const before = drive.log ?? [];
    const id = entry?.id ?? remove;
    const at = before.findIndex((e) => e.id === id);
    const others = before.filter((e) => e.id !== id);
    const after = entry
      ? at < 0
        ? [...before, entry]
        : before.map((e, i) => (i === at ? entry : e))
      : others;
    const refusal = logFault(after);
    if (refusal) return { ok: false, refusal };
    const { log: _, ...rest } = drive;
    return ok(after.length === 0 ? rest : { ...rest, log: after });
  },
  label: ({ message }) => message,
};

export interface KeepRevision {
  readonly do: 'keep';
  readonly reason: string;
  readonly at: string;
}

const withRevision = (drive: Drive, more: Pick<Revision, 'reason' | 'at' | 'backTo'>): Drive => {
  const before = drive.revisions ?? [];
  return { ...drive, revisions: [...before, { n: before.length + 1, design: designOf(drive), ...more }] };
};

/** The design as it stands is kept with its reason. */
export const keep: EditKind<KeepRevision> = {
  id: 'keep',
  apply: (drive, { reason, at }) => {
    if (reason.trim() === '') return error('empty', reason, { example: 'the worm bound once a turn' });
    const last = drive.revisions?.at(-1);
    if (last && !designDiffers(last.design, designOf(drive))) return error('sameDesign', String(last.n));
    if ((drive.revisions?.length ?? 0) >= MAX_REVISIONS)
      return error('tooLarge', String(MAX_REVISIONS + 1), {
        limit: String(MAX_REVISIONS),
        unit: 'revisions',
      });
    return ok(withRevision(drive, { reason: reason.trim().slice(0, 500), at }));
  },
  label: ({ reason }) => `revision: ${reason}`,
};

export interface GoBack {
  readonly do: 'goBack';
  readonly to: number;
  readonly at: string;
}

/**
 * An earlier design again, as a revision of its own. What was not kept is kept first, and what came after the earlier one is marked as taken
 * back: nothing is lost. (handbook: run, the log)
 */
export const goBack: EditKind<GoBack> = {
  id: 'goBack',
  apply: (drive, { to, at }) => {
    const target = drive.revisions?.find((r) => r.n === to);
    if (!target) return error('noRevision', String(to), { limit: String(drive.revisions?.length ?? 0) });
    const last = drive.revisions!.at(-1)!;
    const unkept = designDiffers(last.design, designOf(drive));
    const kept = unkept
      ? withRevision(drive, { reason: `as it stood before going back to ${to}`, at })
      : drive;
    if (kept.revisions!.length >= MAX_REVISIONS)
      return error('tooLarge', String(MAX_REVISIONS + 1), {
        limit: String(MAX_REVISIONS),
        unit: 'revisions',
      });
    if (!designDiffers(target.design, designOf(kept))) return error('sameDesign', String(to));
    const marked = kept.revisions!.map((r) => (r.n > to && !r.backTo ? { ...r, takenBack: true } : r));
    const back = withDesign({ ...kept, revisions: marked }, target.design);
    return ok(
      withRevision(back, { reason: `back to ${to}: ${target.reason}`.slice(0, 500), at, backTo: to }),
    );
  },
  label: ({ to }) => `back to revision ${to}`,
};
