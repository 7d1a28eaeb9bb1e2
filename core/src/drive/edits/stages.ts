import { error, ok, type Result } from '../../numbers/index.ts';
import { MAX_STAGES, type Drive } from '../drive.ts';
import { defaultsOf, refusalOf, type InputValue } from '../inputs.ts';
import { arborInputs } from '../stages/arbor.ts';
import { commonInputs } from '../stages/common.ts';
import { kindOf, stageInputs, stages as registry, type Stage, type StageKindId } from '../stages/index.ts';
import type { StageData } from '../stages/stage.ts';
import type { EditKind } from './edit.ts';
import { withEncoderAt } from './encoder.ts';
import { inputLabel, withInput } from './input.ts';

const withStages = (drive: Drive, stages: readonly Stage[]): Drive => ({
  ...drive,
  train: { ...drive.train, stages },
});

const missing = (drive: Drive, at: number): Result<never> =>
  error('noSuchStage', String(at + 1), { limit: String(drive.train.stages.length) });

/** The stage's kind in lower case, as the undo key names it. */
const named = (drive: Drive, at: number): string => {
  const stage = drive.train.stages[at];
  return stage ? kindOf(stage).title.toLowerCase() : 'stage';
};

export interface AddStage {
  readonly do: 'addStage';
  readonly kind: StageKindId;
  /** the place it will have, 0 next to the source */
  readonly at: number;
  /** its inputs where they are not the defaults, as the drive file holds them */
  readonly with?: Readonly<Record<string, InputValue>>;
}

/** A stage of a kind with its defaults, or with these inputs; checked. */
function made(kindId: StageKindId, values?: Readonly<Record<string, InputValue>>): Result<Stage> {
  const kind = kindOf({ kind: kindId });
  const stage = { kind: kindId, ...defaultsOf(kind.inputs), ...(values ?? kind.fresh) } as unknown as Stage;
  const refusal = refusalOf(stageInputs(stage), { ...stage }) ?? kind.refuse?.(stage);
  return refusal ? { ok: false, refusal } : ok(stage);
}

export const addStage: EditKind<AddStage> = {
  id: 'addStage',
  apply: (drive, edit) => {
    const { stages } = drive.train;
    if (stages.length >= MAX_STAGES) return error('tooManyStages', '', { limit: String(MAX_STAGES) });
    if (edit.at < 0 || edit.at > stages.length) return missing(drive, edit.at);
    const stage = made(edit.kind, edit.with);
    if (!stage.ok) return stage;
    const after = withStages(drive, [...stages.slice(0, edit.at), stage.value, ...stages.slice(edit.at)]);
    return ok(withEncoderAt(after, (shaft) => (shaft > edit.at ? shaft + 1 : shaft)));
  },
  label: (edit) => `add ${registry[edit.kind].title.toLowerCase()}`,
};

export interface ReplaceStage {
  readonly do: 'replaceStage';
  readonly at: number;
  readonly kind: StageKindId;
  readonly with: Readonly<Record<string, InputValue>>;
}

/** Another stage in the place of one; its name, play and bores stay. */
export const replaceStage: EditKind<ReplaceStage> = {
  id: 'replaceStage',
  apply: (drive, edit) => {
    const before = drive.train.stages[edit.at];
    if (!before) return missing(drive, edit.at);
    const stage = made(edit.kind, edit.with);
    if (!stage.ok) return stage;
    const kept = Object.entries(before).filter(
      ([key]) => [...commonInputs, ...arborInputs].some((i) => i.key === key) && edit.with[key] === undefined,
    );
    const after = { ...stage.value, ...Object.fromEntries(kept) };
    return ok(
      withStages(
        drive,
        drive.train.stages.map((s, i) => (i === edit.at ? after : s)),
      ),
    );
  },
  label: (edit, before) => `${named(before, edit.at)}: now ${registry[edit.kind].title.toLowerCase()}`,
};

export interface RepeatStage {
  readonly do: 'repeatStage';
  readonly at: number;
  /** so many more of the same, right behind it */
  readonly times: number;
}

/** The same stage again, so many times: a great reduction is made in one go. Names of the copies stay with the first. */
export const repeatStage: EditKind<RepeatStage> = {
  id: 'repeatStage',
  apply: (drive, edit) => {
    const { stages } = drive.train;
    const stage = stages[edit.at];
    if (!stage) return missing(drive, edit.at);
    if (!Number.isInteger(edit.times) || edit.times < 1)
      return error('tooSmall', String(edit.times), { limit: '1' });
    if (stages.length + edit.times > MAX_STAGES)
      return error('tooManyStages', '', { limit: String(MAX_STAGES) });
    const { name: _, ...copy } = stage;
    const copies = Array.from({ length: edit.times }, () => ({ ...copy }));
    const after = withStages(drive, [
      ...stages.slice(0, edit.at + 1),
      ...copies,
      ...stages.slice(edit.at + 1),
    ]);
    return ok(withEncoderAt(after, (shaft) => (shaft > edit.at ? shaft + edit.times : shaft)));
  },
  label: (edit, before) =>
    edit.times === 1
      ? `duplicate ${named(before, edit.at)}`
      : `${named(before, edit.at)} × ${edit.times + 1}`,
};

export interface RemoveStage {
  readonly do: 'removeStage';
  readonly at: number;
}

export const removeStage: EditKind<RemoveStage> = {
  id: 'removeStage',
  apply: (drive, edit) =>
    drive.train.stages[edit.at]
      ? ok(
          withEncoderAt(
            withStages(
              drive,
              drive.train.stages.filter((_, i) => i !== edit.at),
            ),
            (shaft) => (shaft > edit.at ? shaft - 1 : shaft),
          ),
        )
      : missing(drive, edit.at),
  label: (edit, before) => `remove ${named(before, edit.at)}`,
};

export interface MoveStage {
  readonly do: 'moveStage';
  readonly from: number;
  /** the place it will have afterwards */
  readonly to: number;
}

export const moveStage: EditKind<MoveStage> = {
  id: 'moveStage',
  apply: (drive, edit) => {
    const stages = [...drive.train.stages];
    const [stage] = stages.splice(edit.from, 1);
    if (!stage || edit.from < 0) return missing(drive, edit.from);
    if (edit.to < 0 || edit.to > stages.length) return missing(drive, edit.to);
    stages.splice(edit.to, 0, stage);
    return ok(withStages(drive, stages));
  },
  label: (edit, before) => `move ${named(before, edit.from)}`,
};

/** A stage that follows no line of the shelf any more. */
export function standingAlone<D extends StageData>(stage: D): D {
  const { partId: _p, driverPartId: _r, drivenPartId: _n, ...rest } = stage;
  return rest as D;
}

export interface SetStage {
  readonly do: 'stage';
  readonly at: number;
  readonly key: string;
  /** as typed */
  readonly text: string;
}

export const stage: EditKind<SetStage> = {
  id: 'stage',
  apply: (drive, edit) => {
    const before = drive.train.stages[edit.at];
    if (!before) return missing(drive, edit.at);
    const kind = kindOf(before);
    const read = withInput(before, stageInputs(before), edit.key, edit.text);
    if (!read.ok) return read;
    const settled = (kind.settle?.(read.value, before, edit.key) ?? read.value) as Stage;
    // what is said of it by hand is no longer what the shelf says
    const after = kind.inputs.some((i) => i.key === edit.key) ? standingAlone(settled) : settled;
    const refusal = kind.refuse?.(after);
    if (refusal) return { ok: false, refusal: { ...refusal, path: '' } };
    return ok(
      withStages(
        drive,
        drive.train.stages.map((s, i) => (i === edit.at ? after : s)),
      ),
    );
  },
  label: (edit, before) => {
    const of = before.train.stages[edit.at];
    return `${named(before, edit.at)}: ${inputLabel(of ? stageInputs(of) : [], edit.key, edit.text)}`;
  },
};
