import { exactly, toText } from '../numbers/index.ts';
import { kindOf, type Drive } from '../drive/index.ts';
import { smallPicture } from '../report/index.ts';
import { grouped, plainText } from '../words/index.ts';
import { follows } from '../shelf/index.ts';
import { besideSource, candidateOf, nameOf } from './candidate.ts';
import type { Chosen, Judged, Met } from './choose.ts';
import { measureIds, measureOf, type MeasureId } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import type { Had } from './stock.ts';
import { conflictMessage, turnsOf } from './turns.ts';
import type { Window } from './window.ts';
import {
  boundMessage,
  chooseCertificate,
  decides,
  differs,
  droppedOf,
  tellMeasure,
  type Dropped,
  type Told,
} from './words.ts';

/** What was chosen, as plain data: it passes between workers as it is. */
export interface ChooseAnswer {
  readonly rows: readonly {
    readonly drive: Drive;
    readonly values: readonly (number | null)[];
    /** exact text; null where something has no price */
    readonly buy: string | null;
    readonly make: number;
  }[];
  readonly equal: number;
  readonly considered: number;
  readonly bounded: number;
  readonly window: Window;
  readonly families: readonly (readonly [string, Met])[];
  readonly proven: boolean;
}

export const answerOf = (chosen: Chosen): ChooseAnswer => ({
  rows: chosen.best.map(({ candidate: { drive, to }, values }) => ({
    drive,
    values,
    buy: to.buy && toText(to.buy),
    make: to.make,
  })),
  equal: chosen.equal,
  considered: chosen.considered,
  bounded: chosen.bounded,
  window: chosen.window,
  families: [...chosen.families],
  proven: chosen.proven,
});

/** The same with every figure of its drives again. */
export const chosenOf = ({ rows, families, ...rest }: ChooseAnswer): Chosen => ({
  ...rest,
  best: rows.map(({ drive, values, buy, make }) => ({
    candidate: candidateOf(drive, { buy: buy === null ? null : exactly(buy), make }),
    values,
  })),
  families: new Map(families),
});

/** One drive beside others. */
export interface ChooseColumn {
  /** with its measures, to compare others with */
  readonly judged: Judged;
  readonly key: string;
  readonly title: string;
  readonly subtitle: string;
  readonly drive: Drive;
  readonly present: boolean;
  readonly decides: string;
  readonly picture: (width: number, height: number) => ReturnType<typeof smallPicture>;
}

/** One measure over all columns. */
export interface ChooseRow {
  readonly id: MeasureId;
  readonly title: string;
  /** its place in the order of what counts, from 1; null for what is only told */
  readonly counts: number | null;
  /** the drives differ in it beyond what the estimates can tell, and it counts */
  readonly lit: boolean;
  readonly cells: readonly Told[];
}

export interface ChooseReport {
  readonly columns: readonly ChooseColumn[];
  readonly rows: readonly ChooseRow[];
  readonly dropped: readonly Dropped[];
  readonly window: readonly string[];
  /** what one thing would turn the choice */
  readonly turns: readonly string[];
  /** two askings that leave nothing between them; nothing while they leave something */
  readonly conflict: string;
  readonly certificate: string;
  /** drives that nothing beats, of which the columns show the first, of so many */
  readonly unbeaten: number;
  readonly considered: string;
}

/** Of a drive that stands: what follows no line of the shelf and has teeth was, or will be, made. */
const presentHad = ({ train }: Drive): Had => ({
  buy: exactly('0'),
  make: train.stages.reduce(
    (n, s) => n + (follows(s).length === 0 ? (kindOf(s).makes?.(s) ?? []).length : 0),
    0,
  ),
});

/** Drives side by side: the present one first where there is one, then what nothing beats, the best first. (handbook: choose) */
export function chooseReport(
  request: ChooseRequest,
  chosen: Chosen,
  present: Drive | null,
  most = Infinity,
): ChooseReport {
  const candidate = present && candidateOf(present, presentHad(present));
  const own: readonly Judged[] = candidate
    ? [{ candidate, values: request.measures.map((id) => measureOf(id).of(candidate)) }]
    : [];
  const shown = [...own, ...chosen.best.slice(0, most)];
  return {
    columns: shown.map((one, i): ChooseColumn => {
      const { drive } = one.candidate;
      const isPresent = i < own.length;
      const [first, ...rest] = drive.name.split(', ');
      return {
        judged: one,
        key: isPresent ? 'present' : JSON.stringify([drive.train, drive.encoder, drive.plates]),
        title: isPresent ? 'Present drive' : (first ?? ''),
        subtitle: isPresent
          ? nameOf(drive.train.source, drive.train.stages, besideSource(drive))
          : rest.join(', '),
        drive,
        present: isPresent,
        decides: isPresent ? '' : decides(request, chosen, i - own.length),
        picture: (width, height) => smallPicture(drive, width, height, one.candidate.report.counts[0] ?? 0),
      };
    }),
    rows: [...request.measures, ...measureIds.filter((id) => !request.measures.includes(id))].map(
      (id): ChooseRow => {
        const place = request.measures.indexOf(id);
        return {
          id,
          title: measureOf(id).title,
          counts: place < 0 ? null : place + 1,
          lit: place >= 0 && shown.some((a) => shown.some((b) => differs(request, place, a, b))),
          cells: shown.map((one) => tellMeasure(id, one.candidate, request)),
        };
      },
    ),
    dropped: droppedOf(chosen),
    window: chosen.window.because.map(boundMessage),
    turns: turnsOf(request, chosen),
    conflict: conflictMessage(chosen.window),
    certificate: chooseCertificate(request, chosen),
    unbeaten: chosen.best.length,
    considered: grouped(String(chosen.considered)),
  };
}

/** The same as a table, a drive a row. */
export function chooseTable({ columns, rows }: ChooseReport): {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
} {
  return {
    head: ['drive', ...rows.map((r) => r.title.toLowerCase()), 'decides'],
    rows: columns.map((c, i) => [
      c.present ? `${c.title}: ${c.drive.name}` : c.drive.name,
      ...rows.map(({ cells }) => {
        const { text, graded, note } = cells[i]!;
        return [plainText(text), graded?.word, note].filter(Boolean).join(', ');
      }),
      c.decides,
    ]),
  };
}
