import { budget, errorTerms } from '../errors/index.ts';
import { kinematicsOf, type Drive, type Source, type Stage } from '../drive/index.ts';

/**
 * What the stages of an ending err by themselves, ″: the terms of a drive's budget that belong to stages rest on what stands behind them
 * alone, so no drive with that ending has less. Of the counts the greatest sum, and which that is; null stands for following.
 * (handbook: choose, proof)
 */
export function endingError(
  wanted: Drive,
  source: Source,
  stages: readonly Stage[],
  counts: readonly (number | null)[],
): { readonly worst: number; readonly of: number | null } {
  const drive: Drive = { ...wanted, train: { ...wanted.train, source, stages } };
  const terms = errorTerms(drive, kinematicsOf(drive)).filter((t) => t.stage !== null);
  return counts
    .map((of) => ({ of, worst: budget({ drive, terms, divisions: of, toleranceArcsec: null }).worst }))
    .reduce((a, b) => (b.worst > a.worst ? b : a));
}
