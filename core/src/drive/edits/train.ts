import { ok } from '../../numbers/index.ts';
import type { Train } from '../drive.ts';
import type { EditKind } from './edit.ts';
import { withEncoderAt } from './encoder.ts';

export interface SetTrain {
  readonly do: 'train';
  readonly train: Train;
  /** "change the belt's 76 for 73", "the pinned train A" */
  readonly label: string;
}

/** Another train in place of the present one: a cure that is taken, or one that was pinned. The train was checked before. */
export const train: EditKind<SetTrain> = {
  id: 'train',
  apply: (drive, edit) => ok(withEncoderAt({ ...drive, train: edit.train }, (shaft) => shaft)),
  label: (edit) => edit.label,
};
