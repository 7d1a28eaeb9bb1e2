import type { Part } from '../stages/stage.ts';
import type { InputSpec } from '../inputs.ts';

/** A source as the drive file holds it; keys that this version does not know stay in it. */
export interface SourceData {
  readonly kind: string;
}

/** Everything Pendrix knows of one kind of source. */
export interface SourceKind<D extends SourceData> {
  readonly kind: D['kind'];
  readonly title: string;
  readonly says: string;
  readonly inputs: readonly InputSpec[];
  /** whole steps (or marks, or counts) of one turn of shaft 0; null for a source without any */
  readonly fullSteps: (source: D) => number | null;
  /** how finely the driver can divide a full step, ascending; [1] when it cannot */
  readonly modes: (source: D) => readonly number[];
  /** the one in use */
  readonly mode: (source: D) => number;
  readonly parts: (source: D) => readonly Part[];
  readonly facts: (source: D) => readonly string[];
}
