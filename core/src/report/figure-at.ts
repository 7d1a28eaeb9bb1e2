import type { OpenedDivision } from './divide/divide.ts';
import { dutyFigure, type DutiesReport } from './duties/duties.ts';
import type { PlatesReport } from './duties/plates/plates.ts';
import type { Figure } from '../words/index.ts';
import type { Sections } from './sections.ts';
import type { VerdictCell } from './cell.ts';

/** What of a report holds figures. */
interface Figures extends Sections {
  readonly verdict: readonly VerdictCell[];
  readonly duties: DutiesReport;
  readonly plates: PlatesReport | null;
  opened(divisions: number): OpenedDivision | null;
}

/** Where the figures of a report stand, by the first word of their keys. The rest are those of the duties. */
const rooms: Readonly<
  Record<string, (of: Figures, which: string) => readonly (Figure | null | undefined)[]>
> = {
  train: ({ built }) => [built.ratio, built.steps],
  shaft: ({ built }, which) => built.shafts[Number(which)]?.rows.map((r) => r.figure) ?? [],
  work: ({ built }) => [...built.work.rows, ...built.work.moves].map((r) => r.figure),
  encoder: ({ built }) => [built.encoder?.counts],
  job: ({ asked }) => asked.asks.lines.map((l) => l.figure),
  divide: (of, which) => {
    if (which === 'all') return of.verdict.map((c) => c.figure);
    const D = Number(which);
    const open = Number.isSafeInteger(D) && D > 0 ? of.opened(D) : null;
    return open ? [open.worst, open.spacing, open.closing] : [];
  },
  errors: (of, which) => {
    if (which === 'all') return of.verdict.map((c) => c.figure);
    const { errors } = of.judged;
    const found = errors.choices.map((c) => errors.of(c.key)!);
    return found.flatMap((b) => [b.worst.figure, b.likely.figure, ...b.rows.map((r) => r.figure)]);
  },
  plates: (of, which) =>
    which === 'all' ? of.verdict.map((c) => c.figure) : [of.plates?.opened(Number(which)).figure],
};

/** Finds a figure by its key: "built.steps", "shaft.1.turns", "divide.97.worst", "job.even", "rate.0.interval". */
export function figureAt(key: string, of: Figures): Figure | null {
  const [room = '', which = ''] = key.split('.');
  const figures = Object.hasOwn(rooms, room) ? rooms[room]!(of, which) : [dutyFigure(of.duties, key)];
  return figures.find((f) => f?.key === key) ?? null;
}
