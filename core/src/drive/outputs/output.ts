import type { PiValue } from '../../numbers/index.ts';
import type { InputSpec } from '../inputs.ts';

/** An output as the drive file holds it; keys that this version does not know stay in it. */
export interface OutputData {
  readonly kind: string;
}

/** Everything Pendrix knows of one kind of output. */
export interface OutputKind<D extends OutputData> {
  readonly kind: D['kind'];
  readonly title: string;
  readonly says: string;
  readonly inputs: readonly InputSpec[];
  /** travel for one turn of the last shaft, mm, π kept as a symbol; null for what only turns */
  readonly travel: (output: D) => PiValue | null;
  readonly facts: (output: D) => readonly string[];
  /** how it is drawn */
  readonly glyph: 'table' | 'screw' | 'belt' | 'rack' | 'drum';
}
