import { dataOf } from './data.ts';
import { error, ok, type Result } from '../numbers/index.ts';
import type { Drive } from './drive.ts';
import { duties } from './duties/index.ts';
import { COMMON_JOB, pathOf, trainAt, trainsOf, type Path } from './trains.ts';
import type { Stage } from './stages/index.ts';
import type { Edit } from './edits/index.ts';
import { dutiesIn } from './edits/duty.ts';

/** An edit, and the train whose own it is: what was said of a path, said of one train. */
export interface Landed {
  readonly train: number;
  readonly edit: Edit;
}

/**
 * Where an edit of the path to output `on` lands. Stages go to the train that has them, the source to the train at the root; a train as
 * a whole is told apart into the stages of each. What is asked, measured and searched is the output's own, what all share stays with
 * the drive. (handbook: drive, more than one train)
 */
export function landing(drive: Drive, on: number, edit: Edit): Result<readonly Landed[]> {
  const here = (e: Edit = edit): Result<readonly Landed[]> => ok([{ train: on, edit: e }]);
  if (on === 0) return here();
  const path = pathOf(drive, on);
  switch (edit.do) {
    case 'stage':
    case 'removeStage':
    case 'replaceStage':
    case 'repeatStage': {
      const place = path.places[edit.at];
      return place ? ok([{ train: place.train, edit: { ...edit, at: place.stage } }]) : here();
    }
    case 'addStage':
      return edit.at >= path.shared
        ? here({ ...edit, at: edit.at - path.shared })
        : ok([{ train: path.places[edit.at]!.train, edit: { ...edit, at: path.places[edit.at]!.stage } }]);
    case 'moveStage':
      return moved(drive, path, edit);
    case 'source':
    case 'sourceKind':
    case 'modes':
    case 'mode':
      return ok([{ train: path.root, edit }]);
    case 'train':
      return apart(drive, path, edit);
    case 'notes':
      return trainsOf(drive)[on]!.job.notes === undefined ? ok([{ train: 0, edit }]) : here();
    case 'duty':
    case 'removeDuty': {
      const common = (COMMON_JOB as readonly string[]).includes(edit.duty);
      const own = dataOf(trainsOf(drive)[on]!.job);
      if (edit.duty === 'between') return ok([{ train: 0, edit }]);
      return common && own[edit.duty] === undefined && dutiesIn(drive, edit.duty).length > 0
        ? ok([{ train: 0, edit }])
        : here();
    }
    case 'addDuty':
      return duties[edit.duty].of === 'job' && edit.duty !== 'between' ? here() : ok([{ train: 0, edit }]);
    case 'rename':
    case 'dismiss':
    case 'plates':
    case 'addTrain':
    case 'removeTrain':
    case 'renameTrain':
    case 'hangTrain':
    case 'arbor':
      return ok([{ train: 0, edit }]);
    default:
      return here();
  }
}

/** A stage is moved within its own train. */
function moved(
  drive: Drive,
  path: Path,
  edit: Extract<Edit, { do: 'moveStage' }>,
): Result<readonly Landed[]> {
  const place = path.places[edit.from];
  if (!place) return ok([{ train: path.train, edit }]);
  const first = edit.from - place.stage;
  const to = edit.to - first;
  const there = path.places[edit.to];
  if (to < 0 || (there && there.train !== place.train))
    return error('otherTrain', String(edit.to + 1), {
      limit: trainsOf(drive)[there?.train ?? path.train]!.name,
    });
  return ok([{ train: place.train, edit: { ...edit, from: place.stage, to } }]);
}

/** Alike in all but whether a search may change it. */
const alike = (a: Stage, b: Stage | undefined): boolean =>
  same({ ...a, kept: undefined }, { ...b, kept: undefined });

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Another train in place of a path: its own stages are its own; shared ones may be others, but not more or fewer. */
function apart(drive: Drive, path: Path, edit: Extract<Edit, { do: 'train' }>): Result<readonly Landed[]> {
  const before = path.drive.train;
  const { stages, source } = edit.train;
  const shared = before.stages.slice(0, path.shared);
  const kept = shared.every((s, i) => alike(s, stages[i]));
  if (!kept && stages.length !== before.stages.length)
    return error('sharedStages', '', {
      limit: trainsOf(drive)[path.places[0]?.train ?? path.root]!.name,
    });
  const out: Landed[] = [];
  const own = soleTrain(drive, path.train, stages.slice(path.shared));
  const { encoder, plates, ...alone } = edit;
  out.push({
    train: path.train,
    edit: {
      ...alone,
      train: { ...own, output: edit.train.output },
      // counted along its own train
      ...(encoder !== undefined && {
        encoder:
          encoder && encoder.shaft >= path.shared ? { ...encoder, shaft: encoder.shaft - path.shared } : null,
      }),
      ...(plates && path.train === 0 && { plates }),
    },
  });
  const trains = trainsOf(drive);
  const changed = new Map<number, Stage[]>();
  if (!kept)
    for (const [i, { train, stage }] of path.places.slice(0, path.shared).entries()) {
      const list = changed.get(train) ?? [...trains[train]!.stages];
      list[stage] = stages[i]!;
      changed.set(train, list);
    }
  if (!same(source, before.source) && !changed.has(path.root))
    changed.set(path.root, [...trains[path.root]!.stages]);
  for (const [train, list] of changed)
    if (train !== path.train)
      out.push({ train, edit: { ...alone, train: { ...soleTrain(drive, train, list), source } } });
  return ok(out);
}

/** A train by itself with other stages. */
function soleTrain(drive: Drive, at: number, stages: readonly Stage[]): Drive['train'] {
  const { name, source, output, limits } = trainsOf(drive)[at]!;
  return {
    ...(at > 0 || drive.train.name !== undefined ? { name } : {}),
    source: source ?? pathOf(drive, at).drive.train.source,
    stages,
    output,
    ...(limits && { limits }),
  };
}

/**
 * After the stages of train `at` changed: every train that hangs on one of its shafts stays where it hangs. A shaft goes with the stage
 * that turns it; one that is gone, or can no longer be told, refuses the change and says who hangs there.
 */
export function rehung(before: Drive, after: Drive, at: number): Result<Drive> {
  const [old, now] = [trainsOf(before)[at]!, trainsOf(after)[at]!];
  if (old.stages === now.stages || !after.others) return ok(after);
  const trains = trainsOf(after);
  const others = [];
  for (const train of after.others) {
    if (!train.from || trainAt(trains, train.from.train) !== at) {
      others.push(train);
      continue;
    }
    const shaft = shaftNow(old.stages, now.stages, train.from.shaft);
    if (shaft === null)
      return error('hangsThere', train.name, { limit: `shaft ${train.from.shaft} of ${old.name}` });
    others.push(shaft === train.from.shaft ? train : { ...train, from: { ...train.from, shaft } });
  }
  return ok(others.every((t, i) => t === after.others![i]) ? after : { ...after, others });
}

/** Where shaft `shaft` is after a change of the stages; null when it is gone or cannot be told. */
function shaftNow(before: readonly Stage[], after: readonly Stage[], shaft: number): number | null {
  const turns = before[shaft - 1];
  if (shaft === 0 || !turns) return 0;
  const at = after.indexOf(turns);
  if (at >= 0) return at + 1;
  if (after.length === before.length) return shaft;
  if (before.slice(0, shaft).every((s, i) => same(s, after[i]))) return shaft;
  const behind = before.slice(shaft - 1);
  const first = after.length - behind.length;
  return first >= 0 && behind.every((s, i) => same(s, after[first + i])) ? first + 1 : null;
}
