import { ONE, rational, type Rational } from '../../numbers/index.ts';
import type { InputOf } from '../inputs.ts';

/** How well its wheels are made; without a word of it, bought. */
export type Quality = 'printed' | 'homecut' | 'bought' | 'precise';

/** Total run-out of a wheel until it is measured, mm. (handbook: errors, estimates) */
export const RUNOUT_MM = {
  printed: 0.1,
  homecut: 0.03,
  bought: 0.02,
  precise: 0.008,
} as const satisfies Record<Quality, number>;

/**
 * An error of a stage that comes again with one of its shafts: so many waves a turn of it, `perUnit` rad at the stage's own output for
 * one unit of what is typed under `key`. (handbook: errors, periodic error)
 */
export interface Wobble {
  /** "worm run-out" */
  readonly cause: string;
  /** the input that says it; a run-out may be said for both wheels by `runoutMm` */
  readonly key: string;
  readonly unit: 'mm' | '′';
  /** the shaft before the stage or the one it turns */
  readonly shaft: 'in' | 'out';
  /** waves for one turn of that shaft; null while it is not known */
  readonly waves: Rational | null;
  /** null while a size is missing */
  readonly perUnit: number | null;
  /** a run-out has an estimate by quality; all else is Unknown until somebody says it */
  readonly estimate: boolean;
}

const ARCMIN = Math.PI / 10_800;

/** Run-outs of a driver and of a driven wheel, total e to end: (e/2)/ρ at the driven wheel's pitch radius. */
export const runouts = (driver: string, driven: string, drivenMm: number | null): readonly Wobble[] =>
  (
    [
      [driver, 'driverRunoutMm', 'in'],
      [driven, 'drivenRunoutMm', 'out'],
    ] as const
  ).map(([cause, key, shaft]) => ({
    cause: `${cause} run-out`,
    key,
    unit: 'mm',
    shaft,
    waves: ONE,
    perUnit: drivenMm === null ? null : 1 / drivenMm,
    estimate: true,
  }));

/** Tooth to tooth ±τ: τ/ρ as often as teeth of the driver come by. */
export const toothToTooth = (teeth: number, drivenMm: number | null): Wobble => ({
  cause: 'tooth to tooth',
  key: 'toothErrorMm',
  unit: 'mm',
  shaft: 'in',
  waves: rational(teeth),
  perUnit: drivenMm === null ? null : 2 / drivenMm,
  estimate: false,
});

/** An angle ± at the output of what is bought whole, so many times a turn of a shaft. */
export const ripple = (cause: string, key: string, shaft: 'in' | 'out', waves: Rational | null): Wobble => ({
  cause,
  key,
  unit: '′',
  shaft,
  waves,
  perUnit: ARCMIN,
  estimate: false,
});

export const angleInput = (key: string, label: string, hint: string): InputOf<'size'> => ({
  type: 'size',
  key,
  label,
  unit: '′',
  min: 0,
  max: 10_800,
  default: null,
  optional: true,
  judged: true,
  hint,
});

/** What is bought or made whole says its error as one angle. */
export const wholeErrorInput = angleInput(
  'errorArcmin',
  'Periodic error',
  '± at its own output, for one turn of the shaft before it',
);
