import { fromEntries } from '../drive/index.ts';
import Papa from 'papaparse';
import { error, type Refusal } from '../numbers/index.ts';
import {
  checkPart,
  isPartKind,
  newPart,
  partCell,
  partKindOf,
  partKinds,
  samePart,
  MAX_PARTS,
  PART_COLUMNS,
  type PartData,
  type PartKind,
  type PartKindId,
  type ShelfPart,
} from '../shelf/index.ts';
import { plainCell, writeCsv } from './csv.ts';

/** A line of a table from a spreadsheet or a CSV file: a part, or why it is none. */
export interface TableLine {
  /** in the text, the first is 1 */
  readonly line: number;
  readonly cells: Readonly<Record<TableColumn, string>>;
  readonly part: ShelfPart | null;
  readonly refusal: Refusal | null;
  /** the cell that cannot be read */
  readonly bad: TableColumn | null;
  /** the line of the shelf that is the same part: this one adds to what is owned */
  readonly addsTo: string | null;
  /** columns that say nothing: they stay unknown */
  readonly unknown: readonly TableColumn[];
}

export const TABLE_COLUMNS = ['kind', ...PART_COLUMNS] as const;
export type TableColumn = (typeof TABLE_COLUMNS)[number];

/** What people write over a column. The first word is what is written here. */
const HEADS: Readonly<Record<TableColumn, readonly string[]>> = {
  kind: ['kind', 'type'],
  name: ['name', 'part', 'item', 'description'],
  teeth: ['teeth', 'z', 'ratio', 'steps', 'lines', 'holes', 'modes', 'circles'],
  size: ['size', 'module', 'pitch', 'size (mm)', 'module (mm)', 'pitch (mm)'],
  bore: ['bore', 'shaft', 'hole', 'bore (mm)'],
  own: ['own', 'owned', 'quantity', 'qty', 'pieces', 'count', 'have'],
  price: ['price', '€ each', 'each', 'cost', 'price each', '€'],
  known: ['known', 'known by', 'provenance'],
  notes: ['notes', 'note', 'remarks'],
};

/** The order of columns where no line names them. */
const USUAL: readonly TableColumn[] = ['name', 'teeth', 'size', 'bore', 'own', 'price', 'notes'];

/** Kinds of part by the words of a pasted line: the first that fits decides. */
const byWords = (text: string): PartKind<PartData> | undefined =>
  Object.values(partKinds)
    .sort((x, y) => Number(x.pastedLast ?? false) - Number(y.pastedLast ?? false))
    .find((kind) => kind.pasted.test(text));

/**
 * The lines of a table, each read by itself: commas, semicolons or tabs, with a line of names over the columns or in the usual
 * order. `shelf` tells which are there already; `newId` names the new ones.
 */
export function readTable(
  text: string,
  shelf: readonly ShelfPart[],
  newId: () => string,
): readonly TableLine[] {
  const { data, meta } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/\s+$/, ''), {
    delimitersToGuess: ['\t', ';', ',', '|'],
    skipEmptyLines: false,
  });
  const heads = headsOf(data[0] ?? []);
  const rows = data
    .slice(heads ? 1 : 0, MAX_PARTS + 1)
    .map((row) => (meta.delimiter === ',' ? row : row.map(withPoint)));
  const first = heads ? 2 : 1;
  return rows.flatMap((row, i) =>
    row.every((cell) => cell.trim() === '')
      ? []
      : [readLine(first + i, cellsOf(row, heads ?? USUAL), shelf, newId)],
  );
}

/** Where commas do not part the cells, one between digits is a decimal comma. */
const withPoint = (cell: string): string => cell.replace(/^(\s*[€$£]?\s*-?\d+),(\d+)(?=\D*$)/, '$1.$2');

/** The columns that a first line names; null when it names none but holds a part. */
function headsOf(row: readonly string[]): readonly (TableColumn | null)[] | null {
  const columns = row.map(
    (cell) => TABLE_COLUMNS.find((c) => HEADS[c].includes(cell.trim().toLowerCase())) ?? null,
  );
  return columns.filter(Boolean).length >= Math.min(2, row.length) && columns.some(Boolean) ? columns : null;
}

function cellsOf(
  row: readonly string[],
  columns: readonly (TableColumn | null)[],
): Record<TableColumn, string> {
  const out = Object.fromEntries(TABLE_COLUMNS.map((c) => [c, ''])) as Record<TableColumn, string>;
  for (const [i, column] of columns.entries()) if (column) out[column] = plainCell((row[i] ?? '').trim());
  return out;
}

function readLine(
  line: number,
  cells: Readonly<Record<TableColumn, string>>,
  shelf: readonly ShelfPart[],
  newId: () => string,
): TableLine {
  const base = { line, cells, part: null, addsTo: null, unknown: [] };
  const kind = kindOfWords(cells);
  if (!kind)
    return {
      ...base,
      refusal: error('unknownKind', cells.kind || cells.name, { limit: Object.keys(partKinds).join(', ') })
        .refusal,
      bad: cells.kind ? 'kind' : 'name',
    };
  let part: ShelfPart = bare(newPart(kind, newId()), cells);
  const unknown: TableColumn[] = [];
  for (const column of PART_COLUMNS) {
    const cell = partCell(part, column);
    const text = column === 'name' ? nameLeft(cells, kind) : cells[column];
    if (!cell) continue;
    if (text === '' || text === '?' || text === '–') {
      if (text !== '' || ((column === 'bore' || column === 'size') && cells[column] === ''))
        unknown.push(column);
      if (column !== 'teeth') continue;
    }
    const read = cell.read(column === 'known' ? (KNOWN[text.toLowerCase()] ?? text) : text, part);
    if (!read.ok) return { ...base, refusal: read.refusal, bad: column };
    part = fromEntries<ShelfPart>(
      Object.entries({ ...part, ...read.value }).filter(([, v]) => v !== undefined && v !== ''),
    );
  }
  const refusal = checkPart(part);
  if (refusal) return { ...base, refusal, bad: 'teeth' };
  const same = shelf.find((p) => samePart(p, part));
  return { line, cells, part, refusal: null, bad: null, addsTo: same?.id ?? null, unknown };
}

const KNOWN: Readonly<Record<string, string>> = {
  counted: 'counted',
  'own file': 'ownFile',
  'data sheet': 'dataSheet',
  printed: 'printed',
  'printed, not counted': 'printed',
};

/** A new part without what the table is to say. */
function bare(part: ShelfPart, cells: Readonly<Record<TableColumn, string>>): ShelfPart {
  const {
    moduleMm: _m,
    pitchMm: _p,
    boreMm: _b,
    diameterMm: _d,
    ...rest
  } = part as ShelfPart & Record<string, unknown>;
  const made = madeOf(cells.name);
  const wheel = part.kind === 'wheel' || part.kind === 'changeWheel';
  const out: object = made && wheel ? { ...rest, madeOf: made } : rest;
  return out as ShelfPart;
}

function kindOfWords(cells: Readonly<Record<TableColumn, string>>): PartKindId | null {
  const given = cells.kind.trim();
  if (isPartKind(given)) return given;
  const byTitle = Object.values(partKinds).find((k) => k.title.toLowerCase() === given.toLowerCase());
  return ((byTitle ?? byWords(given || cells.name))?.kind as PartKindId | undefined) ?? null;
}

/** "Brass wheel" is made of brass; one word before the wheel, no more is guessed. */
const madeOf = (name: string): string | null =>
  /^(\w+) (wheel|pinion|gear|change wheel)$/i.exec(name.trim())?.[1]?.toLowerCase() ?? null;

/** What of the name is more than its kind: nothing of "Brass wheel", all of "Fat Bertha's wheel". */
function nameLeft(cells: Readonly<Record<TableColumn, string>>, kind: PartKindId): string {
  const { name } = cells;
  if (cells.kind || !name) return name;
  if ((kind === 'wheel' || kind === 'changeWheel') && madeOf(name)) return '';
  return name.replace(partKindOf({ kind }).pasted, '').trim() === '' ? '' : name;
}

/** The shelf as a table that `readTable` takes back. */
export function shelfCsv(parts: readonly ShelfPart[]): string {
  return writeCsv(
    TABLE_COLUMNS.map((c) => HEADS[c][0]!),
    parts.map((part) =>
      TABLE_COLUMNS.map((column) => {
        if (column === 'kind') return part.kind;
        if (column === 'known') return part.known ?? '';
        if (column === 'name' && !part.name) return '';
        return partCell(part, column)?.show(part) ?? '';
      }),
    ),
  );
}
