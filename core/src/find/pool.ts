import { exactly, toText } from '../numbers/index.ts';
import { knownBoxes, type FindKind, type Stage } from '../drive/index.ts';
import { partKindOf, stageOfPart, type ShelfPart } from '../shelf/index.ts';
import type { Family, Kit, PoolWheel } from './kit.ts';
import { partRatio, partTeeth, type FixedPart } from './parts.ts';

/** What a search may build from, before it is asked what of it there is. */
export interface Pool {
  readonly made: 'shelf' | 'ranges' | 'both' | 'few';
  readonly wheels: { readonly from: number; readonly to: number };
  readonly kinds: readonly FindKind[];
  /** nothing may have play: belts alone */
  readonly noPlay: boolean;
}

/** "What I own and up to two bought" */
const FEW = 2;
/** Starts of worms that can be had. */
const STARTS = [1, 2];
/** Whole ratios that stand for anything that can be had. */
const PLAIN = [2, 3, 4, 5, 6, 8, 10, 12, 15, 20];

/** The kit of a pool from a shelf: wheels by module and pitch, and whole stages. `used` tells how many of a line are taken elsewhere. */
export function kitOf(pool: Pool, shelf: readonly ShelfPart[], used: (id: string) => number): Kit {
  const kinds = pool.noPlay ? pool.kinds.filter((k) => k === 'belt') : pool.kinds;
  const owned = pool.made === 'ranges' ? [] : shelf;
  const free = (part: ShelfPart): number => Math.max(0, part.own - used(part.id));
  const families = [
    ...(kinds.includes('spur') ? familiesOf('spur', shelf, free, pool) : []),
    ...(kinds.includes('belt') ? familiesOf('belt', shelf, free, pool) : []),
  ];
  const parts: FixedPart[] = owned.flatMap((part) => {
    const stage = stageOfPart(part);
    const quantity = free(part);
    return stage && quantity > 0 && kinds.some((k) => k === stage.kind) ? [{ stage, quantity }] : [];
  });
  if (pool.made === 'ranges' || pool.made === 'both') parts.push(...rangeParts(kinds, pool.wheels));
  return {
    families,
    parts,
    mostBought: pool.made === 'shelf' ? 0 : pool.made === 'few' ? FEW : null,
  };
}

/** Wheels of one kind of pair: those of the shelf by their module or pitch, and the range beside them where it may be used. */
function familiesOf(
  pair: 'spur' | 'belt',
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
    const size = mostMet(bySize);
    if (made !== 'few') for (const other of [...bySize.keys()]) if (other !== size) bySize.delete(other);
    for (let teeth = from; teeth <= to; teeth++) put(size, { teeth, own: 0, buy: true });
  }
  return [...bySize].map(([sizeMm, wheels]) => ({
    pair,
    sizeMm,
    wheels: [...wheels.values()].filter((w) => w.own > 0 || w.buy).sort((a, b) => a.teeth - b.teeth),
  }));
}

/** The module or pitch of which the shelf has the most different wheels: what is cut or bought is of that size. */
const mostMet = (bySize: ReadonlyMap<number | null, ReadonlyMap<number, PoolWheel>>): number | null =>
  [...bySize].sort((a, b) => b[1].size - a[1].size)[0]?.[0] ?? null;

/** Stages that can be had in any number: of each ratio the one with the fewest teeth. */
function rangeParts(kinds: readonly FindKind[], { from, to }: Pool['wheels']): readonly FixedPart[] {
  const all: Stage[] = [];
  if (kinds.includes('worm'))
    for (const starts of STARTS)
      for (let wheel = Math.max(from, 20); wheel <= to; wheel++) all.push({ kind: 'worm', starts, wheel });
  if (kinds.includes('box')) for (const box of knownBoxes) all.push({ kind: 'box', pairs: box.pairs });
  if (kinds.includes('planetary')) all.push(...planetarySets(from, to));
  if (kinds.includes('ratio'))
    for (const n of PLAIN) all.push({ kind: 'ratio', value: String(n), provenance: 'exact' });
  const byRatio = new Map<string, FixedPart>();
  for (const stage of all) {
    const part = { stage, quantity: Infinity };
    const key = toText(partRatio(part));
    const known = byRatio.get(key);
    if (!known || partTeeth(part) < partTeeth(known)) byRatio.set(key, part);
  }
  return [...byRatio.values()];
}

/** Sets of three planets that go in evenly spaced, the ring held. */
function* planetarySets(from: number, to: number): Generator<Stage> {
  const PLANETS = 3;
  for (let sun = Math.max(from, 12); sun <= to; sun++)
    for (let ring = sun + 2 * Math.max(from, 12); ring <= to; ring += 2)
      if ((sun + ring) % PLANETS === 0)
        yield { kind: 'planetary', sun, ring, planets: PLANETS, fixed: 'ring', in: 'sun', out: 'carrier' };
}
