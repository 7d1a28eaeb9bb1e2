import type { Drive } from '../../drive/index.ts';
import { beltFit, LEAST_IN_MESH, shortestBelt, type BeltFit } from '../../make/index.ts';
import { isBeltPart, type ShelfPart } from '../../shelf/index.ts';
import type { Graded } from '../../words/index.ts';

/** A length of belt on two pulleys. */
export interface BeltLine {
  readonly teeth: number;
  readonly centre: string;
  readonly rough: string;
  readonly inMesh: string;
  readonly graded: Graded;
  /** how many lie on the shelf; null for one that does not */
  readonly own: number | null;
  /** it is the one that the stage has */
  readonly chosen: boolean;
}

export interface BeltReport {
  /** from 0 along the path */
  readonly stage: number;
  readonly title: string;
  readonly pitchMm: number;
  readonly lines: readonly BeltLine[];
  readonly message: string;
}

const fits = (fit: BeltFit): Graded =>
  fit.inMesh >= LEAST_IN_MESH
    ? { grade: 'passes', word: 'Holds' }
    : { grade: 'close', word: `Under ${LEAST_IN_MESH} teeth` };

/** Lengths beside those that are owned or chosen: the shortest that goes, and some above it. */
const MORE = [0, 10, 20, 40];

/** Belts of a path: each length that is chosen, on the shelf or near, with its centre distance. (handbook: make, belts) */
export function beltReports(
  { train: { stages } }: Drive,
  shelf: readonly ShelfPart[],
): readonly BeltReport[] {
  return stages.flatMap((stage, at): BeltReport[] => {
    if (stage.kind !== 'belt') return [];
    const { z1, z2, pitchMm = 2, beltTeeth } = stage;
    const owned = new Map<number, number>();
    for (const p of shelf.filter(isBeltPart))
      if (Math.abs((p.pitchMm ?? 2) - pitchMm) < 1e-9) owned.set(p.teeth, (owned.get(p.teeth) ?? 0) + p.own);
    const shortest = shortestBelt(pitchMm, z1, z2);
    const near = shortest ? MORE.map((n) => Math.ceil(shortest.teeth / 10) * 10 + n) : [];
    const teeth = [
      ...new Set([...(beltTeeth === undefined ? [] : [beltTeeth]), ...owned.keys(), ...near]),
    ].sort((a, b) => a - b);
    const lines = teeth.flatMap((n): BeltLine[] => {
      const fit = beltFit(n, pitchMm, z1, z2);
      const chosen = n === beltTeeth;
      const own = owned.get(n) ?? null;
      if (!fit)
        return chosen || own !== null
          ? [
              {
                teeth: n,
                centre: '–',
                rough: '–',
                inMesh: '–',
                graded: { grade: 'misses', word: 'Too short' },
                own,
                chosen,
              },
            ]
          : [];
      return [
        {
          teeth: n,
          centre: fit.centreMm.toFixed(3),
          rough: fit.roughMm.toFixed(3),
          inMesh: fit.inMesh.toFixed(3),
          graded: fits(fit),
          own,
          chosen,
        },
      ];
    });
    const chosen = beltTeeth === undefined ? null : beltFit(beltTeeth, pitchMm, z1, z2);
    return [
      {
        stage: at,
        title: `Belt ${z1} : ${z2}, pitch ${pitchMm} mm`,
        pitchMm,
        lines,
        message: chosen
          ? `With ${beltTeeth} teeth its shafts stand ${chosen.centreMm.toFixed(3)} mm apart; move one by ${(pitchMm / 2).toFixed(1)} mm at least to put it on and to tighten it.`
          : beltTeeth === undefined
            ? 'Choose its length, and the distance of its shafts is known.'
            : `A belt of ${beltTeeth} teeth is too short for these pulleys${shortest ? `: ${shortest.teeth} go round` : ''}.`,
      },
    ];
  });
}

/** Rows of the belts that have a length. (docs: formats) */
export const beltRows = ({ train: { stages } }: Drive): readonly (readonly string[])[] =>
  stages.flatMap((s) => {
    if (s.kind !== 'belt' || s.beltTeeth === undefined) return [];
    const fit = beltFit(s.beltTeeth, s.pitchMm ?? 2, s.z1, s.z2);
    return [
      [
        `${s.z1}:${s.z2}`,
        String(s.beltTeeth),
        fit ? fit.centreMm.toFixed(3) : '',
        fit ? fit.inMesh.toFixed(3) : '',
      ],
    ];
  });

export const BELT_HEAD = ['belt', 'teeth', 'centre (mm)', 'teeth in mesh'] as const;
