import { abs, mul, toNumber, type Rational } from '../numbers/index.ts';
import { budget, errorTerms, type ErrorTerm } from '../errors/index.ts';
import { kinematicsOf, kindOf, type Drive, type Source, type Stage } from '../drive/index.ts';

const termsOf = (drive: Drive): readonly ErrorTerm[] =>
  errorTerms(drive, kinematicsOf(drive)).filter((t) => t.stage !== null);

const summed = (
  drive: Drive,
  terms: readonly ErrorTerm[],
  counts: readonly (number | null)[],
): readonly number[] =>
  counts.map((of) => budget({ drive, terms, divisions: of, toleranceArcsec: null }).worst);

/** What the stages of a drive err by themselves, all at their worst, ″, of each count; null stands for following. (handbook: choose, proof) */
export function errorsOfAll(
  wanted: Drive,
  source: Source,
  stages: readonly Stage[],
  counts: readonly (number | null)[],
): readonly number[] {
  const drive: Drive = { ...wanted, train: { ...wanted.train, source, stages } };
  return summed(drive, termsOf(drive), counts);
}

/** What goes down as the ratio behind it goes up, and comes again as much oftener. */
const SCALES: readonly ErrorTerm['kind'][] = ['periodic', 'lostMotion'];

/**
 * What one stage errs by itself behind so much reduction. Its waves and its play rest on its own sizes and on the ratio behind it alone;
 * what else it brings only adds to that, so no drive has less. A wheel that locks is told by no ratio: nothing is said of it.
 * (handbook: choose, proof)
 */
export class StageErrors {
  private readonly drive: Drive;
  private readonly terms: readonly ErrorTerm[];
  private readonly counts: readonly (number | null)[];

  constructor(wanted: Drive, source: Source, stage: Stage, counts: readonly (number | null)[]) {
    this.drive = { ...wanted, train: { ...wanted.train, source, stages: [stage] } };
    this.counts = counts;
    this.terms = locks(stage) ? [] : termsOf(this.drive).filter((t) => SCALES.includes(t.kind));
  }

  behind(ratio: Rational): readonly number[] {
    const times = abs(ratio);
    const size = toNumber(times);
    const terms = this.terms.map((t): ErrorTerm => ({
      ...t,
      arcsec: t.arcsec === null ? null : t.arcsec / size,
      turnsPerOutputTurn: t.turnsPerOutputTurn && mul(t.turnsPerOutputTurn, times),
    }));
    return summed(this.drive, terms, this.counts);
  }
}

/** Whether a stage rests at places of its own, whatever stands before it. */
export const locks = (stage: Stage): boolean => kindOf(stage).locks !== undefined;
