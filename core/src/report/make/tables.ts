import type { Drive } from '../../drive/index.ts';
import type { ShelfPart } from '../../shelf/index.ts';
import { BELT_HEAD, beltRows } from './belts.ts';
import { BUILD_HEAD, buildRows } from './build.ts';
import { WHEEL_HEAD, wheelRows, WORK_HEAD, workRows } from './cut-list.ts';
import { FIT_HEAD, fitRows, PARTS_HEAD, partsRows } from './fits.ts';

/** What a table of Make is made from besides the drive: the shelf, and how many shafts belong to another train. */
export interface MadeFrom {
  readonly shelf?: readonly ShelfPart[];
  readonly shared?: number | null;
}

/** A table of what is to be made, as it stands on the page, on paper and in files. */
export interface MadeTable {
  /** its file: "wheels" is wheels.csv */
  readonly id: string;
  readonly title: string;
  readonly head: readonly string[];
  readonly rows: (drive: Drive, from?: MadeFrom) => readonly (readonly string[])[];
}

/** All tables of Make, in the order they are read. One line a table; sheet, pack, CSV and terminal ask them. */
const TABLES: readonly MadeTable[] = [
  {
    id: 'parts',
    title: 'Parts',
    head: PARTS_HEAD,
    rows: (drive, { shelf = [], shared = null } = {}) =>
      drive.train.stages.length > 0 ? partsRows(drive, shelf, shared) : [],
  },
  {
    id: 'fits',
    title: 'Fits',
    head: FIT_HEAD,
    rows: (drive, { shared = null } = {}) => (drive.train.stages.length > 0 ? fitRows(drive, shared) : []),
  },
  { id: 'wheels', title: 'Wheels of the train', head: WHEEL_HEAD, rows: (drive) => wheelRows(drive) },
  { id: 'work', title: 'Wheels of the work', head: WORK_HEAD, rows: workRows },
  { id: 'belts', title: 'Belts', head: BELT_HEAD, rows: beltRows },
  {
    id: 'build',
    title: 'Build',
    head: BUILD_HEAD,
    rows: ({ build }) => buildRows(build?.steps ?? []),
  },
  {
    id: 'setup',
    title: 'Set-up at the machine',
    head: BUILD_HEAD,
    rows: ({ setup }) => buildRows(setup?.steps ?? []),
  },
];

/** A table with its rows. */
export type FilledTable = Omit<MadeTable, 'rows'> & { readonly rows: readonly (readonly string[])[] };

/** The tables that a drive has something in. */
export const madeTables = (drive: Drive, from: MadeFrom = {}): readonly FilledTable[] =>
  TABLES.map((t) => ({ ...t, rows: t.rows(drive, from) })).filter((t) => t.rows.length > 0);
