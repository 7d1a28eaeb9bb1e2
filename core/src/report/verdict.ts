import { compare, isZero } from '../numbers/index.ts';
import { fails, isSure, SURE, worstGrade } from '../motion/index.ts';
import type { Divider, Division } from '../divide/index.ts';
import type { Drive, Kinematics } from '../drive/index.ts';
import type { PlateRow } from './duties/plates.ts';
import type { DutyReport } from './duties/duty.ts';
import { worstRate } from './duties/rates.ts';
import type { RateReport } from './duties/rate-way.ts';
import { worstFigure } from './division-working.ts';
import type { Figure, Graded } from './figure.ts';
import { doubtful } from './doubt-words.ts';
import { gradeOfDivision, gradeWords } from './grades.ts';
import { stepsFigure, stepsGrade } from './train.ts';
import type { Rich } from './rich.ts';
import { grouped, shortList } from './text.ts';

/** The six cells, always in this order. */
export const CELLS = ['steps', 'divisions', 'error', 'rate', 'speed', 'force'] as const;
export type CellId = (typeof CELLS)[number];

/** What a figure is about; a page decides where that is shown. */
export type Concern = 'asked' | 'owned' | 'built' | 'searched' | 'judged' | 'worked';

/** One cell of the verdict strip: a figure and a grade, or what would light it up. */
export interface VerdictCell {
  readonly cell: CellId;
  readonly label: string;
  /** what explains it */
  readonly concern: Concern;
  /** what it is judged with, when it is one of several */
  readonly group?: string;
  readonly figure: Figure | null;
  readonly graded: Graded | null;
  /** said instead when there is no figure: "no rate asked" */
  readonly absent: string;
  /** whose it is, where a drive has several outputs */
  readonly train?: string;
}

export const cellLabels = {
  steps: 'Steps per turn',
  divisions: 'Divisions',
  error: 'Worst error',
  rate: 'Rate',
  speed: 'Speed',
  force: 'Force',
} as const satisfies Record<CellId, string>;

interface Judged {
  readonly drive: Drive;
  readonly k: Kinematics;
  readonly divider: Divider | null;
  readonly divisions: readonly Division[];
  readonly asked: number;
  readonly rates: readonly RateReport[];
  readonly spins: readonly DutyReport[];
  /** how plates make the wanted counts, where that is how it is divided */
  readonly plates: readonly PlateRow[] | null;
}

const empty = (cell: CellId, concern: Concern, absent: string): VerdictCell => ({
  cell,
  label: cellLabels[cell],
  concern,
  figure: null,
  graded: null,
  absent,
});

/** The division whose rounding is worst; the first of equals. */
export function worstOf(divisions: readonly Division[]): Division | null {
  return divisions.reduce<Division | null>(
    (worst, d) => (worst === null || compare(d.worstErrorSteps, worst.worstErrorSteps) > 0 ? d : worst),
    null,
  );
}

/** Is this asked of a drive file by a key that this version keeps but does not judge yet? */
function keeps(drive: Drive, key: string): boolean {
  const value = (drive.job as unknown as Readonly<Record<string, unknown>>)[key];
  return Array.isArray(value) ? value.length > 0 : value !== undefined && value !== null;
}

/** The verdict strip. Worst error is that of rounding alone, and its working says so. */
export function verdict(judged: Judged): readonly VerdictCell[] {
  const { drive, k } = judged;
  const kept = (key: string, absent: string): string =>
    keeps(drive, key) ? 'kept, not judged here' : absent;
  return [
    { ...empty('steps', 'built', ''), figure: stepsFigure(drive, k), graded: stepsGrade(k) },
    divisionsCell(judged),
    errorCell(judged),
    rateCell(judged),
    speedCell(judged),
    empty('force', 'asked', kept('load', 'no load given')),
  ];
}

/** The rate that is kept worst. */
function rateCell({ rates }: Judged): VerdictCell {
  const worst = worstRate(rates);
  if (!worst) return empty('rate', 'asked', 'no rate asked');
  const figure = worst.figures.find((f) => f.key === `${worst.key}.off`) ?? null;
  return {
    ...empty('rate', 'judged', worst.graded.word.toLowerCase()),
    group: 'rate',
    figure,
    graded: figure && worst.graded,
  };
}

/** What speeds at the work ask of the motor: the first that it cannot reach, else the first. */
function speedCell({ spins }: Judged): VerdictCell {
  const spin = spins.find((s) => s.graded && fails(s.graded.grade)) ?? spins[0];
  if (!spin) return empty('speed', 'asked', 'no speed asked');
  return {
    ...empty('speed', 'judged', ''),
    group: 'spin',
    figure: spin.lines[0]?.figure ?? null,
    graded: spin.graded ?? { grade: 'unknown', word: 'Unknown' },
  };
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
  const cell = empty('divisions', asked === 0 ? 'asked' : 'judged', 'no divisions asked');
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

function errorCell({ drive, k, divider, divisions, asked, plates }: Judged): VerdictCell {
  const cell = empty('error', asked === 0 ? 'asked' : 'judged', 'no divisions asked');
  if (plates)
    return plates.some((r) => r.graded.grade === 'unknown')
      ? { ...cell, group: 'plates', absent: 'a circle is missing' }
      : { ...cell, group: 'plates', absent: 'none, in whole holes' };
  const worst = worstOf(divisions);
  if (!divider || !worst) return cell;
  const figure = worstFigure({ drive, k, divider, d: worst });
  const graded = gradeOfDivision(worst, divider);
  const word = isZero(worst.worstErrorSteps) ? gradeWords.even : gradeWords[graded.grade];
  return {
    ...cell,
    graded:
      graded.grade === 'misses' ? graded : doubtful({ grade: graded.grade, word }, divider.doubt, 'arcsec'),
    figure: {
      ...figure,
      label: `${figure.label}, rounding alone`,
      working: () => [
        {
          label: 'of all counts',
          text: [
            `${grouped(String(worst.divisions))} is rounded most; backlash, run-out and wind-up are not in it`,
          ],
          exact: true,
        },
        ...figure.working(),
      ],
    },
  };
}

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
