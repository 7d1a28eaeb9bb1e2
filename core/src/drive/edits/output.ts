import { error, ok } from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';
import { outputKindOf, outputs, type Output, type OutputKindId } from '../outputs/index.ts';
import type { EditKind } from './edit.ts';
import { inputLabel, ofKind, withInput } from './input.ts';

const withOutput = (drive: Drive, output: Output): Drive => ({ ...drive, train: { ...drive.train, output } });

export interface SetOutput {
  readonly do: 'output';
  readonly key: string;
  readonly text: string;
}

/** One input of the output, as typed. */
export const output: EditKind<SetOutput> = {
  id: 'output',
  apply: (drive, edit) => {
    const { output: before } = drive.train;
    const after = withInput(before, outputKindOf(before).inputs, edit.key, edit.text);
    return after.ok ? ok(withOutput(drive, after.value)) : after;
  },
  label: (edit, before) => {
    const kind = outputKindOf(before.train.output);
    return `${kind.title.toLowerCase()}: ${inputLabel(kind.inputs, edit.key, edit.text)}`;
  },
};

export interface SetOutputKind {
  readonly do: 'outputKind';
  readonly kind: OutputKindId;
}

/** Another kind of output in its place, with its own defaults. */
export const outputKind: EditKind<SetOutputKind> = {
  id: 'outputKind',
  apply: (drive, edit) => {
    const before = drive.train.output;
    if (before.kind === edit.kind) return ok(drive);
    // A tolerance along a circle needs to know which.
    if (edit.kind === 'rotary' && drive.job.toleranceMm !== undefined && drive.job.radiusMm === undefined)
      return error('noRadius', '');
    return ok(
      withOutput(drive, ofKind(edit.kind, outputs[edit.kind].inputs, { ...before }) as unknown as Output),
    );
  },
  label: (edit) => outputs[edit.kind].title.toLowerCase(),
};
