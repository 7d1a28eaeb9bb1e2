import { dutyFigure, type DutiesReport } from './duties/duties.ts';
import type { PlatesReport } from './duties/plates.ts';
import type { OpenedDivision } from './divide.ts';
import type { EncoderReport } from './encoder.ts';
import type { Figure } from './figure.ts';
import type { AsksReport } from './job.ts';
import type { ShaftReport } from './shafts.ts';
import type { VerdictCell } from './verdict.ts';
import type { WorkReport } from './work.ts';

interface Sections {
  readonly one: (divisions: number) => OpenedDivision | null;
  readonly asks: () => AsksReport;
  readonly shafts: () => readonly ShaftReport[];
  readonly work: () => WorkReport;
  readonly encoder: () => EncoderReport | null;
  readonly cells: () => readonly VerdictCell[];
  readonly duties: DutiesReport;
  readonly plates: () => PlatesReport | null;
  readonly train: () => readonly Figure[];
}

/** Finds a figure by its key: "train.steps", "shaft.1.turns", "divide.97.worst", "job.even", "verdict.error". */
export function figureAt(key: string, sections: Sections): Figure | null {
  const [room, which = '', part = ''] = key.split('.');
  switch (room) {
    case 'train':
      return sections.train().find((f) => f.key === key) ?? null;
    case 'shaft':
      return (
        sections
          .shafts()
          [Number(which)]?.rows.map((r) => r.figure)
          .find((f) => f.key === key) ?? null
      );
    case 'work': {
      const { rows, moves } = sections.work();
      return [...rows, ...moves].map((r) => r.figure).find((f) => f.key === key) ?? null;
    }
    case 'encoder':
      return sections.encoder()?.counts ?? null;
    case 'job':
      return (
        sections
          .asks()
          .lines.map((l) => l.figure)
          .find((f) => f.key === key) ?? null
      );
    case 'divide': {
      if (which === 'all') return sections.cells()[1]?.figure ?? null;
      const open =
        Number.isSafeInteger(Number(which)) && Number(which) > 0 ? sections.one(Number(which)) : null;
      return open && part in open
        ? ([open.worst, open.spacing, open.closing].find((f) => f.key === key) ?? null)
        : null;
    }
    case 'plates':
      return which === 'all'
        ? (sections.cells()[1]?.figure ?? null)
        : (sections.plates()?.opened(Number(which)).figure ?? null);
    default:
      return dutyFigure(sections.duties, key);
  }
}
