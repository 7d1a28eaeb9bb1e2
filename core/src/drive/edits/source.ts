import { error, ok } from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';
import { readModes } from '../modes.ts';
import { sourceKindOf, sources, type Source, type SourceKindId } from '../sources/index.ts';
import { STEPPER_DEFAULT, type Stepper } from '../sources/stepper.ts';
import type { EditKind } from './edit.ts';
import { inputLabel, ofKind, withInput } from './input.ts';

const withSource = (drive: Drive, source: Source): Drive => ({ ...drive, train: { ...drive.train, source } });

/** The source when it is one whose driver has modes. */
const stepperOf = ({ train: { source: s } }: Drive): Stepper | null => (s.kind === 'stepper' ? s : null);

export interface SetSource {
  readonly do: 'source';
  readonly key: string;
  readonly text: string;
}

/** One input of the source, as typed. */
export const source: EditKind<SetSource> = {
  id: 'source',
  apply: (drive, edit) => {
    const { source: before } = drive.train;
    const after = withInput(before, sourceKindOf(before).inputs, edit.key, edit.text);
    if (!after.ok) return after;
    const { partId: _, ...alone } = after.value;
    return ok(withSource(drive, edit.key === 'fullSteps' ? (alone as Source) : after.value));
  },
  label: (edit, before) => {
    const kind = sourceKindOf(before.train.source);
    return `${kind.title.toLowerCase()}: ${inputLabel(kind.inputs, edit.key, edit.text)}`;
  },
};

export interface SetSourceKind {
  readonly do: 'sourceKind';
  readonly kind: SourceKindId;
}

/** Another kind of source in its place, with its own defaults. */
export const sourceKind: EditKind<SetSourceKind> = {
  id: 'sourceKind',
  apply: (drive, edit) => {
    const before = drive.train.source;
    if (before.kind === edit.kind) return ok(drive);
    const after = ofKind(edit.kind, sources[edit.kind].inputs, { ...before }) as unknown as Source;
    const modes = sources[edit.kind].hasModes ? { ...STEPPER_DEFAULT, ...after } : after;
    return ok(withSource(drive, modes));
  },
  label: (edit) => sources[edit.kind].title.toLowerCase(),
};

export interface SetModes {
  readonly do: 'modes';
  readonly text: string;
  /** the one that was in use before they were typed: it stays wherever it is among them */
  readonly mode?: number;
}

/** The driver's modes. When the one in use is no longer among them, the finest takes its place. */
export const modes: EditKind<SetModes> = {
  id: 'modes',
  apply: (drive, edit) => {
    const before = stepperOf(drive);
    if (!before) return error('unknownEdit', 'modes');
    const read = readModes(edit.text);
    if (!read.ok) return read;
    const wanted = edit.mode ?? before.mode;
    const mode = read.value.includes(wanted) ? wanted : read.value.at(-1)!;
    const { driverPartId: _, ...alone } = before;
    return ok(withSource(drive, { ...alone, modes: read.value, mode }));
  },
  label: (edit) => `driver modes ${edit.text.trim()}`,
};

export interface SetMode {
  readonly do: 'mode';
  readonly mode: number;
}

/** The mode in use, one of the driver's. */
export const mode: EditKind<SetMode> = {
  id: 'mode',
  apply: (drive, edit) => {
    const before = stepperOf(drive);
    if (!before) return error('unknownEdit', 'mode');
    if (!before.modes.includes(edit.mode))
      return error('notAMode', String(edit.mode), { limit: before.modes.join(', ') });
    return ok(withSource(drive, { ...before, mode: edit.mode }));
  },
  label: (edit) => (edit.mode === 1 ? 'full steps' : `microsteps 1/${edit.mode}`),
};
