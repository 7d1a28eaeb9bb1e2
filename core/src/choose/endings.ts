import { budget, errorTerms } from '../errors/index.ts';
import { kinematicsOf, type Drive, type Stage } from '../drive/index.ts';
import { readDivisions } from '../numbers/index.ts';

/**
 * What the stages of an ending err by themselves, ″: the terms of a drive's budget that belong to stages rest on what stands behind them
 * alone, so no drive with that ending has less. Of the counts the greatest sum, else following. (handbook: choose, proof)
 */
export function endingError(
  wanted: Drive,
  source: Drive['train']['source'],
  stages: readonly Stage[],
): number {
  const drive: Drive = { ...wanted, train: { ...wanted.train, source, stages } };
  const terms = errorTerms(drive, kinematicsOf(drive)).filter((t) => t.stage !== null);
  const read = readDivisions(drive.job.divisions);
  const counts: readonly (number | null)[] = read.ok && read.value.length > 0 ? read.value : [null];
  return Math.max(
    0,
    ...counts.map((divisions) => budget({ drive, terms, divisions, toleranceArcsec: null }).worst),
  );
}
