import type { Workshop } from '@pendrix/core/files/index';
import {
  amendDrive,
  checkPart,
  driveFault,
  isPartKind,
  isAnyRun,
  partLabel,
  runName,
  error,
  ok,
  type AnyRun,
  type Drive,
  type Refusal,
  type Result,
  type ShelfPart,
} from '@pendrix/core';

/** What every record has. `rev` counts its writes, whichever tab made them: it tells which of two is newer, the clock never does. */
interface RecordBase {
  readonly id: string;
  readonly rev: number;
}

/** A drive as it is stored. */
export interface DriveRecord extends RecordBase {
  readonly drive: Drive;
  /** milliseconds since 1970, to be shown only */
  readonly createdAt: number;
  readonly touchedAt: number;
}

/** A line of the shelf as it is stored. */
export interface PartRecord extends RecordBase {
  readonly part: ShelfPart;
  /** its place in the list as it was put there */
  readonly place: number;
}

/** A run at the machine as it is stored. */
export interface RunRecord extends RecordBase {
  readonly driveId: string;
  /** which blank it is, in the maker's words */
  readonly name: string;
  readonly state: AnyRun;
  /** put aside before its last gap; it can be taken up again */
  readonly ended: boolean;
  /** milliseconds since 1970, to be shown only */
  readonly touchedAt: number;
}

/** The record of each kind. */
export interface Rows {
  readonly drive: DriveRecord;
  readonly part: PartRecord;
  readonly run: RunRecord;
}
export type KindId = keyof Rows;
export type Row = Rows[KindId];
export type Table<K extends KindId> = ReadonlyMap<string, Rows[K]>;

/** One kind of record: where it is kept, how it is checked and brought to how it is written now, and what it is called. */
interface RecordKind<R extends RecordBase> {
  /** its table in the database */
  readonly table: string;
  /** what people call it: "drive" */
  readonly title: string;
  /** what came out of the database, migrated and checked; nothing else reaches the application */
  readonly read: (raw: Data) => Result<R>;
  readonly nameOf: (record: R) => string;
  /** a later write of the same content, stamped */
  readonly stamped: (record: R, rev: number, now: number) => R;
  /** its list in a workshop file, which is what a backup is */
  readonly list: keyof Workshop;
  /** the order it is backed up in */
  readonly before: (a: R, b: R) => number;
  /** what a backup holds of it; `place` is where its drive stands in the same file. Null for what belongs to nothing there */
  readonly kept: (
    record: R,
    place: (driveId: string) => number | undefined,
  ) => Workshop[keyof Workshop][number] | null;
  /** another tab wrote it since: true when this tab must not write over it but ask */
  readonly asks?: true;
}

type Data = Readonly<Record<string, unknown>>;

const number = (value: unknown, otherwise: number): number =>
  typeof value === 'number' && Number.isFinite(value) ? value : otherwise;

/** Every kind of record. One line a kind. */
export const kinds: { readonly [K in KindId]: RecordKind<Rows[K]> } = {
  drive: {
    table: 'drives',
    title: 'drive',
    read: (raw) => {
      const given = raw['drive'];
      const drive = typeof given === 'object' && given !== null ? amendDrive(given) : given;
      const fault = driveFault(drive);
      if (fault) return { ok: false, refusal: fault };
      return ok({
        id: String(raw['id']),
        rev: number(raw['rev'], 1),
        drive: drive as Drive,
        createdAt: number(raw['createdAt'], 0),
        touchedAt: number(raw['touchedAt'], 0),
      });
    },
    nameOf: (record) => record.drive.name,
    list: 'drives',
    before: (a, b) => b.touchedAt - a.touchedAt,
    kept: (record) => record.drive,
    stamped: (record, rev, now) => ({ ...record, rev, touchedAt: now }),
  },
  part: {
    table: 'parts',
    title: 'shelf line',
    read: (raw) => {
      const part = raw['part'] as ShelfPart | undefined;
      if (typeof part !== 'object' || part === null || !isPartKind(part.kind))
        return error('unknownKind', String(part?.kind), { path: 'kind' });
      const fault = checkPart(part);
      if (fault) return { ok: false, refusal: fault };
      return ok({
        id: String(raw['id']),
        rev: number(raw['rev'], 1),
        part,
        place: number(raw['place'], 0),
      });
    },
    nameOf: (record) => partLabel(record.part),
    list: 'parts',
    before: (a, b) => a.place - b.place,
    kept: (record) => record.part,
    stamped: (record, rev) => ({ ...record, rev }),
  },
  run: {
    table: 'runs',
    title: 'run',
    read: (raw) => {
      const { state, driveId, name, ended } = raw;
      if (!isAnyRun(state)) return error('badValue', 'run', { path: 'state' });
      return ok({
        id: String(raw['id']),
        rev: number(raw['rev'], 1),
        driveId: String(driveId),
        name: typeof name === 'string' && name !== '' ? name : runName(state),
        state,
        ended: ended === true,
        touchedAt: number(raw['touchedAt'], 0),
      });
    },
    nameOf: (record) => record.name,
    list: 'runs',
    before: () => 0,
    kept: ({ driveId, name, state, ended }, place) => {
      const drive = place(driveId);
      return drive === undefined ? null : { drive, name, state, ended };
    },
    stamped: (record, rev, now) => ({ ...record, rev, touchedAt: now }),
    asks: true,
  },
};

export const kindIds = Object.keys(kinds) as KindId[];

/** Any row with what its kind knows. The registry pairs each kind with its own record, which the compiler cannot follow through a lookup. */
export const kindOfRow = (kind: KindId): RecordKind<Row> => kinds[kind] as unknown as RecordKind<Row>;

/** A record that this version cannot read: kept as it was found, apart from the others. */
export interface Apart {
  readonly kind: KindId;
  readonly id: string;
  /** as well as it can be told */
  readonly name: string;
  readonly why: Refusal;
  readonly raw: unknown;
}

/** Checks one row of a table: a record, or why it is set apart. A check that itself fails on what it finds sets it apart too. */
export function readRow(kind: KindId, raw: unknown): Row | Apart {
  const data = (typeof raw === 'object' && raw !== null ? raw : {}) as Data;
  const id = typeof data['id'] === 'string' ? data['id'] : JSON.stringify(data['id'] ?? null);
  const apart = (why: Refusal): Apart => ({ kind, id, name: nameOfRaw(data) ?? id, why, raw });
  try {
    const read = kindOfRow(kind).read(data);
    return read.ok ? read.value : apart(read.refusal);
  } catch (fault) {
    return apart(error('badValue', fault instanceof Error ? fault.name : '').refusal);
  }
}

export const isApart = (row: Row | Apart): row is Apart => 'why' in row;

/** A name that stands somewhere in what cannot be read. */
function nameOfRaw(data: Data): string | null {
  for (const at of [data, data['drive'], data['part']]) {
    const name = (at as Data | null | undefined)?.['name'];
    if (typeof name === 'string' && name !== '') return name;
  }
  return null;
}
