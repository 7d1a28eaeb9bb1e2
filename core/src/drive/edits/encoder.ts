import { fromEntries } from '../data.ts';
import { error, ok } from '../../numbers/index.ts';
import { encoderInputs, type Drive, type Encoder } from '../drive.ts';
import type { EditKind } from './edit.ts';
import { inputLabel, withInput } from './input.ts';

/** The drive with its encoder on another shaft, kept on one that there is. */
export function withEncoderAt(drive: Drive, to: (shaft: number) => number): Drive {
  if (!drive.encoder) return drive;
  const shaft = Math.max(0, Math.min(drive.train.stages.length, to(drive.encoder.shaft)));
  return shaft === drive.encoder.shaft ? drive : { ...drive, encoder: { ...drive.encoder, shaft } };
}

export interface AddEncoder {
  readonly do: 'addEncoder';
}

/** An encoder on the source's shaft. */
export const addEncoder: EditKind<AddEncoder> = {
  id: 'addEncoder',
  apply: (drive) => ok({ ...drive, encoder: drive.encoder ?? { lines: 600, decode: 4, shaft: 0 } }),
  label: () => 'add encoder',
};

export interface RemoveEncoder {
  readonly do: 'removeEncoder';
}

export const removeEncoder: EditKind<RemoveEncoder> = {
  id: 'removeEncoder',
  apply: (drive) => {
    const rest = Object.entries(drive).filter(([key]) => key !== 'encoder');
    return ok(fromEntries<Drive>(rest));
  },
  label: () => 'remove encoder',
};

export interface SetEncoder {
  readonly do: 'encoder';
  readonly key: string;
  readonly text: string;
}

/** One input of the encoder, as typed. */
export const encoder: EditKind<SetEncoder> = {
  id: 'encoder',
  apply: (drive, edit) => {
    if (!drive.encoder) return error('noEncoder', '');
    const read = withInput(drive.encoder, encoderInputs, edit.key, edit.text);
    if (!read.ok) return read;
    const after: Encoder = read.value;
    const last = drive.train.stages.length;
    return after.shaft > last
      ? error('noSuchShaft', edit.text.trim(), { limit: String(last) })
      : ok({ ...drive, encoder: after });
  },
  label: (edit) => `encoder: ${inputLabel(encoderInputs, edit.key, edit.text)}`,
};
