import {
  standingAlone,
  togetherFault,
  trainsOf,
  wheelSearch,
  type Drive,
  type Source,
  type Stage,
  type Train,
} from '../drive/index.ts';
import { partKindOf, type ShelfPart } from './kinds/index.ts';
import type { PartData } from './part.ts';

/** The shelf by the id of its lines. */
export type Shelf = ReadonlyMap<string, ShelfPart>;

/** A stage of two wheels. */
interface Wheels {
  readonly z1: number;
  readonly z2: number;
  readonly moduleMm?: number;
  readonly pitchMm?: number;
}

/** What one drive takes of one line. */
export interface Use {
  readonly drive: string;
  readonly count: number;
}

/** Which lines the trains of a drive take, and how many of each. */
function takenBy(drive: Drive): ReadonlyMap<string, number> {
  const out = new Map<string, number>();
  const take = (id: string | undefined, count = 1): void => {
    if (id !== undefined) out.set(id, (out.get(id) ?? 0) + count);
  };
  for (const { source, stages, encoder } of trainsOf(drive)) {
    const ganged = source?.kind === 'stepper' ? (source.count ?? 1) : 1;
    take(source?.partId, ganged);
    take(source?.driverPartId, ganged);
    take(encoder?.partId);
    for (const stage of stages) {
      take(stage.partId);
      take(stage.driverPartId);
      take(stage.drivenPartId);
    }
  }
  return out;
}

/** For every line of the shelf that is in use: by which drives, and how many. */
export function usesOf(drives: readonly Drive[]): ReadonlyMap<string, readonly Use[]> {
  const out = new Map<string, Use[]>();
  for (const drive of drives)
    for (const [id, count] of takenBy(drive))
      out.set(id, [...(out.get(id) ?? []), { drive: drive.name, count }]);
  return out;
}

/** A stage that is this part, and follows it. Null when the part is no stage. */
export function stageOfPart(part: ShelfPart): Stage | null {
  const made = partKindOf(part).stage?.(part);
  return made ? { ...made, partId: part.id } : null;
}

/** A pair of two lines of the shelf that mesh, or run on one belt; null when they do not. */
export function pairOfParts(driver: ShelfPart, driven: ShelfPart): Stage | null {
  const [a, b] = [driver, driven].map((p) => partKindOf(p).wheel?.(p));
  if (!a || !b || a.pair !== b.pair) return null;
  const size = a.sizeMm ?? b.sizeMm;
  if (a.sizeMm !== null && b.sizeMm !== null && a.sizeMm !== b.sizeMm) return null;
  const common = {
    z1: a.teeth,
    z2: b.teeth,
    ...(a.boreMm !== null && { inBoreMm: a.boreMm }),
    ...(b.boreMm !== null && { outBoreMm: b.boreMm }),
    driverPartId: driver.id,
    drivenPartId: driven.id,
  };
  const { sizeKey } = wheelSearch(a.pair)!;
  return { kind: a.pair, ...common, ...(size !== null && { [sizeKey]: size }) } as Stage;
}

/** The source with a motor's or a driver's figures in it, following it. */
export function sourceOfPart(part: ShelfPart, before: Source): Source | null {
  const made = partKindOf(part).source?.(part, before);
  if (!made) return null;
  return part.kind === 'driver' ? { ...made, driverPartId: part.id } : { ...made, partId: part.id };
}

/**
 * A drive whose trains say again what the lines they follow say now; the same object when nothing changed, or when together they could
 * not be. A line that is not there, or that no longer fits its mate, leaves what was last known: when it is back, it is followed again.
 */
export function followedDrive(drive: Drive, shelf: Shelf): Drive {
  const train = followed(drive.train, shelf);
  const others = drive.others?.map((other) => followed(other, shelf));
  if (train === drive.train && (others ?? []).every((t, i) => t === drive.others![i])) return drive;
  const after: Drive = { ...drive, train, ...(others && { others }) };
  return togetherFault(after) && !togetherFault(drive) ? drive : after;
}

/** One train of it; where it hangs on another, it has no source. */
function followed<T extends { readonly source?: Source; readonly stages: readonly Stage[] }>(
  train: T,
  shelf: Shelf,
): T {
  const stages = train.stages.map((stage) => followedStage(stage, shelf));
  const source = train.source && followedSource(train.source, shelf);
  const same = source === train.source && stages.every((s, i) => s === train.stages[i]);
  return same ? train : { ...train, ...(source && { source }), stages };
}

function followedStage(stage: Stage, shelf: Shelf): Stage {
  const part = shelf.get(stage.partId ?? '');
  if (part) return merged(stage, stageOfPart(part));
  const [driver, driven] = [shelf.get(stage.driverPartId ?? ''), shelf.get(stage.drivenPartId ?? '')];
  return driver && driven ? merged(stage, pairOfParts(driver, driven)) : stage;
}

/** What the shelf says over what the stage says beside it; the stage itself when that changes nothing. */
function merged(stage: Stage, now: Stage | null): Stage {
  if (now?.kind !== stage.kind) return stage;
  const after: object = { ...stage, ...now };
  return JSON.stringify(after) === JSON.stringify(stage) ? stage : (after as Stage);
}

function followedSource(source: Source, shelf: Shelf): Source {
  let out = source;
  for (const key of ['partId', 'driverPartId'] as const) {
    const part = shelf.get(source[key] ?? '');
    if (part) out = sourceOfPart(part, out) ?? out;
  }
  return JSON.stringify(out) === JSON.stringify(source) ? source : out;
}

/** What a stage or source follows, for its card: "2 lines of the shelf". */
export const follows = (data: {
  readonly partId?: string;
  readonly driverPartId?: string;
  readonly drivenPartId?: string;
}): readonly string[] =>
  [data.partId, data.driverPartId, data.drivenPartId].flatMap((id) => (id === undefined ? [] : [id]));

/** How many of a line are in use, and how many are left. */
export function left(part: PartData, uses: readonly Use[]): { readonly used: number; readonly free: number } {
  const used = uses.reduce((n, u) => n + u.count, 0);
  return { used, free: Math.max(0, part.own - used) };
}

/** A train of which one stage, or with null the source, follows the shelf no more; its figures stay. */
export function aloneAt(train: Train, at: number | null): Train {
  if (at !== null) return { ...train, stages: train.stages.map((s, i) => (i === at ? standingAlone(s) : s)) };
  const { partId: _p, driverPartId: _d, ...source } = train.source;
  return { ...train, source: source };
}

/** Which wheels are owned and not used by the drives that `uses` counts. */
export function owns(
  parts: readonly ShelfPart[],
  uses: ReadonlyMap<string, readonly Use[]>,
): (kind: string, sizeMm: number | null, teeth: number) => boolean {
  const free = parts.flatMap((part) => {
    const wheel = partKindOf(part).wheel?.(part);
    return wheel && left(part, uses.get(part.id) ?? []).free > 0 ? [wheel] : [];
  });
  return (kind, sizeMm, teeth) =>
    free.some(
      (w) =>
        w.pair === kind && w.teeth === teeth && (sizeMm === null || w.sizeMm === null || w.sizeMm === sizeMm),
    );
}

/**
 * A train's stages with lines of the shelf taken for them, where they have what a stage wants and one is free: wheels by teeth and
 * module, whole parts by all their figures. What follows a line already, or finds none, stays as it is.
 */
export function fromShelf(
  stages: readonly Stage[],
  parts: readonly ShelfPart[],
  free: (part: ShelfPart) => number,
): readonly Stage[] {
  const taken = new Map<string, number>();
  for (const id of stages.flatMap(follows)) taken.set(id, (taken.get(id) ?? 0) + 1);
  const has = (part: ShelfPart): boolean => free(part) > (taken.get(part.id) ?? 0);
  const take = (part: ShelfPart): ShelfPart => {
    taken.set(part.id, (taken.get(part.id) ?? 0) + 1);
    return part;
  };
  const wheelOf = (pair: string, sizeMm: number | undefined, teeth: number): ShelfPart | undefined =>
    parts.find((p) => {
      const wheel = partKindOf(p).wheel?.(p);
      const sameSize = sizeMm === undefined || wheel?.sizeMm === sizeMm;
      return wheel && wheel.pair === pair && wheel.teeth === teeth && sameSize && has(p);
    });
  return stages.map((stage): Stage => {
    const search = wheelSearch(stage.kind);
    if (!search || follows(stage).length > 0) return stage;
    const { z1, z2, [search.sizeKey]: size } = stage as unknown as Wheels;
    const driver = wheelOf(stage.kind, size, z1);
    if (!driver) return stage;
    take(driver);
    const driven = wheelOf(stage.kind, size, z2);
    const pair = driven && pairOfParts(driver, driven);
    if (!pair) {
      taken.set(driver.id, taken.get(driver.id)! - 1);
      return stage;
    }
    take(driven);
    return { ...stage, ...pair } as Stage;
  });
}
