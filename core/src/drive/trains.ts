import { dataOf } from './data.ts';
import { abs, div, exactly, mul, product, toText, type Rational } from '../numbers/index.ts';
import { type Drive, type FurtherTrain, type Hang, type Job, type Train } from './drive.ts';
import type { Encoder, TurnLimits } from './drive.ts';
import type { FindSettings } from './find-settings.ts';
import type { Output } from './outputs/index.ts';
import type { Source } from './sources/index.ts';
import { kindOf, type Stage } from './stages/index.ts';

/** One train of a drive as any other: the first and the further ones alike. */
export interface TrainOf {
  readonly name: string;
  readonly from: Hang | null;
  readonly source?: Source;
  readonly stages: readonly Stage[];
  readonly output: Output;
  readonly limits?: TurnLimits;
  readonly encoder?: Encoder;
  /** its own part of the job; of the first, with what is common to all */
  readonly job: Job;
  readonly find?: FindSettings;
}

/** What the first train is called until somebody names it. */
export const FIRST_NAME = 'Train 1';

/** What every train of a drive takes from its job unless it says its own. (docs: formats) */
export const COMMON_JOB = [
  'notes',
  'camera',
  'load',
  'toleranceArcsec',
  'toleranceMm',
  'radiusMm',
] as const satisfies readonly (keyof Job | 'load')[];

/** All trains of a drive, the first one first. */
export function trainsOf(drive: Drive): readonly TrainOf[] {
  const { name, source, stages, output, limits } = drive.train;
  return [
    {
      name: name ?? FIRST_NAME,
      from: null,
      source,
      stages,
      output,
      ...(limits && { limits }),
      ...(drive.encoder && { encoder: drive.encoder }),
      job: drive.job,
      ...(drive.find && { find: drive.find }),
    },
    ...(drive.others ?? []),
  ];
}

export const trainCount = (drive: Drive): number => 1 + (drive.others?.length ?? 0);

const asked = (name: string): string => name.trim().toLowerCase();

/** Which train goes by a name, trimmed and whatever its case; −1 for none. */
export const trainAt = (trains: readonly { readonly name: string }[], name: string): number =>
  trains.findIndex((t) => asked(t.name) === asked(name));

/**
 * The trains in the order in which they are drawn one below the other: each followed by what hangs on it, the farthest shaft first, so that
 * no line crosses a row.
 */
export function treeOrder(trains: readonly TrainOf[]): readonly number[] {
  const out: number[] = [];
  const put = (at: number): void => {
    out.push(at);
    trains
      .flatMap(({ from }, i) =>
        from && trainAt(trains, from.train) === at ? [{ i, shaft: from.shaft }] : [],
      )
      .sort((a, b) => b.shaft - a.shaft || a.i - b.i)
      .forEach(({ i }) => put(i));
  };
  for (const [at, { from }] of trains.entries()) if (!from) put(at);
  return out;
}

/** Which stage of which train, both from 0. */
export interface StagePlace {
  readonly train: number;
  readonly stage: number;
}

/** The way from a source to the output of one train. */
export interface Path {
  /** the chain along it, as a drive of one train: whatever reckons a drive reckons this output */
  readonly drive: Drive;
  /** whose output, from 0 */
  readonly train: number;
  /** the train that has the source */
  readonly root: number;
  /** whose each stage of the chain is; those of the train itself are the last */
  readonly places: readonly StagePlace[];
  /** stages that it shares with the train it hangs on */
  readonly shared: number;
}

const known = new WeakMap<Drive, (Path | undefined)[]>();

/** The path to the output of train `at` of a checked drive; the same object each time. (handbook: drive, more than one train) */
export function pathOf(drive: Drive, at: number): Path {
  let paths = known.get(drive);
  if (!paths) known.set(drive, (paths = []));
  return (paths[at] ??= pathMade(drive, at));
}

function pathMade(drive: Drive, at: number): Path {
  const trains = trainsOf(drive);
  const own = trains[at]!;
  const placed = own.stages.map((_, stage) => ({ train: at, stage }));
  if (at === 0) {
    const speed = governed(trains, 0, true);
    const seen = speed.governedRpm === undefined ? drive : { ...drive, train: { ...drive.train, ...speed } };
    return { drive: seen, train: 0, root: 0, places: placed, shared: 0 };
  }
  const up = own.from && pathOf(drive, trainAt(trains, own.from.train));
  // shaft 0 of the train it hangs on is where that one begins, behind all it shares itself
  const shared = up ? up.shared + own.from.shaft : 0;
  const source = up ? up.drive.train.source : own.source!;
  const { others: _, encoder: _e, find: _f, ...rest } = drive;
  const { limits, encoder, find } = own;
  return {
    train: at,
    root: up ? up.root : at,
    shared,
    places: [...(up?.places.slice(0, shared) ?? []), ...placed],
    drive: {
      ...rest,
      job: jobOf(drive, own.job),
      train: {
        name: own.name,
        source,
        stages: [...(up?.drive.train.stages.slice(0, shared) ?? []), ...own.stages],
        output: own.output,
        ...(limits && { limits }),
        ...governed(trains, up ? up.root : at, !up),
      },
      ...(encoder && { encoder: { ...encoder, shaft: encoder.shaft + shared } }),
      ...(find && { find }),
    },
  };
}

/** The stages from a source to a shaft, by whatever trains lead there. */
function stagesTo(trains: readonly TrainOf[], train: number, shaft: number): readonly Stage[] {
  const { from, stages } = trains[train]!;
  const before = from ? stagesTo(trains, trainAt(trains, from.train), from.shaft) : [];
  return [...before, ...stages.slice(0, shaft)];
}

/**
 * The speed that a governor leaves to the arbor of its spring, where it sits on another shaft: ω₀ = ω·Π r of what is between. A drive
 * whose spring's own train has it reckons that itself.
 */
function governed(trains: readonly TrainOf[], root: number, own: boolean): Pick<Train, 'governedRpm'> {
  const { source } = trains[root]!;
  if (source?.kind !== 'spring') return {};
  const { governorShaft = 0, governorTrain } = source;
  if (governorTrain === undefined && (own || governorShaft === 0)) return {};
  const at = governorTrain === undefined ? root : trainAt(trains, governorTrain);
  const between = product(stagesTo(trains, at, governorShaft).map((s) => kindOf(s).reduction(s)));
  return { governedRpm: toText(mul(exactly(source.rpm), abs(between))) };
}

/** A further train's job with what is common. A tolerance of its own, of either sort, stands for both. */
function jobOf(drive: Drive, own: Job): Job {
  const common = COMMON_JOB.flatMap((key) => {
    const value = dataOf(drive.job)[key];
    return value === undefined ? [] : [[key, value] as const];
  });
  const asks = own.toleranceArcsec !== undefined || own.toleranceMm !== undefined;
  const kept = common.filter(([key]) => !(asks && key.startsWith('tolerance')));
  return { ...(Object.fromEntries(kept) as Partial<Job>), ...own };
}

/** The chain along a path for a search: the stages that it shares stay as they are. */
export function keptOnPath({ drive, shared }: Path): Drive {
  if (shared === 0) return drive;
  const stages = drive.train.stages.map((s, i) => (i < shared ? { ...s, kept: true } : s));
  return { ...drive, train: { ...drive.train, stages } };
}

/** Train `at` by itself, as a drive of one train for an edit of it; where it hangs on another, the source is the path's. */
export function soloOf(drive: Drive, at: number): Drive {
  if (at === 0) return drive;
  const { name, source, stages, output, limits, encoder, job, find } = trainsOf(drive)[at]!;
  const { encoder: _, find: _f, ...rest } = drive;
  const train: Train = {
    name,
    source: source ?? pathOf(drive, at).drive.train.source,
    stages,
    output,
    ...(limits && { limits }),
  };
  return { ...rest, job, train, ...(encoder && { encoder }), ...(find && { find }) };
}

/** A drive with one train as an edit of it alone left it. */
export function withSolo(drive: Drive, at: number, solo: Drive): Drive {
  if (at === 0) return solo;
  const { train, job, encoder, find, ...rest } = solo;
  const before = drive.others![at - 1]!;
  const { encoder: _, find: _f, limits: _l, ...kept } = before;
  const after: FurtherTrain = {
    ...kept,
    stages: train.stages,
    output: train.output,
    job,
    ...(before.source && { source: train.source }),
    ...(train.limits && { limits: train.limits }),
    ...(encoder && { encoder }),
    ...(find && { find }),
  };
  return {
    ...rest,
    train: drive.train,
    job: drive.job,
    others: drive.others!.map((t, i) => (i === at - 1 ? after : t)),
    ...(drive.encoder && { encoder: drive.encoder }),
    ...(drive.find && { find: drive.find }),
  };
}

/** Two outputs with a common source: turns of one during one turn of the other, and the stages that the two do not share. */
export interface BetweenPaths {
  /** signed */
  readonly ratio: Rational;
  /** of the path of `from` and of that of `to`, the stages that the other does not have */
  readonly apart: readonly [readonly Stage[], readonly Stage[]];
}

/** Turns of output `from` during one turn of output `to`, exact and signed; null when they have no common source. */
export function ratioBetween(drive: Drive, from: number, to: number): BetweenPaths | null {
  const [a, b] = [pathOf(drive, from), pathOf(drive, to)];
  if (a.root !== b.root) return null;
  let shared = 0;
  const same = (p: StagePlace | undefined, q: StagePlace | undefined): boolean =>
    p !== undefined && q !== undefined && p.train === q.train && p.stage === q.stage;
  while (same(a.places[shared], b.places[shared])) shared++;
  const rest = (path: Path): readonly Stage[] => path.drive.train.stages.slice(shared);
  const reduction = (stages: readonly Stage[]): Rational =>
    product(stages.map((s) => kindOf(s).reduction(s)));
  const apart = [rest(a), rest(b)] as const;
  return { ratio: div(reduction(apart[1]), reduction(apart[0])), apart };
}
