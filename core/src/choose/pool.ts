import { add, exactly, toText } from '../numbers/index.ts';
import {
  kindOf,
  readPlates,
  sources as sourceKinds,
  sourceKindOf,
  stages as stageKinds,
  type Drive,
  type Plates,
  type Source,
  type Stage,
} from '../drive/index.ts';
import { pairOfParts, partKindOf, sourceOfPart, stageOfPart, type ShelfPart } from '../shelf/index.ts';
import type { SourceChoice, StageChoice, Stock } from './stock.ts';

/** Where drives are chosen from. */
export const POOLS = { shelf: 'Shelf', shelfAndBought: 'Shelf + bought', anything: 'Anything' } as const;
export type PoolFrom = keyof typeof POOLS;

/** What there is to choose from. */
export interface ChoosePool {
  readonly sources: readonly SourceChoice[];
  readonly stages: readonly StageChoice[];
  readonly stock: ReadonlyMap<string, Stock>;
  readonly words: string;
}

export interface PoolAsked {
  readonly from: PoolFrom;
  /** wheels that are not owned can be cut or printed */
  readonly canMake: boolean;
  /** the motor that the drive has, and no other */
  readonly keepSource: Source | null;
  /** what a crank could go by; null where nothing is divided by hand */
  readonly plates: Plates | null;
  /** stages are kept at the work: an encoder can stand before them too */
  readonly keptStages: boolean;
}

/** More of a line than this are not taken into one drive where any number can be bought. */
const BOUGHT = 4;

/** A motor that has no driver yet moves by full steps. */
const BARE: Source = { kind: 'stepper', fullSteps: 200, modes: [1], mode: 1 };

/** The pool of a shelf. `free` tells how many of a line other drives leave. (handbook: choose) */
export function poolOf(
  { from, canMake, keepSource, plates, keptStages }: PoolAsked,
  shelf: readonly ShelfPart[],
  free: (part: ShelfPart) => number,
): ChoosePool {
  const buys = from !== 'shelf';
  const there = shelf.filter((p) => free(p) > 0 || (buys && p.price !== undefined));
  const stock = new Map<string, Stock>();
  for (const part of there)
    stock.set(part.id, {
      quantity: free(part) + (buys && part.price !== undefined ? BOUGHT : 0),
      own: free(part),
      ...(part.price !== undefined && { price: part.price }),
      wheels: 0,
    });
  const stages: StageChoice[] = [
    ...there.flatMap((part): readonly StageChoice[] => {
      const stage = stageOfPart(part);
      return stage ? [{ stage, takes: [part.id] }] : [];
    }),
    ...pairsOf(there),
  ];
  const typical = from === 'anything' ? typicalStages() : [];
  for (const [i, stage] of typical.entries()) {
    const key = `any-${i}`;
    const wheels = canMake ? (kindOf(stage).makes?.(stage).length ?? 0) : 0;
    stock.set(key, { quantity: BOUGHT, own: 0, wheels });
    stages.push({ stage, takes: [key] });
  }
  const motors = keepSource
    ? [{ source: keepSource, modes: sourceKindOf(keepSource).modes(keepSource), own: 1 }]
    : [...motorsOf(there, free), ...(from === 'anything' ? typicalSources() : [])];
  const encoders = there.filter((p) => p.kind === 'encoder');
  const sources: readonly SourceChoice[] = [
    ...motors,
    ...encoders.flatMap((part) => withEncoder(motors, part, free(part), keptStages)),
    ...(keepSource ? [] : cranksOf(there, from, plates, free)),
  ];
  return { sources, stages, stock, words: wordsOf(from, there, stages, sources, keepSource !== null) };
}

/** Every two wheels that mesh and reduce: what speeds up is left out, and the words say so. */
function pairsOf(parts: readonly ShelfPart[]): readonly StageChoice[] {
  const wheels = parts.filter((p) => partKindOf(p).wheel);
  return wheels.flatMap((driver) =>
    wheels.flatMap((driven): readonly StageChoice[] => {
      const stage = pairOfParts(driver, driven);
      if (
        !stage ||
        Number(kindOf(stage).toothed?.(stage).driven[0] ?? 0) <=
          Number(kindOf(stage).toothed?.(stage).drivers[0] ?? 0)
      )
        return [];
      return [{ stage, takes: [driver.id, driven.id] }];
    }),
  );
}

/** Motors, each with every driver there is. */
function motorsOf(parts: readonly ShelfPart[], free: (part: ShelfPart) => number): readonly SourceChoice[] {
  const motors = parts.filter((p) => p.kind === 'motor');
  const drivers = parts.filter((p) => p.kind === 'driver').sort((a, b) => free(b) - free(a));
  return motors.flatMap((motor): readonly SourceChoice[] => {
    const made = sourceOfPart(motor, BARE);
    if (!made) return [];
    const torque = motor.holdingNm === undefined ? {} : { holdingNm: motor.holdingNm };
    const source = { ...made, ...torque } as Source;
    const alone = { source, modes: sourceKindOf(source).modes(source), ...priced([motor], free) };
    if (drivers.length === 0) return [alone];
    // a mode that an earlier driver has need not be tried with another
    const tried = new Set<number>();
    return drivers.flatMap((driver): readonly SourceChoice[] => {
      const driven = sourceOfPart(driver, source) ?? source;
      const modes = sourceKindOf(driven)
        .modes(driven)
        .filter((m) => !tried.has(m));
      for (const mode of modes) tried.add(mode);
      return modes.length === 0 ? [] : [{ source: driven, modes, ...priced([motor, driver], free) }];
    });
  });
}

/** What of these must be bought together. */
function priced(
  parts: readonly ShelfPart[],
  free: (part: ShelfPart) => number,
): Pick<SourceChoice, 'own' | 'price'> {
  const lacking = parts.filter((p) => free(p) === 0);
  if (lacking.length === 0) return { own: 1 };
  if (lacking.some((p) => p.price === undefined)) return { own: 0 };
  return { own: 0, price: toText(lacking.map((p) => exactly(p.price!)).reduce(add)) };
}

/** Motors that an encoder of the shelf could correct: on the work's shaft, and before a head that stays. */
function withEncoder(
  motors: readonly SourceChoice[],
  part: Extract<ShelfPart, { readonly kind: 'encoder' }>,
  owned: number,
  keptStages: boolean,
): readonly SourceChoice[] {
  const places = keptStages ? (['work', 'kept'] as const) : (['work'] as const);
  return motors
    .filter(({ source }) => sourceKindOf(source).hasModes)
    .flatMap(({ price, own, ...motor }) => {
      const costs = [...(own > 0 ? [] : [price]), ...(owned > 0 ? [] : [part.price])];
      const known = costs.filter((c) => c !== undefined);
      const bought =
        costs.length > 0 && known.length === costs.length
          ? { price: toText(known.map((c) => exactly(c)).reduce(add)) }
          : {};
      return places.map((at): SourceChoice => ({
        ...motor,
        own: costs.length === 0 ? 1 : 0,
        ...bought,
        encoder: { partId: part.id, lines: part.lines, decode: 4, at },
      }));
    });
}

/** Circles that a crank is usually sold with, as an estimate where no plate is owned. */
const USUAL_PLATES = '15-20 / 21 23 27 29 31 33 / 37 39 41 43 47 49';

/** A crank with the plates there are: those of the drive, else those of the shelf. */
function cranksOf(
  parts: readonly ShelfPart[],
  from: PoolFrom,
  plates: Plates | null,
  free: (part: ShelfPart) => number,
): readonly SourceChoice[] {
  if (!plates) return [];
  const crank: Source = { kind: 'crank', marks: 1 };
  const owned = parts.flatMap((p) => (p.kind === 'plate' && free(p) > 0 ? [p.circles] : []));
  const circles = (text: string): Plates['plates'] => {
    const read = readPlates(text);
    return read.ok ? read.value : [];
  };
  if (plates.plates.length > 0) return [{ source: crank, modes: [1], own: 1, plates }];
  if (owned.length > 0)
    return [{ source: crank, modes: [1], own: 1, plates: { plates: circles(owned.join(' / ')) } }];
  return from === 'anything'
    ? [{ source: crank, modes: [1], own: 0, plates: { plates: circles(USUAL_PLATES) } }]
    : [];
}

const typicalStages = (): readonly Stage[] =>
  Object.values(stageKinds).flatMap((kind) => ('typical' in kind ? (kind.typical as readonly Stage[]) : []));

const typicalSources = (): readonly SourceChoice[] =>
  Object.values(sourceKinds)
    .flatMap((kind) => ('typical' in kind ? (kind.typical as readonly Source[]) : []))
    .map((source) => ({ source, modes: sourceKindOf(source).modes(source), own: 0 }));

/** What it is chosen from, and what was left out of that. */
function wordsOf(
  from: PoolFrom,
  parts: readonly ShelfPart[],
  stages: readonly StageChoice[],
  motors: readonly SourceChoice[],
  kept: boolean,
): string {
  const kinds = [...new Set(stages.map((s) => kindOf(s.stage).title.toLowerCase()))];
  const bare = motors.filter((m) => !m.encoder && !m.plates);
  const beside = [
    ...(motors.some((m) => m.encoder) ? ['each with and without an encoder'] : []),
    ...(motors.some((m) => m.plates) ? ['a crank with plates'] : []),
  ];
  const sources = [
    kept
      ? 'the motor there is'
      : `${bare.length} ${bare.length === 1 ? 'motor' : 'motors'}${parts.some((p) => p.kind === 'driver') ? ' with their drivers' : ''}`,
    ...beside,
  ].join(', ');
  const where = {
    shelf: 'your shelf',
    shelfAndBought: 'your shelf and what it has a price for',
    anything: 'your shelf and usual sizes, as estimates',
  }[from];
  return `From ${where}: ${kinds.length > 0 ? `${kinds.join(', ')} (pairs that reduce)` : 'no stages'}, and ${sources}`;
}

/** The job, timer, output and kept stages of a drive: what is asked, and nothing of what was chosen for it. */
export const wantedOf = ({
  encoder: _e,
  others: _o,
  log: _l,
  revisions: _r,
  build: _b,
  setup: _s,
  bench: _n,
  find: _f,
  ...drive
}: Drive): Drive => ({
  ...drive,
  train: { ...drive.train, stages: drive.train.stages.filter((s) => s.kept) },
});
