import { exactly, toText } from '../numbers/index.ts';
import { kindOf, searchedKinds, wheelSearch, type Stage, type StageKindId } from '../drive/index.ts';
import { follows, partKindOf, stageOfPart, type ShelfPart } from '../shelf/index.ts';
import type { Family, Kit, PoolWheel } from './kit.ts';
import { partRatio, partTeeth, type FixedPart } from './parts.ts';

/** What a search may build from, before it is asked what of it there is. */
export interface Pool {
  readonly made: 'shelf' | 'ranges' | 'both' | 'few';
  readonly wheels: { readonly from: number; readonly to: number };
  readonly kinds: readonly StageKindId[];
  /** nothing may have play: belts alone */
  readonly noPlay: boolean;
  /** stages of the present train that stay */
  readonly kept?: Kit['kept'];
}

/** "What I own and up to two bought" */
const FEW = 2;
/** A kind whose stages have no play at all. */
const playless = (kind: StageKindId): boolean => {
  const { play } = kindOf({ kind });
  return play?.by === 'angle' && play.arcmin === 0;
};

/** The kit of a pool from a shelf: wheels by module and pitch, and whole stages. `used` tells how many of a line are taken elsewhere. */
export function kitOf(pool: Pool, shelf: readonly ShelfPart[], used: (id: string) => number): Kit {
  const kinds = pool.noPlay ? pool.kinds.filter(playless) : pool.kinds;
  const owned = pool.made === 'ranges' ? [] : shelf;
  const kept = takenByKept(pool.kept);
  const free = (part: ShelfPart): number => Math.max(0, part.own - used(part.id) - (kept.get(part.id) ?? 0));
  const families = searchedKinds
    .filter((kind) => kinds.includes(kind) && wheelSearch(kind))
    .flatMap((kind) => familiesOf(kind, shelf, free, pool));
  const parts: FixedPart[] = owned.flatMap((part) => {
    const stage = stageOfPart(part);
    const quantity = free(part);
    return stage && quantity > 0 && kinds.some((k) => k === stage.kind) ? [{ stage, quantity }] : [];
  });
  const anything = pool.made === 'ranges' || pool.made === 'both';
  if (anything) parts.push(...rangeParts(kinds, pool.wheels));
  return {
    families,
    parts,
    mostBought: pool.made === 'shelf' ? 0 : pool.made === 'few' ? FEW : null,
    ...(pool.kept && { kept: pool.kept }),
    leftOut: leftOut(owned, kinds, free),
    variants: anything ? variantsOf(kinds, pool.wheels) : [],
  };
}

/** How many of a line the kept stages take themselves. */
function takenByKept(kept: Kit['kept']): ReadonlyMap<string, number> {
  const out = new Map<string, number>();
  for (const stage of [...(kept?.first ?? []), ...(kept?.last ?? [])])
    for (const id of follows(stage)) out.set(id, (out.get(id) ?? 0) + 1);
  return out;
}

/** What of the shelf is not in the pool, and why. */
function leftOut(
  shelf: readonly ShelfPart[],
  kinds: readonly StageKindId[],
  free: (part: ShelfPart) => number,
): readonly string[] {
  const [byKind, inUse] = [[] as string[], { count: 0 }];
  for (const part of shelf) {
    if (part.own === 0) continue;
    const is = partKindOf(part).wheel?.(part)?.pair ?? stageOfPart(part)?.kind;
    if (is === undefined) continue;
    if (kinds.some((k) => k === is)) inUse.count += part.own - free(part);
    else if (!byKind.includes(is)) byKind.push(is);
  }
  return [
    ...(inUse.count > 0 ? [`${inUse.count} of the shelf in use elsewhere`] : []),
    ...(byKind.length > 0
      ? [
          `what the shelf has of ${byKind.map((kind) => kindOf({ kind }).title.toLowerCase()).join(' and ')}, not ticked`,
        ]
      : []),
  ];
}

/** What stands for a kind that can be had in any number, in words. */
const variantsOf = (kinds: readonly StageKindId[], wheels: Pool['wheels']): readonly string[] =>
  searchedKinds.flatMap((kind) => {
    const { search } = kindOf({ kind });
    return kinds.includes(kind) && search?.by === 'whole' ? [search.message(wheels)] : [];
  });

/** Wheels of one kind of pair: those of the shelf by their module or pitch, and the range beside them where it may be used. */
function familiesOf(
  pair: StageKindId,
  shelf: readonly ShelfPart[],
  free: (part: ShelfPart) => number,
  { made, wheels: { from, to } }: Pool,
): readonly Family[] {
  const bySize = new Map<number | null, Map<number, PoolWheel>>();
  const put = (size: number | null, wheel: PoolWheel): void => {
    const family = bySize.get(size) ?? new Map<number, PoolWheel>();
    const known = family.get(wheel.teeth);
    family.set(
      wheel.teeth,
      known ? { ...known, ...wheel, own: known.own + wheel.own, buy: known.buy || wheel.buy } : wheel,
    );
    bySize.set(size, family);
  };
  for (const part of shelf) {
    const wheel = partKindOf(part).wheel?.(part);
    if (!wheel || wheel.pair !== pair) continue;
    const inRange = wheel.teeth >= from && wheel.teeth <= to;
    if (made === 'ranges' && !inRange) continue;
    const price =
      part.price === undefined ? null : Number(exactly(part.price).n) / Number(exactly(part.price).d);
    put(wheel.sizeMm, {
      teeth: wheel.teeth,
      own: free(part),
      buy: made !== 'shelf' && part.own === 0,
      ...(price !== null && { price: Math.round(price * 100) }),
    });
  }
  if (made !== 'shelf') {
    // what is cut or bought can be had in every size that the shelf has; where it only tells the prices one size stands for all
    const usual = mostMet(bySize);
    const sizes = made === 'ranges' || bySize.size === 0 ? [usual] : [...bySize.keys()];
    if (made === 'ranges') for (const other of [...bySize.keys()]) if (other !== usual) bySize.delete(other);
    for (const size of sizes)
      for (let teeth = from; teeth <= to; teeth++) put(size, { teeth, own: 0, buy: true });
  }
  return [...bySize].map(([sizeMm, wheels]) => ({
    pair,
    sizeMm,
    wheels: [...wheels.values()].filter((w) => w.own > 0 || w.buy).sort((a, b) => a.teeth - b.teeth),
  }));
}

/** The module or pitch of which the shelf has the most different wheels. */
const mostMet = (bySize: ReadonlyMap<number | null, ReadonlyMap<number, PoolWheel>>): number | null =>
  [...bySize].sort((a, b) => b[1].size - a[1].size)[0]?.[0] ?? null;

/** Stages that can be had in any number: of each ratio the one with the fewest teeth. */
function rangeParts(kinds: readonly StageKindId[], wheels: Pool['wheels']): readonly FixedPart[] {
  const all = searchedKinds.flatMap((kind) => {
    const { search } = kindOf({ kind });
    return kinds.includes(kind) && search?.by === 'whole' ? [...search.any(wheels)] : [];
  }) as readonly Stage[];
  const byRatio = new Map<string, FixedPart>();
  for (const stage of all) {
    const part = { stage, quantity: Infinity, own: 0 };
    const key = toText(partRatio(part));
    const known = byRatio.get(key);
    if (!known || partTeeth(part) < partTeeth(known)) byRatio.set(key, part);
  }
  return [...byRatio.values()];
}
