import { abs, div, mul, rational, toNumber } from '../../numbers/index.ts';
import { budget, errorTerms, type Budget, type ErrorTerm } from '../../errors/index.ts';
import { toleranceArcsec, toleranceOf } from '../../motion/index.ts';
import type { Base } from '../base.ts';
import { lazy } from '../lazy.ts';
import { dividingTerms, gathered, trackingTerms } from './job-terms.ts';

/** One budget of a drive: of a count, or of the first rate. */
export interface Budgeted {
  readonly key: string;
  readonly divisions: number | null;
  readonly title: string;
  readonly budget: Budget;
  readonly terms: readonly ErrorTerm[];
  /** one turn of the output at the working rate, s; null for a source that nobody has told a speed */
  readonly turnSeconds: number | null;
  /** what drifts is gathered for so long, s; null when dividing */
  readonly seconds: number | null;
}

export interface Budgets {
  readonly tolerance: number | null;
  /** of the train alone */
  readonly terms: () => readonly ErrorTerm[];
  /** every count asked, then the first rate */
  readonly all: readonly Budgeted[];
  /** the count with the greatest sum; null when nothing is divided */
  readonly dividing: Budgeted | null;
  readonly tracking: Budgeted | null;
}

/** More counts than this are not budgeted one by one. */
const MOST = 400;

/** Every budget of a drive's path, from one list of terms. (handbook: errors, budget) */
export function budgetsOf(of: Base): Budgets {
  const { drive, k } = of;
  const allowed = toleranceOf(drive.job);
  const tolerance = allowed && toleranceArcsec(allowed);
  const terms = lazy(() => errorTerms(drive, k));
  const turn = toNumber(div(mul(rational(60), abs(k.reduction)), k.speed.rpm));
  const dividing = countsOf(of).map(({ divisions, own }): Budgeted => {
    const all = [...terms(), ...own()];
    return {
      key: `divide.${divisions}`,
      divisions,
      title: `${divisions} gaps`,
      budget: budget({ drive, terms: all, divisions, toleranceArcsec: tolerance }),
      terms: all,
      turnSeconds: k.hinge ? null : turn,
      seconds: null,
    };
  });
  const rate = of.duties.rates[0];
  const tracking = rate?.follows
    ? ((): Budgeted => {
        const all = [...terms(), ...trackingTerms(of, rate)];
        return {
          key: 'track',
          divisions: null,
          title: rate.name,
          budget: budget({ drive, terms: all, divisions: null, toleranceArcsec: tolerance }),
          terms: all,
          turnSeconds: Math.abs(toNumber(rate.period)),
          seconds: gathered(of),
        };
      })()
    : null;
  return {
    tolerance,
    terms,
    all: [...dividing, ...(tracking ? [tracking] : [])],
    dividing: dividing.reduce<Budgeted | null>(
      (worst, b) => (worst === null || b.budget.worst > worst.budget.worst ? b : worst),
      null,
    ),
    tracking,
  };
}

/** Each count with what it brings of its own: by the holes of a plate nothing is rounded, and what has no circle is not divided. */
function countsOf(
  of: Base,
): readonly { readonly divisions: number; readonly own: () => readonly ErrorTerm[] }[] {
  if (of.byHand)
    return of.byHand
      .filter((row) => row.graded.grade === 'even')
      .slice(0, MOST)
      .map(({ divisions }) => ({ divisions, own: () => [] }));
  if (!of.divider) return [];
  return of.divisions
    .slice(0, MOST)
    .map((d) => ({ divisions: d.divisions, own: () => dividingTerms(of, d) }));
}
