import type { Rational } from '../numbers/index.ts';

/** What sort of error a row is; "deadBand" and "lostMotion" are told beside the sums. (docs: formats) */
export type TermKind =
  | 'periodic'
  | 'lostMotion'
  | 'step'
  | 'rounding'
  | 'drift'
  | 'clock'
  | 'polar'
  | 'windup'
  | 'deadBand'
  | 'plate'
  | 'joint'
  | 'window';

/** Where a value comes from. `none`: there is no estimate, and nobody has said it. */
export type KnownFrom = 'estimate' | 'typed' | 'dataSheet' | 'measured' | 'exact' | 'none';

/** The field that a row's value is typed into. */
export interface TermField {
  readonly of: 'stage' | 'source' | 'output' | 'load';
  /** which stage, from 0 */
  readonly at: number;
  readonly key: string;
}

/** The value behind a row, in its unit, and what ± it makes at the output for one unit. */
export interface TermValue {
  readonly field: TermField;
  readonly unit: string;
  /** null while it is not known */
  readonly amount: number | null;
  /** ″ at the output for one unit; null where it does not go in proportion */
  readonly perUnit: number | null;
}

/** One cause of error, reflected to the output. (handbook: errors) */
export interface ErrorTerm {
  /** the same for the same cause of the same part: "stage-2.driverRunoutMm" */
  readonly id: string;
  /** "worm run-out" */
  readonly cause: string;
  /** from 0 along the path; null for the source and the job */
  readonly stage: number | null;
  /** the shaft that it comes again with, or arises at, along the path */
  readonly shaft: number;
  readonly kind: TermKind;
  /** ± at the output, ″, lost motion whole; null while it is not known */
  readonly arcsec: number | null;
  /** waves in one turn of the output; null without a period */
  readonly turnsPerOutputTurn: Rational | null;
  readonly known: KnownFrom;
  readonly value: TermValue | null;
}

/** ″ of a radian. */
export const ARCSEC_PER_RADIAN = (180 / Math.PI) * 3600;
