import { countMap, ledger } from '../divide/index.ts';
import { sourceKindOf } from '../drive/index.ts';
import type { Owns, WheelRange } from '../divide/index.ts';
import type { Context } from './context.ts';
import { cureBlock } from './train/cures.ts';
import { divisionRow, mostRounded } from './divide/divide.ts';
import { forceChart } from './duties/load/load.ts';
import { forceCures } from './force/cures.ts';
import { pictureChoices } from './pictures/choices.ts';
import { encoderReport } from './train/encoder.ts';
import { asksReport, owesOf, toleranceReport } from './job/job.ts';
import { lazy } from './lazy.ts';
import { ledgerReport } from './train/ledger.ts';
import { divisionsSay, idleSay } from './divide/sentences.ts';
import { shaftReports } from './train/shafts.ts';
import { partsThatMatter, stripReport, STRIP } from './train/strip.ts';
import { ratioFigure, sourceReport, stageReports, stepsFigure, stepUnit } from './train/train.ts';
import { tally } from './verdict/verdict.ts';
import { workReport } from './train/work.ts';

/** Columns of the ledger beside the train. */
const LEDGER_ROOM = 8;

/** One section: what it makes of a drive. It is made when it is first asked for, and kept. */
export type Section = (of: Context) => unknown;

/** Every section of a report, by what it belongs to. To add one: a function in a file of its own, and a line here. */
export const sections = {
  asked: {
    asks: ({ drive, k, counts }) => asksReport(drive, k, counts),
    tolerance: ({ drive }) => toleranceReport(drive),
    owes: ({ drive, k, divisions }) => owesOf(drive, k, divisions),
  },
  built: {
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
    cures: (of) => (prime: bigint, range: WheelRange, owns?: Owns) => cureBlock(of, prime, range, owns),
    /** the counts from 2 to 400 that come out even */
    strip: ({ divider }) => stripReport(divider ? countMap(divider, STRIP.from, STRIP.to) : []),
  },
  judged: {
    rows: ({ divider, divisions, errors }) =>
      divider ? divisions.map((d) => divisionRow(d, divider, errors.shareOf(d.divisions))) : [],
    tally: ({ divisions }) => tally(divisions),
    message: ({ k, divider, divisions }) => divider && divisionsSay(k, divider, divisions),
    idle: ({ k, divisions }) => (k.lock ? null : idleSay(divisions)),
    /** what the divisions are counted in: "microstep", "mark", "rest" where a wheel locks */
    unit: ({ drive, k }) => (k.lock ? 'rest' : stepUnit(drive, k)),
    /** the count that is rounded most; the first of equals */
    most: ({ divisions }) => mostRounded(divisions)?.divisions ?? null,
    errors: (of) => of.errors,
    force: (of) => of.force,
    /** torque wanted and available over the speed; null while no load is given */
    torque: (of) => of.force && forceChart(of.force),
    forceCures: ({ drive }) => forceCures(drive),
    /** what can be pictured, simulated */
    pictures: (of) => pictureChoices(of),
  },
} as const satisfies Readonly<Record<string, Readonly<Record<string, Section>>>>;

/** What a group of sections comes to. */
export type Made<G> = { readonly [S in keyof G]: G[S] extends (of: Context) => infer T ? T : never };

/** What the sections come to. */
export type Sections = { readonly [G in keyof typeof sections]: Made<(typeof sections)[G]> };

/** The sections of one group, each made when it is first read. */
export function groupOf<G extends Readonly<Record<string, Section>>>(group: G, of: Context): Made<G> {
  const made = {};
  for (const [name, make] of Object.entries(group))
    Object.defineProperty(made, name, { enumerable: true, get: lazy(() => make(of)) });
  return made as Made<G>;
}

/** All sections of one drive. */
export const sectionsOf = (of: Context): Sections =>
  Object.fromEntries(Object.entries(sections).map(([name, group]) => [name, groupOf(group, of)])) as Sections;
