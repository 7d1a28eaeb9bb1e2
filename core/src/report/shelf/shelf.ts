import { wheelSearch, type StageKindId } from '../../drive/index.ts';
import { add, compare, exactly, decimal, mul, rational, ZERO, type Rational } from '../../numbers/index.ts';
import {
  left,
  partCell,
  partKindOf,
  partKinds,
  partLabel,
  shelfGroups,
  type Known,
  type ShelfGroup,
  type ShelfPart,
  type Use,
} from '../../shelf/index.ts';
import { grouped, listed, measured } from '../../words/index.ts';

/** By what the lines of a section are put in order. */
export type ShelfSort = 'teeth' | 'name' | 'size' | 'bore' | 'own' | 'used' | 'price' | 'known';

/** What of the shelf is looked at. */
export interface ShelfView {
  /** groups that are shown; none of them named is all */
  readonly groups: readonly ShelfGroup[];
  /** words or numbers that must be in a line */
  readonly filter: string;
  readonly sort: ShelfSort;
  readonly down: boolean;
}

/** One line as the list shows it. */
export interface ShelfRow {
  readonly id: string;
  readonly part: ShelfPart;
  /** the section it stands in: its kind, of wheels with their module or pitch */
  readonly section: string;
  readonly label: string;
  /** as the cells show it: with a unit beside it, or nothing */
  readonly teeth: string;
  readonly size: string;
  readonly bore: string;
  readonly own: string;
  readonly used: number;
  /** more in use than owned */
  readonly short: boolean;
  readonly price: string;
  readonly known: Known;
  readonly knownMessage: string;
  /** counted: in order; by a label: only nearly; else something between */
  readonly knownMark: 'dot' | 'ring' | 'diamond';
  /** "Tide dial", "2 drives" */
  readonly usedBy: string;
}

/** Lines of one kind and size under one head. */
export interface ShelfSection {
  readonly key: string;
  readonly title: string;
  readonly message: string;
  readonly rows: readonly ShelfRow[];
}

export interface ShelfReport {
  readonly groups: readonly { readonly id: ShelfGroup; readonly title: string; readonly lines: number }[];
  readonly sections: readonly ShelfSection[];
  readonly lines: number;
  readonly pieces: number;
  readonly inUse: number;
  readonly worth: string;
  readonly worthMessage: string;
}

const KNOWN: Readonly<Record<Known, readonly [string, ShelfRow['knownMark']]>> = {
  counted: ['counted', 'dot'],
  ownFile: ['own file', 'ring'],
  dataSheet: ['data sheet', 'ring'],
  printed: ['printed, not counted', 'diamond'],
};

/** The shelf as its list: groups with their counts, lines under heads of one kind and size, what it comes to. */
export function shelfReport(
  parts: readonly ShelfPart[],
  uses: ReadonlyMap<string, readonly Use[]>,
  view: ShelfView,
): ShelfReport {
  const lines = new Map<ShelfGroup, number>();
  for (const part of parts) {
    const { group } = partKindOf(part);
    lines.set(group, (lines.get(group) ?? 0) + 1);
  }
  const groups = (Object.keys(shelfGroups) as ShelfGroup[]).map((id) => ({
    id,
    title: shelfGroups[id],
    lines: lines.get(id) ?? 0,
  }));
  const wanted = view.filter.toLowerCase().split(/\s+/).filter(Boolean);
  const rows = ordered(parts, uses, view).filter(({ part }) => {
    if (view.groups.length > 0 && !view.groups.includes(partKindOf(part).group)) return false;
    const text = wanted.length === 0 ? '' : wordsOf(part);
    return wanted.every((word) => text.includes(word));
  });
  const shown = rows.map((r) => r.part);
  const owned = shown.filter((p) => p.price !== undefined);
  const priced = owned.reduce((n, p) => n + p.own, 0);
  const pieces = shown.reduce((n, p) => n + p.own, 0);
  return {
    groups,
    sections: sectionsOf(rows),
    lines: shown.length,
    pieces,
    inUse: rows.reduce((n, r) => n + r.used, 0),
    worth: grouped(decimal(worthOf(owned), 2)),
    worthMessage:
      priced === pieces
        ? 'Every piece has a price.'
        : `Worth counts ${grouped(String(priced))} priced pieces; the others have no price.`,
  };
}

/** What priced pieces come to; equal prices are taken together, for exact sums of thousands take long. */
function worthOf(priced: readonly ShelfPart[]): Rational {
  const pieces = new Map<string, number>();
  for (const p of priced) pieces.set(p.price!, (pieces.get(p.price!) ?? 0) + p.own);
  return [...pieces].reduce<Rational>(
    (sum, [price, count]) => add(sum, mul(exactly(price), rational(count))),
    ZERO,
  );
}

/** What a filter looks through, as it was last made: a key in the filter asks every line again. */
const words = new WeakMap<ShelfPart, string>();

function wordsOf(part: ShelfPart): string {
  let text = words.get(part);
  if (text === undefined) {
    text = [
      partKindOf(part).title,
      partLabel(part),
      part.notes ?? '',
      'madeOf' in part ? (part.madeOf ?? '') : '',
      partCell(part, 'teeth')?.show(part) ?? '',
      KNOWN[part.known ?? 'counted'][0],
    ]
      .join(' ')
      .toLowerCase();
    words.set(part, text);
  }
  return text;
}

const UNUSED: readonly Use[] = [];

/** Rows as they were last made, by what they are made of: an edit of one line makes one row anew. */
const made = new WeakMap<ShelfPart, { readonly uses: readonly Use[]; readonly row: ShelfRow }>();

function rowOf(part: ShelfPart, uses: readonly Use[]): ShelfRow {
  const known = made.get(part);
  if (known?.uses === uses) return known.row;
  const row = newRow(part, uses);
  made.set(part, { uses, row });
  return row;
}

function newRow(part: ShelfPart, uses: readonly Use[]): ShelfRow {
  const { used } = left(part, uses);
  const known = part.known ?? 'counted';
  const [knownMessage, knownMark] = KNOWN[known];
  const cell = (column: 'teeth' | 'size' | 'bore'): string => partCell(part, column)?.show(part) ?? '';
  const wheel = partKindOf(part).wheel?.(part) ?? null;
  return {
    id: part.id,
    part,
    section: wheel ? `${part.kind} ${wheel.sizeMm}` : part.kind,
    label: partLabel(part),
    teeth: cell('teeth'),
    size: cell('size'),
    bore: cell('bore'),
    own: grouped(String(part.own)),
    used,
    short: used > part.own,
    price: part.price ?? '',
    known,
    knownMessage,
    knownMark,
    usedBy: uses.length === 0 ? '' : uses.length === 1 ? uses[0]!.drive : `${uses.length} drives`,
  };
}

/** "2 of 3 used by Tide dial and Orrery wheel cutter" */
export function usedMessage(part: ShelfPart, uses: readonly Use[]): string {
  const { used } = left(part, uses);
  if (used === 0)
    return part.own === 1 ? 'The one is free.' : `None of ${grouped(String(part.own))} is in use.`;
  const by = listed(uses.map((u) => (uses.length > 1 ? `${u.drive} (${u.count})` : u.drive)));
  return `${grouped(String(used))} of ${grouped(String(part.own))} used by ${by}`;
}

/** Sections of rows that are in their order already, in the order of kinds, wheels and belt wheels apart by module and pitch. */
function sectionsOf(rows: readonly ShelfRow[]): readonly ShelfSection[] {
  const sections = new Map<string, { title: string; order: number; size: number; rows: ShelfRow[] }>();
  const order = Object.keys(shelfGroups);
  for (const row of rows) {
    const known = sections.get(row.section);
    if (known) {
      known.rows.push(row);
      continue;
    }
    const kind = partKindOf(row.part);
    const wheel = kind.wheel?.(row.part) ?? null;
    sections.set(row.section, {
      title: titleOf(kind, wheel),
      order: order.indexOf(kind.group),
      size: wheel?.sizeMm ?? 0,
      rows: [row],
    });
  }
  return [...sections]
    .sort(
      ([ka, a], [kb, b]) => a.order - b.order || kindRank(ka) - kindRank(kb) || b.rows.length - a.rows.length,
    )
    .map(([key, s]) => ({
      key,
      title: s.title,
      message: `${s.rows.length === 1 ? '1 line' : `${grouped(String(s.rows.length))} lines`}, ${piecesSay(s.rows)}`,
      rows: s.rows,
    }));
}

const kindOrder = Object.keys(partKinds);
const kindRank = (key: string): number => kindOrder.indexOf(key.split(' ')[0]!);

function piecesSay(rows: readonly ShelfRow[]): string {
  const pieces = rows.reduce((n, r) => n + r.part.own, 0);
  return pieces === 1 ? '1 piece' : `${grouped(String(pieces))} pieces`;
}

function titleOf(
  { title, plural = `${title}s` }: { readonly title: string; readonly plural?: string },
  wheel: { readonly pair: StageKindId; readonly sizeMm: number | null } | null,
): string {
  if (!wheel) return plural;
  const { size, unit } = wheelSearch(wheel.pair)!;
  if (wheel.sizeMm === null) return `${plural}, ${size} unknown`;
  return `${plural}, ${size} ${measuredSize(wheel.sizeMm)}${unit ? ` ${unit}` : ''}`;
}

const measuredSize = (mm: number): string =>
  Number.isInteger(mm) ? String(mm) : measured(mm).replace(/0+$/, '');

/** Numbers in words by their size: 9 before 36. Made once, for it is asked thousands of times. */
const collator = new Intl.Collator('en', { numeric: true });
const inOrder = (a: string, b: string): number =>
  a === b ? 0 : Number(a) - Number(b) || collator.compare(a, b);

/** The whole shelf as it was last put in order: a key in the filter takes lines away, and leaves the order. */
let last: {
  readonly parts: readonly ShelfPart[];
  readonly uses: ReadonlyMap<string, readonly Use[]>;
  readonly sort: ShelfSort;
  readonly down: boolean;
  readonly rows: readonly ShelfRow[];
} | null = null;

function ordered(
  parts: readonly ShelfPart[],
  uses: ReadonlyMap<string, readonly Use[]>,
  { sort, down }: ShelfView,
): readonly ShelfRow[] {
  if (last?.parts === parts && last.uses === uses && last.sort === sort && last.down === down)
    return last.rows;
  const rows = sorted(
    parts.map((part) => rowOf(part, uses.get(part.id) ?? UNUSED)),
    sort,
    down,
  );
  last = { parts, uses, sort, down, rows };
  return rows;
}

function sorted(rows: readonly ShelfRow[], sort: ShelfSort, down: boolean): readonly ShelfRow[] {
  const by = (a: ShelfRow, b: ShelfRow): number => {
    switch (sort) {
      case 'name':
        return inOrder(a.label, b.label);
      case 'own':
        return a.part.own - b.part.own;
      case 'used':
        return a.used - b.used;
      case 'price':
        return compare(exactly(a.price || '-1'), exactly(b.price || '-1'));
      case 'known':
        return inOrder(a.knownMessage, b.knownMessage);
      case 'teeth':
      case 'size':
      case 'bore':
        return inOrder(a[sort], b[sort]);
    }
  };
  const out = [...rows].sort((a, b) => by(a, b) || inOrder(a.teeth, b.teeth));
  return down ? out.reverse() : out;
}
