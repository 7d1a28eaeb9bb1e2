import Dexie, { liveQuery } from 'dexie';
import {
  amendDrive,
  checkPart,
  isRunState,
  refused,
  type Drive,
  type Refusal,
  type RunState,
  type ShelfPart,
} from '@pendrix/core';
import { declareVersions } from './versions.ts';

/** A drive as it is stored. `rev` counts its writes, so that another tab knows which is newer. */
export interface DriveRecord {
  readonly id: string;
  readonly drive: Drive;
  readonly rev: number;
  readonly createdAt: number;
  readonly touchedAt: number;
}

/** A run at the machine as it is stored. */
export interface RunRecord {
  readonly id: string;
  readonly driveId: string;
  readonly state: RunState;
  readonly touchedAt: number;
}

/** A line of the shelf as it is stored. */
export interface PartRecord {
  readonly id: string;
  readonly part: ShelfPart;
  /** its place in the list as it was put there */
  readonly place: number;
  readonly rev: number;
}

/** The browser's database, behind one door: plain data in and out, faults as refusals. */
export interface Storage {
  readonly drives: () => Promise<readonly DriveRecord[]>;
  readonly put: (record: DriveRecord) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
  readonly runs: () => Promise<readonly RunRecord[]>;
  readonly putRun: (run: RunRecord) => Promise<void>;
  readonly removeRun: (id: string) => Promise<void>;
  /** Tells of the drives and runs each time any tab has written some; gives back its own stop. */
  readonly watch: (
    told: (drives: readonly DriveRecord[], runs: readonly RunRecord[]) => void,
    failed: (fault: unknown) => void,
  ) => () => void;
  readonly parts: () => Promise<readonly PartRecord[]>;
  /** puts some lines and removes others, all in one */
  readonly changeParts: (put: readonly PartRecord[], remove: readonly string[]) => Promise<void>;
  readonly watchParts: (
    told: (parts: readonly PartRecord[]) => void,
    failed: (fault: unknown) => void,
  ) => () => void;
  readonly close: () => void;
}

/** Opens the database `name`. Each write is on the disk before it counts as saved. */
export function openStorage(name = 'pendrix'): Storage {
  const db = new Dexie(name, { chromeTransactionDurability: 'strict' });
  declareVersions(db);
  const drives = db.table<DriveRecord, string>('drives');
  const runs = db.table<RunRecord, string>('runs');
  const parts = db.table<PartRecord, string>('parts');
  /** revisions that were looked at and are good: an edit of one line must not have all looked at again */
  const good = new Map<string, number>();
  const isGood = ({ id, rev, part }: PartRecord): boolean => {
    if (good.get(id) === rev) return true;
    if (checkPart(part) !== null) return false;
    good.set(id, rev);
    return true;
  };
  const goodParts = async (): Promise<readonly PartRecord[]> => (await parts.toArray()).filter(isGood);
  /** what an earlier Pendrix wrote is brought to how it is written now */
  const allDrives = async (): Promise<readonly DriveRecord[]> =>
    (await drives.toArray()).map((r) => ({ ...r, drive: amendDrive(r.drive) }));
  const allRuns = async (): Promise<readonly RunRecord[]> =>
    (await runs.toArray()).filter((r) => isRunState(r.state));
  return {
    drives: allDrives,
    put: async (record) => {
      await drives.put(record);
    },
    remove: (id) => drives.delete(id),
    runs: allRuns,
    putRun: async (run) => {
      await runs.put(run);
    },
    removeRun: (id) => runs.delete(id),
    watch: (told, failed) => {
      const watching = liveQuery(async () => [await allDrives(), await allRuns()] as const).subscribe(
        ([d, r]) => told(d, r),
        failed,
      );
      return () => watching.unsubscribe();
    },
    parts: goodParts,
    changeParts: (put, remove) =>
      db.transaction('rw', parts, async () => {
        await parts.bulkDelete([...remove]);
        await parts.bulkPut([...put]);
        for (const { id, rev } of put) good.set(id, rev);
      }),
    watchParts: (told, failed) => {
      const watching = liveQuery(goodParts).subscribe(told, failed);
      return () => watching.unsubscribe();
    },
    close: () => db.close(),
  };
}

/** A fault of the database in the words of our refusals. */
export function storageRefusal(fault: unknown): Refusal {
  const name = fault instanceof Error ? fault.name : '';
  const inner = (fault as { inner?: { name?: string } } | null)?.inner?.name ?? '';
  if ([name, inner].includes('QuotaExceededError')) return refused('storageFull', '').refusal;
  if (name === 'VersionError' || name === 'DatabaseClosedError') return refused('storageNewer', '').refusal;
  if (['MissingAPIError', 'InvalidStateError', 'OpenFailedError', 'SecurityError'].includes(name))
    return refused('storageBlocked', '').refusal;
  return refused('storageFailed', name).refusal;
}
