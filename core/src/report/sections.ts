import { countMap, ledger } from '../divide/index.ts';
import { sourceKindOf } from '../drive/index.ts';
import type { Division, Owns, WheelRange } from '../divide/index.ts';
import { compare } from '../numbers/index.ts';
import type { Context } from './context.ts';
import { cureBlock } from './cures.ts';
import { divisionRow } from './divide.ts';
import { encoderReport } from './encoder.ts';
import { asksReport, owesOf, toleranceReport } from './job.ts';
import { lazy } from './lazy.ts';
import { ledgerReport } from './ledger.ts';
import { divisionsSay, idleSay } from './sentences.ts';
import { shaftReports } from './shafts.ts';
import { partsThatMatter, stripReport, STRIP } from './strip.ts';
import { ratioFigure, sourceReport, stageReports, stepsFigure, stepUnit } from './train.ts';
import { tally } from './verdict.ts';
import { workReport } from './work.ts';

/** Columns of the ledger beside the train. */
const LEDGER_ROOM = 8;

/** One section: what it makes of a drive. It is made when it is first asked for, and kept. */
export type Section = (of: Context) => unknown;

/** Every section of a report, by what it belongs to. To add one: a function in a file of its own, and a line here. */
export const sections = {
  job: {
    asks: ({ drive, k, counts }) => asksReport(drive, k, counts),
    tolerance: ({ drive }) => toleranceReport(drive),
    owes: ({ drive, k, divisions }) => owesOf(drive, k, divisions),
  },
  train: {
    ratio: ({ drive, k }) => ratioFigure(drive, k),
    steps: ({ drive, k }) => stepsFigure(drive, k),
    shafts: ({ drive, k }) => shaftReports(drive, k),
    stages: ({ drive, k }) => stageReports(drive, k),
    work: ({ drive, k, counts }) => workReport(drive, k, counts[0]),
    source: ({ drive, k }) => sourceReport(drive, k),
    /** of one turn of the source; 200 for one that has none */
    fullSteps: ({ drive: { train } }) => sourceKindOf(train.source).fullSteps(train.source) ?? 200,
    ledger: ({ drive, k, divisions, counts }) =>
      ledgerReport(ledger(partsThatMatter(drive, k), divisions), counts.length, LEDGER_ROOM),
    encoder: ({ drive, k, counts }) => encoderReport(drive, k, counts),
    /** cures for the counts that lack a prime, of wheels in a range; null when none lacks it */
    cures: (of) => (prime: bigint, range: WheelRange, owns?: Owns) =>
      cureBlock(of.drive, of.divisions, prime, range, owns),
    /** the counts from 2 to 400 that come out even */
    strip: ({ divider }) => stripReport(divider ? countMap(divider, STRIP.from, STRIP.to) : []),
  },
  check: {
    rows: ({ divider, divisions }) => (divider ? divisions.map((d) => divisionRow(d, divider)) : []),
    tally: ({ divisions }) => tally(divisions),
    message: ({ k, divider, divisions }) => divider && divisionsSay(k, divider, divisions),
    idle: ({ k, divisions }) => (k.lock ? null : idleSay(divisions)),
    /** what the divisions are counted in: "microstep", "mark", "rest" where a wheel locks */
    unit: ({ drive, k }) => (k.lock ? 'rest' : stepUnit(drive, k)),
    /** the count that is rounded most; the first of equals */
    most: ({ divisions }) =>
      divisions.reduce<Division | null>(
        (worst, d) => (worst === null || compare(d.worstErrorSteps, worst.worstErrorSteps) > 0 ? d : worst),
        null,
      )?.divisions ?? null,
    errors: (of) => of.errors,
    force: (of) => of.force,
  },
} as const satisfies Readonly<Record<string, Readonly<Record<string, Section>>>>;

/** What the sections come to. */
export type Sections = {
  readonly [G in keyof typeof sections]: {
    readonly [S in keyof (typeof sections)[G]]: (typeof sections)[G][S] extends (of: Context) => infer T
      ? T
      : never;
  };
};

/** All sections of one drive, each made when it is first read. */
export const sectionsOf = (of: Context): Sections =>
  Object.fromEntries(
    Object.entries(sections).map(([group, members]) => {
      const made = {};
      for (const [name, make] of Object.entries(members) as [string, Section][])
        Object.defineProperty(made, name, { enumerable: true, get: lazy(() => make(of)) });
      return [group, made];
    }),
  ) as Sections;
