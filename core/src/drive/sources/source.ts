import type { Suits } from '../suits.ts';
import type { Rational } from '../../numbers/index.ts';
import type { Part } from '../stages/stage.ts';
import type { InputSpec } from '../inputs.ts';

/** A source as the drive file holds it; keys that this version does not know stay in it. */
export interface SourceData {
  readonly kind: string;
  /** the motor of the shelf it follows */
  readonly partId?: string;
  /** the driver of the shelf whose modes it follows */
  readonly driverPartId?: string;
  /** where its arbor is in the plan, as of a stage */
  readonly axis?: string;
  readonly arborXMm?: number;
  readonly arborYMm?: number;
  readonly boreMm?: number;
}

/** How a source is drawn. */
export type SourceGlyph = 'motor' | 'encoderMotor' | 'crank' | 'spring' | 'synchronous';

/** What a drawn train begins with: its source, or an arbor of another train. */
export type BeginGlyph = SourceGlyph | 'arbor';

/** Everything Pendrix knows of one kind of source. */
export interface SourceKind<D extends SourceData> {
  readonly kind: D['kind'];
  readonly title: string;
  /** the same in a word, lower case, for shafts and sentences */
  readonly short: string;
  readonly message: string;
  readonly inputs: readonly InputSpec[];
  /** what its steps are called: one, and what it has none of */
  readonly step: string;
  /** what the work stops by when this source is sent somewhere */
  readonly stops: 'step' | 'mark' | 'count' | null;
  /** whole steps (or marks, or counts) of one turn of shaft 0; null for a source without any */
  readonly fullSteps: (source: D) => number | null;
  /** how finely the driver can divide a full step, ascending; [1] when it cannot */
  readonly modes: (source: D) => readonly number[];
  /** the one in use */
  readonly mode: (source: D) => number;
  /** the user can set modes and mode */
  readonly hasModes: boolean;
  /** turns a minute of shaft 0, exact; `estimate` when nobody said so */
  readonly speed: (source: D) => { readonly rpm: Rational; readonly estimate: boolean };
  readonly parts: (source: D) => readonly Part[];
  /** what a maker should know; `reduction` is the train's, signed */
  readonly facts: (source: D, reduction: Rational) => readonly string[];
  readonly glyph: SourceGlyph;
  /** some that can be bought when nobody owns any, as whole drives are chosen: estimates until a data sheet is typed. (handbook: choose, sources) */
  readonly typical?: readonly D[];
  readonly suits?: Suits;
  /** stands on its card until it was read. (handbook: cautions) */
  readonly caution?: { readonly id: string; readonly message: string };
}
