import { error, ok } from '../../numbers/index.ts';
import { readCurve } from '../curve.ts';
import type { EditKind } from './edit.ts';

export interface SetCurve {
  readonly do: 'torqueCurve';
  /** as pasted; nothing takes it away */
  readonly text: string;
}

/** The motor's torque by speed, off its data sheet. (handbook: force) */
export const torqueCurve: EditKind<SetCurve> = {
  id: 'torqueCurve',
  apply: (drive, edit) => {
    const { source } = drive.train;
    if (source.kind !== 'stepper') return error('unknownEdit', 'torqueCurve');
    const { torqueCurve: _, ...rest } = source;
    if (edit.text.trim() === '') return ok({ ...drive, train: { ...drive.train, source: rest } });
    const read = readCurve(edit.text);
    return read.ok
      ? ok({ ...drive, train: { ...drive.train, source: { ...source, torqueCurve: read.value } } })
      : read;
  },
  label: (edit) => (edit.text.trim() === '' ? 'no torque curve' : 'torque curve'),
};
