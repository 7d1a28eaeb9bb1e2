import type { Result } from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';

/**
 * One kind of edit: plain data in, a new drive or a refusal out; the drive that was given stays as it is.
 * Undo keeps earlier drives, so an edit has no inverse.
 */
export interface EditKind<E extends { readonly do: string }> {
  readonly id: E['do'];
  readonly apply: (drive: Drive, edit: E) => Result<Drive>;
  /** what was done, for the undo key: "belt: driven 80" */
  readonly label: (edit: E, before: Drive) => string;
}
