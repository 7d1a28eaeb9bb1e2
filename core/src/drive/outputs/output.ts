import { ONE, type PiValue } from '../../numbers/index.ts';
import type { InputSpec } from '../inputs.ts';
import type { Suits } from '../suits.ts';
import { ripple, runouts, type Wobble } from '../stages/wobble.ts';

/** An output as the drive file holds it; keys that this version does not know stay in it. */
export interface OutputData {
  readonly kind: string;
  /** of its nut or mesh, end to end along the travel */
  readonly playMm?: number;
  /** the same as an angle of the last shaft; goes before the length */
  readonly playArcmin?: number;
}

/** Run-out of the wheel or drum that a carriage runs by. (handbook: errors) */
export const runoutInput: InputSpec = {
  type: 'size',
  key: 'drivenRunoutMm',
  label: 'Run-out',
  unit: 'mm',
  min: 0,
  max: 50,
  default: null,
  optional: true,
  judged: true,
  hint: 'total, as a dial gauge shows it',
};

/** The same as an error of the last shaft; its pitch diameter in mm. */
export const runningOut = (cause: string, diameterMm: number): readonly Wobble[] =>
  runouts('', cause, diameterMm).slice(1);

/** A drunken thread: ± along the travel, once a turn. */
export const leadError = (leadMm: number): readonly Wobble[] => [
  { ...ripple('screw, once a turn', 'leadErrorMm', 'out', ONE), unit: 'mm', perUnit: (2 * Math.PI) / leadMm },
];

export const leadErrorInput: InputSpec = {
  ...runoutInput,
  key: 'leadErrorMm',
  label: 'Lead error',
  hint: '± along the travel, once in a turn of the screw',
};

/** The play that an output may bring of its own. (docs: formats) */
export const outputPlay = (label: string, hint: string): InputSpec => ({
  type: 'size',
  key: 'playMm',
  label,
  unit: 'mm',
  min: 0,
  max: 50,
  default: null,
  optional: true,
  more: true,
  hint,
});

/** Everything Pendrix knows of one kind of output. */
export interface OutputKind<D extends OutputData> {
  readonly kind: D['kind'];
  readonly title: string;
  readonly message: string;
  readonly inputs: readonly InputSpec[];
  /** travel for one turn of the last shaft, mm, π kept as a symbol; null for what only turns */
  readonly travel: (output: D) => PiValue | null;
  /** what one turn of the last shaft moves along the nut or the mesh, mm, for its play; the travel unless said */
  readonly perTurnMm?: (output: D) => PiValue;
  /** turns of the last shaft for one turn of the hinge, as it starts; only for what opens a hinge */
  readonly hinge?: (output: D) => PiValue;
  /** its own play while nobody has given it: none, or not known */
  readonly play: 'none' | 'unknown';
  readonly facts: (output: D) => readonly string[];
  /** errors that come again with its shaft */
  readonly wobbles?: (output: D) => readonly Wobble[];
  /** some that can be had or made, as whole drives are chosen. (handbook: choose, families) */
  readonly typical?: readonly D[];
  readonly suits?: Suits;
  /** how it is drawn */
  readonly glyph: 'table' | 'screw' | 'belt' | 'rack' | 'drum' | 'arm';
}
