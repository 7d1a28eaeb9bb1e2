import { refused, taken } from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';
import { readInput } from '../inputs.ts';
import { readModes } from '../modes.ts';
import { sourceKindOf, type Source } from '../sources/index.ts';
import type { EditKind } from './edit.ts';

const withSource = (drive: Drive, source: Source): Drive => ({ ...drive, train: { ...drive.train, source } });

export interface SetSource {
  readonly do: 'source';
  readonly key: string;
  readonly text: string;
}

/** One input of the source, as typed. */
export const source: EditKind<SetSource> = {
  id: 'source',
  apply: (drive, edit) => {
    const spec = sourceKindOf(drive.train.source).inputs.find((i) => i.key === edit.key);
    if (!spec) return refused('unknownEdit', edit.key);
    const read = readInput(spec, edit.text);
    return read.ok ? taken(withSource(drive, { ...drive.train.source, [edit.key]: read.value })) : read;
  },
  says: (edit, before) => {
    const spec = sourceKindOf(before.train.source).inputs.find((i) => i.key === edit.key);
    return `motor: ${spec?.label.toLowerCase() ?? edit.key} ${edit.text.trim()}`;
  },
};

export interface SetModes {
  readonly do: 'modes';
  readonly text: string;
}

/** The driver's modes. When the one in use is no longer among them, the finest takes its place. */
export const modes: EditKind<SetModes> = {
  id: 'modes',
  apply: (drive, edit) => {
    const read = readModes(edit.text);
    if (!read.ok) return read;
    const mode = read.value.includes(drive.train.source.mode) ? drive.train.source.mode : read.value.at(-1)!;
    return taken(withSource(drive, { ...drive.train.source, modes: read.value, mode }));
  },
  says: (edit) => `driver modes ${edit.text.trim()}`,
};

export interface SetMode {
  readonly do: 'mode';
  readonly mode: number;
}

/** The mode in use, one of the driver's. */
export const mode: EditKind<SetMode> = {
  id: 'mode',
  apply: (drive, edit) => {
    const known = drive.train.source.modes;
    if (!known.includes(edit.mode))
      return refused('notAMode', String(edit.mode), { limit: known.join(', ') });
    return taken(withSource(drive, { ...drive.train.source, mode: edit.mode }));
  },
  says: (edit) => (edit.mode === 1 ? 'full steps' : `microsteps 1/${edit.mode}`),
};
