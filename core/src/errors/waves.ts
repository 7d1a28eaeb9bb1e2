import { toNumber } from '../numbers/index.ts';
import type { Drive, Kinematics } from '../drive/index.ts';
import { budget, errorTerms, type BudgetRow } from './budget.ts';

/** What comes again while something is followed. */
export interface Wave {
  /** its causes, those of one period joined */
  readonly title: string;
  readonly periodSeconds: number;
  /** ± at the output, ″ */
  readonly arcsec: number;
}

/** The waves of a budget that are in force, equal periods as one, the largest first; `turnSeconds` is a turn of the output. */
export function wavesOf(rows: readonly BudgetRow[], turnSeconds: number): readonly Wave[] {
  const by = new Map<string, Wave>();
  for (const { term, counted } of rows) {
    if (term.kind !== 'periodic' || !counted || !term.turnsPerOutputTurn) continue;
    const periodSeconds = turnSeconds / toNumber(term.turnsPerOutputTurn);
    const key = periodSeconds.toPrecision(12);
    const before = by.get(key);
    by.set(key, {
      title: before ? `${before.title}, ${term.cause}` : term.cause,
      periodSeconds,
      arcsec: (before?.arcsec ?? 0) + counted,
    });
  }
  return [...by.values()].sort((a, b) => b.arcsec - a.arcsec);
}

/** The waves of a drive that runs one way, and how many causes nobody knows the size of. */
export function runningWaves(
  drive: Drive,
  k: Kinematics,
  turnSeconds: number,
): { readonly waves: readonly Wave[]; readonly unknown: number } {
  const { rows } = budget({ drive, terms: errorTerms(drive, k), divisions: null, toleranceArcsec: null });
  return {
    waves: wavesOf(rows, turnSeconds),
    unknown: rows.filter((r) => r.term.kind === 'periodic' && r.counted === null).length,
  };
}

/** Greatest less least of a wave in so many seconds from its worst start, ″: 2A·sin(π·t/P), 2A from half its period on. */
export const motionOf = ({ arcsec, periodSeconds }: Wave, seconds: number): number =>
  2 * arcsec * (seconds >= periodSeconds / 2 ? 1 : Math.sin((Math.PI * seconds) / periodSeconds));
