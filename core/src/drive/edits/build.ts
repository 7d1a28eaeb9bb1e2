import { ok } from '../../numbers/index.ts';
import { buildFault, type BuildStep } from '../build.ts';
import type { EditKind } from './edit.ts';

export interface SetBuild {
  readonly do: 'build';
  /** null takes the list away */
  readonly steps: readonly BuildStep[] | null;
  /** what was done, for the undo key: "shaft 1 done" */
  readonly message: string;
}

/** The list of a build, as it is after what was done to it. (handbook: make, building in order) */
export const build: EditKind<SetBuild> = {
  id: 'build',
  apply: (drive, { steps }) => {
    const { build: _, ...rest } = drive;
    if (steps === null) return ok(rest);
    const refusal = buildFault({ steps });
    return refusal ? { ok: false, refusal } : ok({ ...rest, build: { steps } });
  },
  label: ({ message }) => message,
};
