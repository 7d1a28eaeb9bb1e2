import { ok } from '../../numbers/index.ts';
import type { EditKind } from './edit.ts';

export interface Dismiss {
  readonly do: 'dismiss';
  readonly caution: string;
}

/** A caution was read and is put away for this drive. (handbook: cautions) */
export const dismiss: EditKind<Dismiss> = {
  id: 'dismiss',
  apply: (drive, edit) =>
    ok({ ...drive, dismissed: [...new Set([...(drive.dismissed ?? []), edit.caution])] }),
  label: () => 'caution put away',
};
