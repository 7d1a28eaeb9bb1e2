import { refused, taken, type Result } from '../../numbers/index.ts';
import { MOST_STAGES, type Drive } from '../drive.ts';
import { defaultsOf, readInput } from '../inputs.ts';
import { kindOf, stages as registry, type Stage, type StageKindId } from '../stages/index.ts';
import type { EditKind } from './edit.ts';

const withStages = (drive: Drive, stages: readonly Stage[]): Drive => ({
  ...drive,
  train: { ...drive.train, stages },
});

const missing = (drive: Drive, at: number): Result<never> =>
  refused('noSuchStage', String(at + 1), { limit: String(drive.train.stages.length) });

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
}

export const addStage: EditKind<AddStage> = {
  id: 'addStage',
  apply: (drive, edit) => {
    const { stages } = drive.train;
    if (stages.length >= MOST_STAGES) return refused('tooManyStages', '', { limit: String(MOST_STAGES) });
    if (edit.at < 0 || edit.at > stages.length) return missing(drive, edit.at);
    const stage = { kind: edit.kind, ...defaultsOf(registry[edit.kind].inputs) } as unknown as Stage;
    return taken(withStages(drive, [...stages.slice(0, edit.at), stage, ...stages.slice(edit.at)]));
  },
  says: (edit) => `add ${registry[edit.kind].title.toLowerCase()}`,
};

export interface RemoveStage {
  readonly do: 'removeStage';
  readonly at: number;
}

export const removeStage: EditKind<RemoveStage> = {
  id: 'removeStage',
  apply: (drive, edit) =>
    drive.train.stages[edit.at]
      ? taken(
          withStages(
            drive,
            drive.train.stages.filter((_, i) => i !== edit.at),
          ),
        )
      : missing(drive, edit.at),
  says: (edit, before) => `remove ${named(before, edit.at)}`,
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
    return taken(withStages(drive, stages));
  },
  says: (edit, before) => `move ${named(before, edit.from)}`,
};

export interface SetStage {
  readonly do: 'stage';
  readonly at: number;
  readonly key: string;
  /** as typed; an empty text takes an optional input away, so that its estimate is in force again */
  readonly text: string;
}

export const stage: EditKind<SetStage> = {
  id: 'stage',
  apply: (drive, edit) => {
    const before = drive.train.stages[edit.at];
    if (!before) return missing(drive, edit.at);
    const kind = kindOf(before);
    const spec = kind.inputs.find((i) => i.key === edit.key);
    if (!spec) return refused('unknownEdit', edit.key);
    let after: Stage;
    if (edit.text.trim() === '' && 'optional' in spec) {
      after = Object.fromEntries(Object.entries(before).filter(([k]) => k !== edit.key)) as unknown as Stage;
    } else {
      const read = readInput(spec, edit.text);
      if (!read.ok) return read;
      after = { ...before, [edit.key]: read.value };
    }
    const refusal = kind.refuse?.(after);
    if (refusal) return { ok: false, refusal: { ...refusal, path: '' } };
    return taken(
      withStages(
        drive,
        drive.train.stages.map((s, i) => (i === edit.at ? after : s)),
      ),
    );
  },
  says: (edit, before) => {
    const of = before.train.stages[edit.at];
    const spec = of && kindOf(of).inputs.find((i) => i.key === edit.key);
    return `${named(before, edit.at)}: ${spec?.label.toLowerCase() ?? edit.key} ${edit.text.trim()}`;
  },
};
