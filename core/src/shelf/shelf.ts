import { fromEntries } from '../drive/index.ts';
import { error, ok, type Refusal, type Result } from '../numbers/index.ts';
import { refusalOf, type InputSpec, type InputValue } from '../drive/index.ts';
import { isPartKind, partKindOf, type PartKindId, type ShelfPart } from './kinds/index.ts';
import { cellOf, commonPartInputs, readPrice, type PartCell, type PartData } from './part.ts';

/** Most lines of a shelf. */
export const MAX_PARTS = 20_000;

/** The columns of the list that can be written in. */
export const PART_COLUMNS = ['name', 'teeth', 'size', 'bore', 'own', 'price', 'known', 'notes'] as const;
export type PartColumn = (typeof PART_COLUMNS)[number];

const price: PartCell<PartData> = {
  label: 'Price',
  show: (part) => part.price ?? '',
  read: (text) => {
    const read = readPrice(text);
    return read.ok ? ok({ price: read.value }) : read;
  },
};

const common = new Map(commonPartInputs.map((i) => [i.key, cellOf<PartData>(i)]));

/** The cell of a column for a part; null when parts of its kind have none. */
export function partCell(part: PartData, id: PartColumn): PartCell<PartData> | null {
  if (id === 'teeth' || id === 'size' || id === 'bore') return partKindOf(part).cells[id];
  return id === 'price' ? price : common.get(id)!;
}

export const partInputs = (part: PartData): readonly InputSpec[] => [
  ...partKindOf(part).inputs,
  ...commonPartInputs,
];

/** What it is called: its name, or what its kind makes of it. */
export const partLabel = (part: PartData): string => part.name || partKindOf(part).label(part);

/** A part with something typed into one of its cells; refused, and the part as it was, when it cannot be read. */
export function editPart(part: ShelfPart, cell: PartColumn, text: string): Result<ShelfPart> {
  const at = partCell(part, cell);
  if (!at) return error('unknownEdit', cell);
  const read = at.read(text, part);
  if (!read.ok) return read;
  const after = withValues(part, read.value);
  const refusal = checkPart(after);
  return refusal ? { ok: false, refusal: { ...refusal, path: '' } } : ok(after);
}

/** A part with something typed into one of its inputs, as in the panel beside the list. */
export function editPartInput(part: ShelfPart, key: string, text: string): Result<ShelfPart> {
  const column = PART_COLUMNS.find((c) => c === key);
  if (column) return editPart(part, column, text);
  const spec = partInputs(part).find((i) => i.key === key);
  if (!spec) return error('unknownEdit', key);
  const read = cellOf<PartData>(spec).read(text, part);
  if (!read.ok) return read;
  const after = withValues(part, read.value);
  const refusal = checkPart(after);
  return refusal ? { ok: false, refusal: { ...refusal, path: '' } } : ok(after);
}

/** What is unknown is not there: an empty key would be a value of its own in a file. */
function withValues(part: ShelfPart, values: Readonly<Record<string, InputValue | undefined>>): ShelfPart {
  const all = { ...part, ...values };
  return fromEntries<ShelfPart>(Object.entries(all).filter(([, v]) => v !== undefined && v !== ''));
}

/** A new line of a kind with the least that must be said of it. */
export function newPart(kind: PartKindId, id: string): ShelfPart {
  return { id, kind, own: 1, known: 'counted', ...partKindOf({ kind }).fresh } as unknown as ShelfPart;
}

/** What is wrong with a part as a file holds it, by its place; null when nothing is. */
export function checkPart(part: PartData): Refusal | null {
  if (!isPartKind(part.kind)) return error('unknownKind', part.kind, { path: 'kind' }).refusal;
  const refusal = refusalOf(partInputs(part), { ...part });
  if (refusal) return refusal;
  if (part.price !== undefined) {
    const read = typeof part.price === 'string' ? readPrice(part.price) : null;
    if (!read) return error('notExact', JSON.stringify(part.price), { path: 'price' }).refusal;
    if (!read.ok) return { ...read.refusal, path: 'price' };
  }
  const whole = partKindOf(part).refuse?.(part);
  return whole && !whole.ok ? whole.refusal : null;
}

/** What makes two lines the same part, so that a pasted one adds to what is owned. */
export function samePart(a: ShelfPart, b: ShelfPart): boolean {
  const of = (p: ShelfPart): string =>
    JSON.stringify(
      Object.entries(p)
        .filter(([key]) => !['id', 'own', 'price', 'known', 'notes'].includes(key))
        .sort(([x], [y]) => (x < y ? -1 : 1)),
    );
  return of(a) === of(b);
}
