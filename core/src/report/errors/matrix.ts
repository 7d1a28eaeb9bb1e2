import { sampleOf, turningParts, type Turning } from '../../errors/index.ts';
import { kindOf } from '../../drive/index.ts';
import type { Base } from '../base.ts';
import { compact, inLine, listed, mixed, type Rich } from '../../words/index.ts';

/** One shaft or belt over the table of counts. */
export interface TurningHead {
  readonly id: string;
  readonly title: string;
  readonly turns: Rich;
  readonly place: string;
}

export interface SampleCell {
  readonly perPlace: Rich;
  /** how many ways it stands; null where there are too many to tell apart */
  readonly places: number | null;
  readonly cancels: boolean;
}

/** Which shafts cancel, for each wanted count. (handbook: errors, dividing sees only samples) */
export interface Samples {
  readonly heads: readonly TurningHead[];
  readonly rows: readonly {
    readonly divisions: number;
    readonly cells: readonly SampleCell[];
    readonly message: string;
  }[];
}

/** Places that a small dial can show. */
const SHOWN = 20n;
const MOST = 60;

const titleOf = ({ drive }: Base, part: Turning, last: number): string => {
  if (part.belt) return 'Belt';
  if (part.shaft === last) return 'Work';
  const { stages } = drive.train;
  if (part.shaft === 0) return 'Source';
  const next = stages[part.shaft]!;
  return next.kind === 'worm' ? 'Worm' : `Shaft ${part.shaft}`;
};

export function samplesOf(of: Base): Samples | null {
  const { drive, k, counts } = of;
  if (!of.divider || counts.length === 0) return null;
  const parts = turningParts(drive, k);
  const last = k.shafts.length - 1;
  const heads = parts.map((part): TurningHead => ({
    id: part.id,
    title: titleOf(of, part, last),
    turns: ['×', ...compact(part.turns)],
    place: part.belt ? kindOf(drive.train.stages[part.shaft]!).short : `shaft ${part.shaft}`,
  }));
  return {
    heads,
    rows: counts.slice(0, MOST).map((divisions) => {
      const cells = parts.map((part): SampleCell => {
        const { perPlace, places } = sampleOf(part, divisions);
        return {
          perPlace: mixed(perPlace),
          places: places <= SHOWN ? Number(places) : null,
          cancels: places === 1n,
        };
      });
      const told = parts
        .map((p, i) => ({ part: p, head: heads[i]!, cell: cells[i]! }))
        .filter((c) => c.part.shaft !== last);
      const gone = told.filter((c) => c.cell.cancels);
      const two = told.filter((c) => c.cell.places === 2);
      return {
        divisions,
        cells,
        message: [
          gone.length > 0
            ? `${listed(gone.map((c) => c.head.title.toLowerCase()))} ${gone.length === 1 ? 'comes' : 'come'} round whole from gap to gap and ${gone.length === 1 ? 'cancels' : 'cancel'}`
            : 'no shaft but the work stands alike at every gap',
          ...two.map(
            (c) =>
              `${c.head.title.toLowerCase()} stands in two places, ${inLine(sampleOf(c.part, divisions).perPlace)} turns a gap: started at the zero of its wave it cancels too`,
          ),
        ].join('; '),
      };
    }),
  };
}
