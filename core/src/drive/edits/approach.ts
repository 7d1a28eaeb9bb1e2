import { ok } from '../../numbers/index.ts';
import type { EditKind } from './edit.ts';

export interface SetApproach {
  readonly do: 'approach';
  /** places are come to from either side */
  readonly both: boolean;
}

/** From which side each place is come to. (handbook: errors, lost motion) */
export const approach: EditKind<SetApproach> = {
  id: 'approach',
  apply: (drive, edit) => {
    const { approach: _, ...job } = drive.job;
    return ok({ ...drive, job: edit.both ? { ...job, approach: 'both' } : job });
  },
  label: (edit) => (edit.both ? 'approach from either side' : 'approach from one side'),
};
