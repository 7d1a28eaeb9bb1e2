import { dataOf } from '../../drive/index.ts';
import { ok } from '../../numbers/index.ts';
import { kindOf, stages, type Owned, type Stage, type StageKindId } from '../../drive/index.ts';
import { boreInput, cellOf, shelfGroups, type PartData, type PartKind, type ShelfGroup } from '../part.ts';

/** A whole stage on the shelf. What it says beside this is what its kind of stage says of it (`owned` in drive/stages). */
export interface WholePart extends PartData {
  readonly kind: StageKindId;
  readonly boreMm?: number;
}

/** The kind of part for a kind of stage that is owned whole: a worm with its wheel, a gearbox. Null where it is not. */
function wholePart(kind: StageKindId): PartKind<WholePart> | null {
  const { owned, refuse } = kindOf({ kind });
  if (!owned) return null;
  const { inputs, rest, teeth, size } = owned as Owned<object>;
  const bore = boreInput(owned.bore);
  const counted = ({ known }: PartData): boolean => known === 'counted' || known === 'ownFile';
  const stage = (part: WholePart): Stage => {
    const said = Object.fromEntries(
      inputs.flatMap(({ key }) => {
        const value = dataOf(part)[key];
        return value === undefined ? [] : [[key, value]];
      }),
    );
    return { kind, ...said, ...rest?.(counted(part)) } as Stage;
  };
  const input = (key: string) => inputs.find((i) => i.key === key)!;
  return {
    kind,
    title: owned.title,
    plural: owned.plural,
    group: owned.group in shelfGroups ? (owned.group as ShelfGroup) : 'boxes',
    pasted: owned.pasted,
    fresh: owned.fresh,
    inputs: [...inputs, bore],
    cells: {
      teeth:
        typeof teeth === 'string'
          ? cellOf(input(teeth))
          : { label: teeth.label, show: teeth.show, read: (text) => teeth.read(text) as never },
      size: size === null ? null : cellOf(input(size)),
      bore: cellOf(bore),
    },
    label: (part) => owned.label(part),
    refuse: (part) => {
      const refusal = refuse?.(stage(part));
      return refusal ? { ok: false, refusal } : ok(null);
    },
    stage,
  };
}

/** Every kind of stage that is owned whole, as a kind of part. */
export const wholeParts: Readonly<Record<string, PartKind<WholePart>>> = Object.fromEntries(
  (Object.keys(stages) as StageKindId[]).flatMap((kind) => {
    const part = wholePart(kind);
    return part ? [[kind, part]] : [];
  }),
);
