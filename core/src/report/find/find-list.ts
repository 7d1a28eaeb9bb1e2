import { abs, exactly, toNumber, type Rational } from '../../numbers/index.ts';
import type { Drive } from '../../drive/index.ts';
import {
  unbeaten,
  type FindAnswer,
  type FindRequest,
  type FoundRow,
  type Gone,
  type Progress,
} from '../../find/index.ts';
import {
  askedMessage,
  findCertificate,
  pairsText,
  ppmText,
  reasonMessage,
  ticksMustHold,
  turnErrorText,
} from './find.ts';
import { doubtOfStages } from '../../motion/index.ts';
import {
  counted,
  doubtful,
  type Graded,
  grouped,
  inWords,
  listed,
  mixed,
  type Rich,
  shortList,
} from '../../words/index.ts';
import { foundAtWork, type FoundAtWork } from './found-at-work.ts';

/** One answer as the list shows it. */
export interface FindRow {
  readonly key: string;
  readonly row: FoundRow;
  readonly graded: Graded;
  readonly pairs: string;
  readonly steps: Rich;
  readonly ticks: string;
  readonly teeth: string;
  readonly owned: string;
  readonly wheels: string;
  /** the same ratio with fewer stages: this one has a pair that idles */
  readonly idle: string | null;
  readonly unbeaten: boolean;
  /** in the drive that asks; null where there is none */
  readonly atWork: FoundAtWork | null;
}

/** Answers with so many stages, or of one sort, under a head that says what is proven of them. */
export interface FindGroup {
  readonly key: string;
  readonly title: string;
  readonly message: string;
  readonly state: 'proven' | 'provisional';
  readonly rows: readonly FindRow[];
}

/** A point of the chart: a row by its teeth and its error. */
export interface FindPoint {
  readonly key: string;
  readonly teeth: number;
  /** as a part of 1; 0 for what comes out even or exact */
  readonly error: number;
  readonly stages: number;
}

export interface FindReport {
  readonly groups: readonly FindGroup[];
  readonly shown: number;
  readonly all: number;
  readonly points: readonly FindPoint[];
  /** the question that this answers */
  readonly asked: string;
  readonly certificate: string;
  readonly proven: boolean;
  readonly reason: string | null;
  /** what a rate's interval must hold for no error at all */
  readonly must: string | null;
}

const keyOf = (row: FoundRow): string =>
  [
    ...[row.kind, row.stages, row.ratio, row.steps, row.intervalTicks, row.mode],
    ...[row.teeth, row.largest],
  ].join(' ');

/** By what the rows of a group are put in order: as they were found, which is the stated order of the question, or by one thing alone. */
export const FIND_ORDERS = {
  best: 'Best first',
  teeth: 'Fewest teeth',
  owned: 'Most of it owned',
  cost: 'Least to buy',
  mode: 'Coarsest mode',
} as const;
export type FindOrder = keyof typeof FIND_ORDERS;

const orders: Readonly<Record<FindOrder, (a: FoundRow, b: FoundRow) => number>> = {
  best: () => 0,
  teeth: (a, b) => a.teeth - b.teeth,
  owned: (a, b) => a.wheels - a.owned - (b.wheels - b.owned),
  cost: (a, b) => a.cost - b.cost,
  mode: (a, b) => (a.mode ?? 0) - (b.mode ?? 0),
};

/** What a search has found, as its list: unbeaten alone, or all of it; with what each is at the work of a drive, where one asks. */
export function findReport(
  request: FindRequest,
  answer: FindAnswer,
  all: boolean,
  order: FindOrder = 'best',
  drive: Drive | null = null,
): FindReport {
  const rows = answer.rows
    .map((row) => listRow(row, unbeaten(row, answer.rows), request, drive))
    .sort((a, b) => orders[order](a.row, b.row));
  // where nothing comes out even, all that misses least is worth a look
  const none = rows.every((r) => ['misses', 'near'].includes(r.row.kind));
  const shown = all || none ? rows : rows.filter((r) => r.unbeaten);
  const groups = answer.gone.map((gone): FindGroup => {
    const of = (list: readonly FindRow[]): readonly FindRow[] =>
      list.filter((r) => r.row.stages === gone.stages && !['misses', 'near'].includes(r.row.kind));
    return {
      key: String(gone.stages),
      title: `${gone.stages} ${stageWord(request, gone.stages)}`,
      message: groupMessage(request, gone, of(rows), of(shown)),
      state: gone.proven ? 'proven' : 'provisional',
      rows: of(shown),
    };
  });
  return {
    groups: [...groups, ...apart(answer, shown)],
    shown: rows.filter((r) => r.unbeaten).length,
    all: rows.length,
    points: shown
      .filter((r) => r.row.kind !== 'misses')
      .map((r) => ({
        key: r.key,
        teeth: r.row.teeth,
        error: r.row.error === null ? 0 : Math.abs(toNumber(exactly(r.row.error))),
        stages: r.row.stages,
      })),
    asked: askedMessage(request),
    certificate: findCertificate(request, answer),
    proven: answer.proven,
    reason: answer.reason && reasonMessage(request, answer.reason),
    must: ticksMustHold(request),
  };
}

const stageWord = ({ kit }: FindRequest, stages: number): string =>
  `${kit.parts.length > 0 ? 'stage' : 'pair'}${stages === 1 ? '' : 's'}`;

function listRow(row: FoundRow, isUnbeaten: boolean, request: FindRequest, drive: Drive | null): FindRow {
  const key = keyOf(row);
  return {
    key,
    row,
    graded: doubtful(gradeOf(row), doubtOfStages(row.train), row.kind === 'rate' ? 'ppm' : 'arcsec'),
    pairs: pairsText(row),
    steps: row.steps === null ? ['–'] : mixed(exactly(row.steps)),
    ticks: row.intervalTicks === null ? '' : grouped(String(row.intervalTicks)),
    teeth: grouped(String(row.teeth)),
    owned: String(row.owned),
    wheels: String(row.wheels),
    idle: row.idleOf === null ? null : `as with ${counted(row.idleOf, 'pair')}, and a 1 : 1 pair`,
    unbeaten: isUnbeaten,
    get atWork() {
      return drive && foundAtWork(drive, request, row, key);
    },
  };
}

function gradeOf(row: FoundRow): Graded {
  switch (row.kind) {
    case 'even':
      return row.mode === 1
        ? { grade: 'even', word: 'Even' }
        : { grade: 'evenMicrostep', word: `Even at 1/${row.mode}` };
    case 'misses':
      return { grade: 'misses', word: `Leaves out ${shortList(row.misses, 3)}` };
    case 'near':
      return { grade: 'rounded', word: `Rounded ±${turnErrorText(exactly(row.error!))}` };
    case 'ratio':
    case 'rate': {
      const error = exactly(row.error ?? '0');
      return error.n === 0n ? { grade: 'even', word: 'Exact' } : { grade: 'rounded', word: ppmText(error) };
    }
  }
}

function groupMessage(
  request: FindRequest,
  gone: Gone,
  rows: readonly FindRow[],
  shown: readonly FindRow[],
): string {
  const asked = request.asked.question;
  if (asked !== 'divisions') {
    if (rows.length === 0) return gone.proven ? 'none near enough' : 'none so far';
    const best = rows[0]!;
    return `${counted(rows.length, 'row')}, ${shown.length === rows.length ? 'best first' : `${inWords(shown.length)} unbeaten`}; least ${best.graded.word}`;
  }
  if (gone.trains === '0' && gone.outside) return 'none within the limits on the steps';
  if (gone.trains === '0') return gone.proven ? 'none come out even' : 'none so far';
  if (gone.trains === null) return 'not checked';
  const trains = `${grouped(gone.trains)} ${gone.trains === '1' ? 'set of wheels comes' : 'sets of wheels come'} out even`;
  const steps = gone.steps === null ? '' : ` at ${grouped(String(gone.steps))} different steps a turn`;
  return `${trains}${gone.proven ? '' : ' so far'}${steps}; ${inWords(shown.length)} shown`;
}

/** What does not come out even, apart from what does. */
function apart(answer: FindAnswer, shown: readonly FindRow[]): readonly FindGroup[] {
  const misses = shown.filter((r) => r.row.kind === 'misses');
  const near = shown.filter((r) => r.row.kind === 'near');
  const state = answer.proven ? 'proven' : 'provisional';
  return [
    ...(misses.length > 0
      ? [
          {
            key: 'misses',
            title: 'Fewest left out',
            message: `${misses.length === 1 ? 'this one leaves' : 'these leave'} out ${inWords(misses[0]!.row.misses.length)} of what is asked`,
            state,
            rows: misses,
          } as const,
        ]
      : []),
    ...(near.length > 0
      ? [
          {
            key: 'near',
            title: 'Rounded, fewer teeth',
            message: `they creep: back on a step after ${listed(near.slice(0, 3).map((r) => grouped(String(exactly(r.row.steps!).d))))} turns`,
            state,
            rows: near,
          } as const,
        ]
      : []),
  ];
}

/** How far a search is, for the title: "Four pairs, 61 % checked". */
export function searchMessage(request: FindRequest, { stages, done, of }: Progress): string {
  const part = Math.min(100, Math.floor((100 * done) / Math.max(1, of)));
  const words = `${inWords(stages)} ${stageWord(request, stages)}`;
  return `${words.replace(/^./, (c) => c.toUpperCase())}, ${part} % checked`;
}

/** What a row would be called in a sentence: "16:97 · 16:73, 202 teeth". */
export const foundMessage = (row: FoundRow): string =>
  `${pairsText(row)}, ${grouped(String(row.teeth))} teeth`;

/** How far a train that nearly comes out even creeps, and when it is back; null for one that does not creep. */
export function creepMessage(row: FoundRow): string | null {
  if (row.kind !== 'near' || row.error === null || row.steps === null) return null;
  const error: Rational = abs(exactly(row.error));
  return `It creeps ${turnErrorText(error)} each turn, and is back on a step after ${grouped(String(exactly(row.steps).d))} turns.`;
}
