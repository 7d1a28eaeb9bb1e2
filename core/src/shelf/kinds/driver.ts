import { ok } from '../../numbers/index.ts';
import { readModes, type Source } from '../../drive/index.ts';
import { textInput, type PartCell, type PartData, type PartKind } from '../part.ts';

export interface DriverPart extends PartData {
  readonly kind: 'driver';
  /** "1, 2, 4, 8, 16" */
  readonly modes: string;
}

const modes: PartCell<DriverPart> = {
  label: 'Modes',
  show: (p) => p.modes,
  read: (text) => {
    const read = readModes(text);
    return read.ok ? ok({ modes: read.value.join(', ') }) : read;
  },
};

/** A motor keeps its steps and takes the driver's modes; the finest when its own is not among them. */
function source(p: DriverPart, before: Source): Source {
  const read = readModes(p.modes);
  if (!read.ok || before.kind !== 'stepper') return before;
  return {
    ...before,
    modes: read.value,
    mode: read.value.includes(before.mode) ? before.mode : read.value.at(-1)!,
  };
}

/** A stepper driver with the modes it can be set to. */
export const driver: PartKind<DriverPart> = {
  kind: 'driver',
  title: 'Driver',
  group: 'drivers',
  pasted: /\bdrivers?\b/i,
  fresh: { modes: '1, 2, 4, 8, 16' },
  inputs: [textInput('modes', 'Microstep settings', 120)],
  cells: { teeth: modes, size: null, bore: null },
  label: () => 'driver',
  refuse: (p) => {
    const read = readModes(p.modes ?? '');
    return read.ok ? ok(null) : { ok: false, refusal: { ...read.refusal, path: 'modes' } };
  },
  source,
};
