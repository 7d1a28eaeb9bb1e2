import { ok } from '../../numbers/index.ts';
import { buildFault, type BuildStep } from '../build.ts';
import type { EditKind } from './edit.ts';

export interface SetBuild {
  readonly do: 'build';
  /** that of the set-up at the machine; of the build unless said */
  readonly list?: 'build' | 'setup';
  /** null takes the list away */
  readonly steps: readonly BuildStep[] | null;
  /** of a set-up: why it is not gone through this time */
  readonly skipped?: string;
  /** what was done, for the undo key: "shaft 1 done" */
  readonly message: string;
}

/** The list of a build or of a set-up, as it is after what was done to it. (handbook: make, building in order) */
export const build: EditKind<SetBuild> = {
  id: 'build',
  apply: (drive, { steps, list = 'build', skipped }) => {
    const { [list]: _, ...rest } = drive;
    if (steps === null) return ok(rest);
    const value = { steps, ...(skipped !== undefined && { skipped }) };
    const refusal = buildFault(value);
    return refusal ? { ok: false, refusal } : ok({ ...rest, [list]: value });
  },
  label: ({ message }) => message,
};
