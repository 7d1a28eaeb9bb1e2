import { error, ok, type Result } from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';
import type { Source } from '../sources/index.ts';
import { sourceArborInputs } from '../stages/arbor.ts';
import { stageInputs, type Stage } from '../stages/index.ts';
import { trainAt, trainsOf } from '../trains.ts';
import type { EditKind } from './edit.ts';
import { withInput } from './input.ts';

export interface SetArbor {
  readonly do: 'arbor';
  readonly train: string;
  /** the stage that turns it, from 0; null for the arbor of the source */
  readonly stage: number | null;
  /** several inputs in one step, as typed; nothing takes one away */
  readonly set: Readonly<Record<string, string>>;
  /** what was done, for the undo key: "arbor 3 pinned" */
  readonly label: string;
}

/** Where an arbor stands, its layer, its distance: what the plan sets of a stage, in one step. */
export const arbor: EditKind<SetArbor> = {
  id: 'arbor',
  apply: (drive, edit) => {
    const trains = trainsOf(drive);
    const at = trainAt(trains, edit.train);
    const train = trains[at];
    if (!train) return error('noSuchTrain', edit.train, { limit: trains.map((t) => t.name).join(', ') });
    if (edit.stage === null) {
      if (!train.source) return error('noSuchStage', '0', { limit: String(train.stages.length) });
      const source = withAll<Source>(train.source, sourceArborInputs, edit.set);
      return source.ok ? ok(put(drive, at, { source: source.value })) : source;
    }
    const before = train.stages[edit.stage];
    if (!before) return error('noSuchStage', String(edit.stage + 1), { limit: String(train.stages.length) });
    const after = withAll<Stage>(before, stageInputs(before), edit.set);
    if (!after.ok) return after;
    return ok(put(drive, at, { stages: train.stages.map((s, i) => (i === edit.stage ? after.value : s)) }));
  },
  label: (edit) => edit.label,
};

function withAll<T extends object>(
  data: T,
  inputs: Parameters<typeof withInput>[1],
  set: SetArbor['set'],
): Result<T> {
  let out = data;
  for (const [key, text] of Object.entries(set)) {
    const read = withInput(out, inputs, key, text);
    if (!read.ok) return read;
    out = read.value;
  }
  return ok(out);
}

function put(
  drive: Drive,
  at: number,
  change: { readonly source?: Source; readonly stages?: readonly Stage[] },
): Drive {
  if (at === 0) return { ...drive, train: { ...drive.train, ...change } };
  return { ...drive, others: drive.others!.map((t, i) => (i === at - 1 ? { ...t, ...change } : t)) };
}
