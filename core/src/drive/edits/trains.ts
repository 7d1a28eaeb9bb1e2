import { error, ok, type Result } from '../../numbers/index.ts';
import { MAX_TRAINS, type Drive, type FurtherTrain, type Hang, type Job } from '../drive.ts';
import { stageFault } from '../fault.ts';
import type { Stage } from '../stages/index.ts';
import type { Source } from '../sources/index.ts';
import { STEPPER_DEFAULT } from '../sources/stepper.ts';
import { trainsFault } from '../trains-fault.ts';
import { FIRST_NAME, pathOf, trainAt, trainsOf } from '../trains.ts';
import type { EditKind } from './edit.ts';

const MAX_TRAIN_NAME = 60;

/** The drive with further trains, or with none; where there are some, the first is named. */
function withOthers(drive: Drive, others: readonly FurtherTrain[]): Drive {
  const { others: _, ...rest } = drive;
  if (others.length === 0) return rest;
  const train = drive.train.name === undefined ? { ...drive.train, name: FIRST_NAME } : drive.train;
  return { ...rest, train, others };
}

/** Checked together; what is wrong is told without its place, which the field says. */
function checked(drive: Drive): Result<Drive> {
  const refusal = trainsFault(drive);
  return refusal ? { ok: false, refusal: { ...refusal, path: '' } } : ok(drive);
}

function readName(text: string): Result<string> {
  const name = text.trim().replace(/\s+/g, ' ');
  if (name === '') return error('noTrainName', text);
  return name.length > MAX_TRAIN_NAME ? error('tooLong', name, { limit: String(MAX_TRAIN_NAME) }) : ok(name);
}

const missing = (drive: Drive, name: string): Result<never> =>
  error('noSuchTrain', name, {
    limit: trainsOf(drive)
      .map((t) => t.name)
      .join(', '),
  });

/** "Train 2" and on, those that are free. */
export function freeTrainNames(drive: Drive, count: number): readonly string[] {
  const trains = trainsOf(drive);
  const out: string[] = [];
  for (let i = trains.length + 1; out.length < count; i++)
    if (trainAt(trains, `Train ${i}`) < 0) out.push(`Train ${i}`);
  return out;
}

export const freeTrainName = (drive: Drive): string => freeTrainNames(drive, 1)[0]!;

export interface AddTrain {
  readonly do: 'addTrain';
  /** the next free one when absent */
  readonly name?: string;
  /** the shaft it begins at; null for an axis with a source of its own */
  readonly from: Hang | null;
  /** nothing in it yet when absent */
  readonly stages?: readonly Stage[];
}

/** One more train: a branch from a shaft, or an axis of its own with the usual motor. */
export const addTrain: EditKind<AddTrain> = {
  id: 'addTrain',
  apply: (drive, edit) => {
    const others = drive.others ?? [];
    if (others.length + 2 > MAX_TRAINS)
      return error('tooManyTrains', String(others.length + 2), { limit: String(MAX_TRAINS) });
    const name = readName(edit.name ?? freeTrainName(drive));
    if (!name.ok) return name;
    const bad = (edit.stages ?? []).map((s) => stageFault(s)).find((fault) => fault !== null);
    if (bad) return { ok: false, refusal: bad };
    const one: FurtherTrain = {
      name: name.value,
      from: edit.from,
      ...(edit.from === null && { source: STEPPER_DEFAULT }),
      stages: edit.stages ?? [],
      output: { kind: 'rotary' },
      job: { divisions: '' },
    };
    const after = withOthers(drive, [...others, one]);
    const from = edit.from && trainAt(trainsOf(after), edit.from.train);
    if (from === null || from < 0) return checked(after);
    // written as the train is called, however it was asked for
    const hung = { ...one, from: { ...edit.from!, train: trainsOf(after)[from]!.name } };
    return checked(withOthers(drive, [...others, hung]));
  },
  label: (edit) => (edit.from ? `branch from ${edit.from.train}` : 'another axis'),
};

export interface RemoveTrain {
  readonly do: 'removeTrain';
  readonly name: string;
}

/** Takes a train away, unless another hangs on it; ratios asked of it go with it. The first one gives its place to the next axis. */
export const removeTrain: EditKind<RemoveTrain> = {
  id: 'removeTrain',
  apply: (drive, edit) => {
    const trains = trainsOf(drive);
    const at = trainAt(trains, edit.name);
    const gone = trains[at];
    if (!gone) return missing(drive, edit.name);
    const hanging = trains.find((t) => t.from && trainAt(trains, t.from.train) === at);
    if (hanging) return error('hangsThere', hanging.name, { limit: gone.name });
    if (trains.some((t) => governorIn(t.source, gone.name)))
      return error('hangsThere', 'the governor', { limit: gone.name });
    const others = (drive.others ?? []).filter((_, i) => i !== at - 1);
    const job = withoutBetween(drive.job, gone.name);
    if (at > 0) return ok(withOthers({ ...drive, job }, others));
    const next = others.findIndex((t) => t.from === null);
    const heir = others[next];
    if (!heir?.source) return error('lastTrain', gone.name);
    const { encoder: _, find: _f, ...rest } = drive;
    const common = commonOf(job);
    return ok(
      withOthers(
        {
          ...rest,
          job: { ...common, ...heir.job },
          train: {
            name: heir.name,
            source: heir.source,
            stages: heir.stages,
            output: heir.output,
            ...(heir.limits && { limits: heir.limits }),
          },
          ...(heir.encoder && { encoder: heir.encoder }),
          ...(heir.find && { find: heir.find }),
        },
        others.filter((_t, i) => i !== next),
      ),
    );
  },
  label: (edit) => `take away ${edit.name}`,
};

/** What of the first train's job the drive keeps when another becomes the first. */
function commonOf({ notes, camera, toleranceArcsec, toleranceMm, radiusMm, between }: Job): Partial<Job> {
  const kept = { notes, camera, toleranceArcsec, toleranceMm, radiusMm, between };
  return Object.fromEntries(Object.entries(kept).filter(([, v]) => v !== undefined));
}

const governorIn = (source: Source | undefined, name: string): boolean =>
  source?.kind === 'spring' &&
  source.governorTrain !== undefined &&
  trainAt([{ name }], source.governorTrain) === 0;

function withoutBetween(job: Job, name: string): Job {
  if (!job.between) return job;
  const of = [{ name }];
  const left = job.between.filter((b) => trainAt(of, b.from) < 0 && trainAt(of, b.to) < 0);
  const { between: _, ...rest } = job;
  return left.length === 0 ? rest : { ...rest, between: left };
}

export interface RenameTrain {
  readonly do: 'renameTrain';
  readonly name: string;
  readonly to: string;
}

/** Another name for a train; what hangs on it and what is asked of it follow. */
export const renameTrain: EditKind<RenameTrain> = {
  id: 'renameTrain',
  apply: (drive, edit) => {
    const trains = trainsOf(drive);
    const at = trainAt(trains, edit.name);
    if (at < 0) return missing(drive, edit.name);
    const name = readName(edit.to);
    if (!name.ok) return name;
    const there = trainAt(trains, name.value);
    if (there >= 0 && there !== at) return error('sameTrain', name.value);
    const old = [{ name: trains[at]!.name }];
    const now = (given: string): string => (trainAt(old, given) === 0 ? name.value : given);
    const governed = <S extends Source>(source: S): S =>
      governorIn(source, old[0]!.name) ? { ...source, governorTrain: name.value } : source;
    const others = (drive.others ?? []).map((t, i) => ({
      ...t,
      ...(t.source && { source: governed(t.source) }),
      ...(i === at - 1 && { name: name.value }),
      from: t.from && { ...t.from, train: now(t.from.train) },
    }));
    const between = drive.job.between?.map((b) => ({ ...b, from: now(b.from), to: now(b.to) }));
    const train = {
      ...drive.train,
      source: governed(drive.train.source),
      ...(at === 0 && { name: name.value }),
    };
    return ok({
      ...drive,
      train,
      job: between ? { ...drive.job, between } : drive.job,
      ...(drive.others && { others }),
    });
  },
  label: (edit) => `${edit.name} is now ${edit.to.trim()}`,
};

export interface HangTrain {
  readonly do: 'hangTrain';
  readonly name: string;
  /** null for a source of its own */
  readonly from: Hang | null;
}

/** Lets a train begin elsewhere: at another shaft, or at a source of its own like the one it had. */
export const hangTrain: EditKind<HangTrain> = {
  id: 'hangTrain',
  apply: (drive, edit) => {
    const trains = trainsOf(drive);
    const at = trainAt(trains, edit.name);
    if (at < 0) return missing(drive, edit.name);
    if (at === 0) return edit.from ? error('lastTrain', edit.name) : ok(drive);
    const { source, ...one } = drive.others![at - 1]!;
    const on = edit.from && trainAt(trains, edit.from.train);
    const from = edit.from && { ...edit.from, train: trains[on!]?.name ?? edit.from.train };
    const after: FurtherTrain =
      from === null
        ? { ...one, from, source: source ?? pathOf(drive, at).drive.train.source }
        : { ...one, from };
    return checked({ ...drive, others: drive.others!.map((t, i) => (i === at - 1 ? after : t)) });
  },
  label: (edit) => `${edit.name} begins at ${edit.from ? edit.from.train : 'a source of its own'}`,
};
