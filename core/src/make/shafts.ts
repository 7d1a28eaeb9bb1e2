import { kindOf, sourceKindOf, type Drive } from '../drive/index.ts';
import { madeWheels, type Helix } from './wheels.ts';

/** Something that sits on a shaft: its bore and face in mm, null while nobody has said. */
export interface OnShaft {
  readonly label: string;
  readonly boreMm: number | null;
  readonly faceMm: number | null;
  readonly helix: Helix | null;
}

/** One shaft of a path with all that sits on it, from the source's on. (handbook: make, fit list) */
export interface FittedShaft {
  readonly index: number;
  readonly name: string;
  /** its own diameter, mm: the motor's, or the bore that most of its wheels have */
  readonly diameterMm: number | null;
  readonly sits: readonly OnShaft[];
  /** bores that are not its diameter */
  readonly clashes: readonly OnShaft[];
  /** set screws that want a flat, collars, bearings */
  readonly flats: number;
  readonly collars: number;
  readonly bearings: number;
  /** what is known of its length: faces of all that sit on it, mm */
  readonly facesMm: number;
  readonly unknownFaces: number;
}

/** What sits on a shaft: the driven side of the stage before it and the driver side of the one after. */
function sitting(drive: Drive, index: number): readonly OnShaft[] {
  const { stages } = drive.train;
  const wheels = madeWheels(drive);
  const side = (at: number, last: boolean): readonly OnShaft[] => {
    const stage = stages[at];
    if (!stage) return [];
    const own = wheels.filter((w) => w.stage === at);
    const wheel = last ? own.at(-1) : own.length > 1 ? own[0] : undefined;
    const { short } = kindOf(stage);
    return [
      {
        label: wheel ? `${wheel.label} ${wheel.teeth}` : `${short}${last ? '' : ', driving side'}`,
        boreMm: (last ? stage.outBoreMm : stage.inBoreMm) ?? null,
        faceMm: stage.faceMm ?? null,
        helix: wheel?.helix ?? null,
      },
    ];
  };
  return [...side(index - 1, true), ...side(index, false)];
}

/** Every shaft of a path, or those beyond the one it hangs on: `shared` stages are another train's. The source has its own bearings. */
export function fittedShafts(drive: Drive, shared: number | null = null): readonly FittedShaft[] {
  const { source, stages, output } = drive.train;
  const all = Array.from({ length: stages.length + 1 }, (_, index): FittedShaft => {
    const sits = sitting(drive, index);
    const own = index === 0 ? (source.boreMm ?? null) : null;
    const diameterMm = own ?? sits.find((s) => s.boreMm !== null)?.boreMm ?? null;
    const faces = sits.flatMap((s) => s.faceMm ?? []);
    return {
      index,
      name:
        index === 0
          ? sourceKindOf(source).title
          : index === stages.length
            ? output.kind === 'rotary'
              ? 'Work'
              : 'Work shaft'
            : `Shaft ${index}`,
      diameterMm,
      sits,
      clashes: sits.filter((s) => s.boreMm !== null && diameterMm !== null && s.boreMm !== diameterMm),
      flats: sits.length,
      collars: index === 0 ? 0 : 2,
      bearings: index === 0 ? 0 : 2,
      facesMm: faces.reduce((n, f) => n + f, 0),
      unknownFaces: sits.length - faces.length,
    };
  });
  return shared === null ? all : all.slice(shared + 1);
}

/** Widths of the flanges by which a motor's frame is known, mm. */
const FLANGES = [
  { frame: 11, mm: 28 },
  { frame: 14, mm: 35 },
  { frame: 17, mm: 42 },
  { frame: 23, mm: 57 },
] as const;

/** The frame of a motor with a flange so wide; null where it is none of the known. */
export const frameOf = (flangeMm: number): number | null =>
  FLANGES.find((f) => Math.abs(f.mm - flangeMm) <= 1.5)?.frame ?? null;
