import type { Division } from '../../divide/index.ts';
import { doubtOfStops } from '../../motion/index.ts';
import { worstFigure } from '../divide/division-working.ts';
import { doubtful, gradeOfDivision, gradeWords, grouped, timeText } from '../../words/index.ts';
import type { Budgeted } from '../errors/budgets.ts';
import { empty, type VerdictCell } from '../cell.ts';
import type { Judged } from './judged.ts';

/** The sum of all causes for the worst count, else for the rate that is followed; its working tells what rounding alone leaves. */
export function errorCell(judged: Judged): VerdictCell {
  const { divisions, asked, plates, errors } = judged;
  const tracked = asked === 0 ? errors().budgets.tracking : null;
  if (tracked) return summed(judged, tracked, null);
  const cell = empty('error', asked === 0 ? 'asked' : 'judged', 'no divisions asked');
  if (plates)
    return plates.some((r) => r.graded.grade === 'unknown')
      ? { ...cell, group: 'plates', absent: 'a circle is missing' }
      : plateCell(judged, cell);
  const by = errors().budgets.dividing;
  const worst = by && divisions.find((d) => d.divisions === by.divisions);
  return by && worst ? summed(judged, by, worst) : cell;
}

/** In whole holes nothing is rounded: what is left is of the stages, and of the holes. */
function plateCell(judged: Judged, cell: VerdictCell): VerdictCell {
  const by = judged.errors().budgets.dividing;
  const graded = by && judged.errors().of(by.key)!.worst.graded;
  return by && by.budget.worst > 0
    ? {
        ...summed(judged, by, null),
        graded: graded && doubtful(graded, doubtOfStops(judged.drive, judged.k), 'arcsec'),
      }
    : { ...cell, group: 'plates', absent: 'none, in whole holes' };
}

/** One budget as the cell: dividing into a count, or following. */
function summed({ drive, k, divider, errors }: Judged, by: Budgeted, d: Division | null): VerdictCell {
  const told = errors().of(by.key)!;
  const sum = told.worst;
  const grade = sum.graded?.grade ?? (by.budget.worst === 0 ? 'even' : 'rounded');
  const word = grade === 'misses' ? sum.graded!.word : gradeWords[grade];
  const of = by.divisions;
  const arithmetic = d && divider ? gradeOfDivision(d, divider) : null;
  const gathered = by.seconds === null ? '' : `what drifts is gathered for ${timeText(by.seconds).join(' ')}`;
  return {
    ...empty('error', 'judged', ''),
    group: 'errors',
    // where a wheel locks, a count that it does not have misses whatever is allowed
    graded:
      arithmetic?.grade === 'misses' && grade !== 'misses'
        ? arithmetic
        : doubtful({ grade, word }, doubtOfStops(drive, k), 'arcsec'),
    figure: {
      ...sum.figure,
      key: 'errors.all',
      label: `worst error of ${of === null ? by.title : grouped(String(of))}, all causes at their worst`,
      working: () => [
        {
          label: of === null ? 'following' : 'of all counts',
          text: [
            ...(of === null ? [gathered] : [`${grouped(String(of))} has the greatest sum; `]),
            ...(of === null
              ? []
              : d && divider
                ? ['rounding alone leaves ', ...worstFigure({ drive, k, divider, d }).text]
                : ['whole holes are rounded by nothing']),
            told.unknown && `, ${told.unknown}`,
          ],
          exact: false,
        },
        ...sum.figure.working(),
      ],
    },
  };
}
