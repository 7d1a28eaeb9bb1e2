import { doubtOfStops, isSure, steeredCounts, SURE, worstGrade } from '../../motion/index.ts';
import type { Divider, Division } from '../../divide/index.ts';
import type { PlateRow } from '../duties/plates/plates.ts';
import {
  doubtful,
  type Graded,
  gradeOfDivision,
  gradeWords,
  grouped,
  type Rich,
  shortList,
} from '../../words/index.ts';
import { encoderReport } from '../train/encoder.ts';
import { stepsFigure, stepsGrade } from '../train/train.ts';
import { CELLS, type CellId, empty, type VerdictCell } from '../cell.ts';
import type { Judged } from './judged.ts';
import { errorCell } from './error.ts';

/** What a cell says that nothing has lit. */
const DARK = {
  steps: 'no steps',
  divisions: 'no divisions asked',
  error: 'no divisions asked',
  rate: 'no rate asked',
  speed: 'no speed asked',
  force: 'no load given',
} as const satisfies Record<CellId, string>;

/** The cells of the drive itself; the others belong to what is asked besides dividing. */
const OWN: Readonly<Partial<Record<CellId, (judged: Judged) => VerdictCell>>> = {
  steps: stepsCell,
  divisions: divisionsCell,
  error: errorCell,
};

/** The verdict strip. Worst error is the sum of all causes for the worst count; its working tells what rounding alone leaves. */
export const verdict = (judged: Judged): readonly VerdictCell[] =>
  CELLS.map((id) => OWN[id]?.(judged) ?? judged.duties.cell(id) ?? empty(id, 'asked', DARK[id]));

/** What moves without steps has none to tell. */
function stepsCell({ drive, k }: Judged): VerdictCell {
  const cell = empty('steps', 'built', k.lock ? 'indexed, no steps' : DARK.steps);
  // an encoder that corrects is what is divided by
  const counts = steeredCounts(drive, k);
  const counter = counts && encoderReport(drive, k, []);
  if (counter) {
    const graded: Graded =
      counts.d === 1n
        ? { grade: 'even', word: 'Even' }
        : { grade: 'rounded', word: `Repeats after ${counts.d} turns` };
    return { ...cell, figure: counter.counts, graded: doubtful(graded, doubtOfStops(drive, k), 'arcsec') };
  }
  return k.stepsPerTurn ? { ...cell, figure: stepsFigure(drive, k), graded: stepsGrade(k) } : cell;
}

/** Divided by hand: what the plates make of the wanted counts. */
function platesCell(rows: readonly PlateRow[]): VerdictCell {
  const even = rows.filter((r) => r.graded.grade !== 'unknown');
  const none = rows.length - even.length;
  return {
    ...empty('divisions', 'judged', ''),
    group: 'plates',
    graded: none > 0 ? { grade: 'unknown', word: `${none} unknown` } : { grade: 'even', word: 'Even' },
    figure: {
      key: 'plates.all',
      label: 'divisions that the plates make',
      value: String(even.length),
      text: [grouped(String(even.length)), { unit: `of ${grouped(String(rows.length))}` }],
      exact: true,
      working: () => [
        ...(even.length > 0
          ? [
              {
                label: 'made',
                text: [
                  shortList(
                    even.map((r) => String(r.divisions)),
                    8,
                  ),
                ],
                exact: true,
              },
            ]
          : []),
        ...(none > 0
          ? [
              {
                label: 'no circle',
                text: [
                  shortList(
                    rows.filter((r) => r.graded.grade === 'unknown').map((r) => String(r.divisions)),
                    8,
                  ),
                ],
                exact: true,
              },
            ]
          : []),
        { label: 'come out even', text: [{ strong: `${even.length} of ${rows.length}` }], exact: true },
      ],
    },
  };
}

function divisionsCell({ divider, divisions, asked, plates }: Judged): VerdictCell {
  const cell = empty('divisions', asked === 0 ? 'asked' : 'judged', DARK.divisions);
  if (asked === 0) return cell;
  if (plates) return platesCell(plates);
  const grade = divider ? worstGrade(divisions.map((d) => d.grade)) : 'unknown';
  const even = divisions.filter((d) => d.step.d === 1n);
  const text: Rich = [grouped(String(even.length)), { unit: `of ${grouped(String(asked))}` }];
  return {
    ...cell,
    graded: doubtful(
      { grade, word: grade === 'evenMicrostep' ? 'Even, finer' : gradeWords[grade] },
      divider?.doubt ?? SURE,
      'arcsec',
    ),
    figure: {
      key: 'divide.all',
      label: 'divisions that come out even',
      value: String(even.length),
      text,
      exact: divider === null || isSure(divider.doubt),
      working: () => [
        ...groups(divisions).map(([word, counts]) => ({
          label: word,
          text: [shortList(counts, 8)],
          exact: true,
        })),
        {
          label: 'come out even',
          text: [{ strong: `${even.length} of ${asked}` }],
          exact: divider === null || isSure(divider.doubt),
        },
      ],
    },
  };
}

const groups = (divisions: readonly Division[]): [string, string[]][] => {
  const out = new Map<string, string[]>();
  for (const d of divisions) {
    const word = gradeWords[d.grade].toLowerCase();
    out.set(word, [...(out.get(word) ?? []), grouped(String(d.divisions))]);
  }
  return [...out];
};

/** "2 Even, 4 Rounded" for the head of a table: how many of each grade, best first. */
export function tally(divisions: readonly Division[]): readonly Graded[] {
  const order = ['even', 'evenMicrostep', 'rounded', 'misses'] as const;
  return order.flatMap((grade) => {
    const n = divisions.filter((d) => d.grade === grade).length;
    return n > 0 ? [{ grade, word: `${grouped(String(n))} ${gradeWords[grade]}` }] : [];
  });
}

/** What of a drive wants attention, in one sentence; null when nothing does. */
export function attention(divisions: readonly Division[], divider: Divider | null): string | null {
  const misses = divisions.filter((d) => d.grade === 'misses');
  const first = misses[0];
  if (!divider || !first) return null;
  const by = `${grouped(String(first.divisions))} ${gradeOfDivision(first, divider).word.toLowerCase()}`;
  if (misses.length === 1) return by;
  const rest = shortList(
    misses.slice(1).map((d) => grouped(String(d.divisions))),
    4,
  );
  return `${by}; so ${misses.length === 2 ? 'does' : 'do'} ${rest}`;
}

/** The counts that no plate makes, in one sentence; null when all are made, or nothing is divided by plates. */
export function platesAttention(rows: readonly PlateRow[] | null): string | null {
  const lacking = (rows ?? []).filter((r) => r.graded.grade === 'unknown').map((r) => String(r.divisions));
  return lacking.length > 0 ? `no circle for ${shortList(lacking)}` : null;
}
