import { dataOf } from '../drive/index.ts';
import { isNegative, readNumber, error, ok, toText, type Result } from '../numbers/index.ts';
import {
  readInput,
  showInput,
  type InputSpec,
  type InputValue,
  type Source,
  type Stage,
  type StageKindId,
} from '../drive/index.ts';

/** How what is said of a part came to be known. Only what was counted, or made by oneself, is more than a label. */
export type Known = 'counted' | 'ownFile' | 'dataSheet' | 'printed';

/** A line of the shelf: so many of one part. Keys that this version does not know stay in it. (docs: formats) */
export interface PartData {
  readonly id: string;
  readonly kind: string;
  readonly own: number;
  readonly name?: string;
  /** for one of them, exact text, 0 or more */
  readonly price?: string;
  readonly known?: Known;
  readonly notes?: string;
}

/** The groups of the list, in its order. */
export const shelfGroups = {
  wheels: 'Wheels',
  changeWheels: 'Change wheels',
  belts: 'Belts, belt wheels',
  worms: 'Worms',
  boxes: 'Boxes',
  planetary: 'Planetary',
  motors: 'Motors, encoders',
  drivers: 'Drivers',
  plates: 'Plates, dials',
  bearings: 'Bearings, shafts',
} as const;

export type ShelfGroup = keyof typeof shelfGroups;

/** A cell of the list: what it shows of a part, and what it makes of what is typed into it. */
export interface PartCell<D> {
  readonly label: string;
  readonly show: (part: D) => string;
  readonly unit?: string;
  /** the keys it sets */
  readonly read: (text: string, part: D) => Result<Readonly<Record<string, InputValue | undefined>>>;
}

/** Everything the shelf knows of one kind of part. To add a kind: one file with this, one line in the registry. */
export interface PartKind<D extends PartData> {
  readonly kind: D['kind'];
  readonly title: string;
  /** a head over several of them; the title with an s unless said */
  readonly plural?: string;
  readonly group: ShelfGroup;
  /** words by which a pasted line is known for one: the first kind that fits decides, and one that is `pastedLast` after all others */
  readonly pasted: RegExp;
  readonly pastedLast?: true;
  /** what a new one says of itself */
  readonly fresh: Readonly<Record<string, InputValue>>;
  readonly inputs: readonly InputSpec[];
  readonly cells: {
    readonly teeth: PartCell<D> | null;
    readonly size: PartCell<D> | null;
    readonly bore: PartCell<D> | null;
  };
  /** as the maker would call it when it has no name */
  readonly label: (part: D) => string;
  /** what is wrong with it beyond its single inputs */
  readonly refuse?: (part: D) => Result<null>;
  /** wheels that pairs can be made of */
  readonly wheel?: (part: D) => {
    readonly pair: StageKindId;
    readonly teeth: number;
    readonly sizeMm: number | null;
    readonly boreMm: number | null;
  };
  /** a stage as it is */
  readonly stage?: (part: D) => Stage;
  /** a source; what it does not say stays as it was */
  readonly source?: (part: D, before: Source) => Source;
}

/** The cell of one input. An optional one that is emptied is unknown. */
export function cellOf<D extends PartData>(spec: InputSpec): PartCell<D> {
  return {
    label: spec.label,
    ...(spec.unit && spec.unit !== 'teeth' && { unit: spec.unit }),
    show: (part) => {
      const value = dataOf(part)[spec.key];
      return value === undefined ? '' : showInput(spec, value);
    },
    read: (text) => {
      if (spec.optional && /^\s*[?–-]?\s*$/.test(text)) return ok({ [spec.key]: undefined });
      const read = readInput(spec, text);
      return read.ok ? ok({ [spec.key]: read.value }) : read;
    },
  };
}

export const boreInput = (label = 'Bore'): InputSpec => ({
  type: 'size',
  key: 'boreMm',
  label,
  unit: 'mm',
  min: 0.1,
  max: 500,
  default: null,
  optional: true,
});

export const sizeInput = (key: string, label: string): InputSpec => ({
  type: 'size',
  key,
  label,
  unit: 'mm',
  min: 0.01,
  max: 2000,
  default: null,
  optional: true,
});

export const textInput = (key: string, label: string, max: number): InputSpec => ({
  type: 'text',
  key,
  label,
  max,
  default: '',
  optional: true,
});

export const toothInput = (key: string, label: string, min: number): InputSpec => ({
  type: 'count',
  key,
  label,
  unit: 'teeth',
  min,
  max: 2000,
  default: 24,
});

/** What any part carries. */
export const commonPartInputs: readonly InputSpec[] = [
  textInput('name', 'Name', 60),
  { type: 'count', key: 'own', label: 'Own', min: 0, max: 1_000_000, default: 1 },
  {
    type: 'choice',
    key: 'known',
    label: 'Known by',
    options: [
      { value: 'counted', title: 'counted' },
      { value: 'ownFile', title: 'own file' },
      { value: 'dataSheet', title: 'data sheet' },
      { value: 'printed', title: 'printed, not counted' },
    ],
    default: 'counted',
    optional: true,
  },
  textInput('notes', 'Notes', 500),
];

const MAX_PRICE = 15;

/** A price, kept as it was written: "5.90"; nothing, a dash or words for own work are no price. */
export function readPrice(text: string): Result<string | undefined> {
  if (/^\s*([?–-]|own work)?\s*$/i.test(text)) return ok(undefined);
  const read = readNumber(text.replace(/^\s*€\s*|\s*€\s*$/g, ''));
  if (!read.ok) return { ok: false, refusal: { ...read.refusal, example: '5.90' } };
  if (isNegative(read.value)) return error('negative', text, { example: '5.90' });
  const kept = text.trim().replace(/^€\s*|\s*€$/g, '');
  if (kept.length > MAX_PRICE) return error('tooLong', text, { limit: String(MAX_PRICE) });
  return ok(/^\d+(\.\d+)?$/.test(kept) ? kept : toText(read.value));
}
