import type Dexie from 'dexie';

/** One version of the database: its tables with their keys. Append-only; primary keys never change. */
interface Version {
  readonly version: number;
  readonly stores: Readonly<Record<string, string>>;
}

export const versions: readonly Version[] = [
  { version: 1, stores: { drives: 'id', runs: 'id, driveId' } },
  { version: 2, stores: { parts: 'id' } },
  { version: 3, stores: { steps: 'id' } },
  // which database this is: one that was deleted and made anew is another
  { version: 4, stores: { about: 'id' } },
];

/** The newest version that is known here. */
export const NEWEST = Math.max(...versions.map((v) => v.version));

export function declareVersions(db: Dexie): void {
  for (const v of versions) db.version(v.version).stores({ ...v.stores });
}
