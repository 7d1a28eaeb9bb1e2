import { angleText, measured } from '../../words/index.ts';
import type { Budgeted } from './budgets.ts';

/** What of the whole error of a count its rounding is. (handbook: choose, good enough) */
export interface RoundingShare {
  /** "2.3 %" */
  readonly part: string;
  /** "2.3 % of ±96.0″" */
  readonly text: string;
  /** "±2.19″ of ±96.0″ in all: worm run-out is 40 times worse" */
  readonly sentence: string;
  /** a train that brings the missing prime would be felt */
  readonly matters: boolean;
}

/** A rounding of no more than this part of the whole error is not felt. */
const FELT = 0.1;

/** A part as whole percents, below ten with a place more. */
const percent = (part: number): string =>
  part < 0.0995 ? (part * 100).toFixed(1) : String(Math.round(part * 100));

/** Null where nothing is rounded. `misses` says that the rounding alone is outside the tolerance: then it matters, whatever else errs. */
export function roundingShare({ budget }: Budgeted, misses: boolean): RoundingShare | null {
  const rounding = budget.rows.find((r) => r.term.id === 'job.rounding')?.counted ?? 0;
  if (rounding === 0 || budget.worst === 0) return null;
  const part = rounding / budget.worst;
  const others = budget.rows.filter((r) => r.term.id !== 'job.rounding' && (r.counted ?? 0) > 0);
  const largest = others.reduce<(typeof others)[number] | null>(
    (most, r) => (most === null || r.counted! > most.counted! ? r : most),
    null,
  );
  const of = `±${angleText(budget.worst)}`;
  const times = largest ? largest.counted! / rounding : 0;
  const than =
    largest === null
      ? 'nothing else errs that is known'
      : times >= 2
        ? `${largest.term.cause} is ${measured(times)} times worse`
        : 'nothing else is twice as bad';
  return {
    part: `${percent(part)} %`,
    text: `${percent(part)} % of ${of}`,
    sentence: `±${angleText(rounding)} of ${of} in all: ${than}`,
    matters: misses || part > FELT,
  };
}
