import { ok } from '../../numbers/index.ts';
import type { Encoder, Train } from '../drive.ts';
import type { Plates } from '../duties/plates.ts';
import type { EditKind } from './edit.ts';
import { withEncoderAt } from './encoder.ts';

export interface SetTrain {
  readonly do: 'train';
  readonly train: Train;
  /** "change the belt's 76 for 73", "the pinned train A" */
  readonly label: string;
  /** with it the encoder that it was judged with; null for none, as it is where nothing is said */
  readonly encoder?: Encoder | null;
  readonly plates?: Plates;
}

/** Another train in place of the present one: a cure that is taken, or one that was pinned. The train was checked before. */
export const train: EditKind<SetTrain> = {
  id: 'train',
  apply: (drive, { train: to, encoder, plates }) => {
    const { encoder: before, ...bare } = drive;
    const after = encoder === undefined ? before : encoder;
    return ok(
      withEncoderAt(
        { ...bare, ...(after && { encoder: after }), train: to, ...(plates && { plates }) },
        (s) => s,
      ),
    );
  },
  label: (edit) => edit.label,
};
