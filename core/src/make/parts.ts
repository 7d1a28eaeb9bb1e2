import { abs, equal, exactly, mul, rational, ZERO, add, type Rational } from '../numbers/index.ts';
import { kindOf, sourceKindOf, type Drive, type Stage } from '../drive/index.ts';
import { isBeltPart, partKindOf, partLabel, type ShelfPart } from '../shelf/index.ts';
import { fittedShafts } from './shafts.ts';
import { madeWheels, type MadeWheel } from './wheels.ts';

/** A line of the parts list. (handbook: make, fit list) */
export interface PartLine {
  readonly what: string;
  readonly size: string;
  readonly need: number;
  /** the line of the shelf that it is; null when there is none */
  readonly part: ShelfPart | null;
  readonly have: number;
  readonly lack: number;
  /** price of one, exact; null while nobody has said */
  readonly price: Rational | null;
  /** what lies on the shelf and would do the same, or nearly: "worm and wheel 1:60" */
  readonly instead: readonly string[];
}

interface Wanted {
  readonly what: string;
  readonly size: string;
  readonly need: number;
  readonly partId: string | undefined;
  readonly is: (part: ShelfPart) => boolean;
  readonly instead: (shelf: readonly ShelfPart[]) => readonly ShelfPart[];
}

const near = (a: number | null | undefined, b: number | null | undefined): boolean =>
  a === undefined || a === null || b === undefined || b === null || Math.abs(a - b) < 1e-9;

const wheelOfPart = (part: ShelfPart) => partKindOf(part).wheel?.(part) ?? null;
const stageOf = (part: ShelfPart): Stage | null => partKindOf(part).stage?.(part) ?? null;

/** Whole stages on the shelf that turn as many turns in for one out. */
const sameRatio =
  (stage: Stage) =>
  (shelf: readonly ShelfPart[]): readonly ShelfPart[] => {
    const wanted = abs(kindOf(stage).reduction(stage));
    return shelf.filter((p) => {
      const other = stageOf(p);
      return p.own > 0 && other !== null && equal(abs(kindOf(other).reduction(other)), wanted);
    });
  };

const flat = (n: number): string => String(Number(n.toFixed(4)));

function wheelWanted(stage: Stage, wheel: MadeWheel, partId: string | undefined): Wanted {
  const size = wheel.gear ? wheel.gear.moduleMm : wheel.beltPitchMm;
  const named = wheel.gear ? 'module' : 'pitch';
  const fits = (part: ShelfPart, anySize: boolean): boolean => {
    const w = wheelOfPart(part);
    return (
      w !== null &&
      w.teeth === wheel.teeth &&
      (w.pair === 'belt') === (wheel.as === 'pulley') &&
      wheel.as !== 'ring' &&
      wheel.as !== 'wormWheel' &&
      (anySize || (near(w.sizeMm, size) && near(w.boreMm, wheel.boreMm)))
    );
  };
  return {
    what: `${wheel.label} ${wheel.teeth}`,
    size: [
      size === null ? '' : `${named} ${flat(size)}`,
      wheel.boreMm === null ? '' : `bore ${flat(wheel.boreMm)}`,
      wheel.helix ? `${flat(wheel.helix.deg)}° ${wheel.helix.hand}` : '',
    ]
      .filter(Boolean)
      .join(', '),
    need: wheel.count,
    partId,
    is: (part) => fits(part, false),
    instead: (shelf) => [...shelf.filter((p) => p.own > 0 && fits(p, true)), ...sameRatio(stage)(shelf)],
  };
}

function stageWanted(drive: Drive, stage: Stage, at: number): readonly Wanted[] {
  const { owned, label, title } = kindOf(stage);
  const wheels = madeWheels(drive).filter((w) => w.stage === at);
  if (stage.partId !== undefined || owned || wheels.length === 0)
    return [
      {
        what: stage.name ?? title,
        size: label(stage),
        need: 1,
        partId: stage.partId,
        is: (part) => {
          const other = stageOf(part);
          return other?.kind === stage.kind && label(stage) === kindOf(other).label(other);
        },
        instead: sameRatio(stage),
      },
    ];
  const lines = wheels.map((w, i) =>
    wheelWanted(
      stage,
      w,
      i === 0 ? stage.driverPartId : i === wheels.length - 1 ? stage.drivenPartId : undefined,
    ),
  );
  if (stage.kind !== 'belt') return lines;
  const { beltTeeth, pitchMm = 2 } = stage;
  return [
    ...lines,
    {
      what: beltTeeth === undefined ? 'belt, length not chosen' : `belt of ${beltTeeth}`,
      size: `pitch ${flat(pitchMm)}`,
      need: 1,
      partId: undefined,
      is: (part) => isBeltPart(part) && part.teeth === beltTeeth && near(part.pitchMm, pitchMm),
      instead: (shelf) => shelf.filter((p) => isBeltPart(p) && p.own > 0 && near(p.pitchMm, pitchMm)),
    },
  ];
}

/** Motor with its driver, or whatever turns it, and the encoder. */
function sourceWanted({ train: { source }, encoder }: Drive): readonly Wanted[] {
  const none = (): readonly ShelfPart[] => [];
  const out: Wanted[] = [];
  const { title } = sourceKindOf(source);
  const count = source.kind === 'stepper' ? (source.count ?? 1) : 1;
  const steps = source.kind === 'stepper' ? source.fullSteps : null;
  out.push({
    what: title,
    size: [
      steps === null ? '' : `${steps} steps`,
      source.boreMm === undefined ? '' : `shaft ${flat(source.boreMm)}`,
    ]
      .filter(Boolean)
      .join(', '),
    need: count,
    partId: source.partId,
    is: (part) => part.kind === 'motor' && part.fullSteps === steps && near(part.boreMm, source.boreMm),
    instead: (shelf) => shelf.filter((p) => p.kind === 'motor' && p.own > 0 && p.fullSteps === steps),
  });
  if (source.kind === 'stepper')
    out.push({
      what: 'Driver',
      size: `1/${source.mode}`,
      need: count,
      partId: source.driverPartId,
      is: (part) => part.kind === 'driver',
      instead: none,
    });
  if (encoder)
    out.push({
      what: 'Encoder',
      size: `${encoder.lines} lines`,
      need: 1,
      partId: encoder.partId,
      is: (part) => part.kind === 'encoder',
      instead: none,
    });
  return out;
}

/** Bearings of all shafts by their bore; those of a shaft without a diameter stand alone. */
function bearingsWanted(drive: Drive, shared: number | null): readonly Wanted[] {
  const bores = new Map<number | null, number>();
  for (const s of fittedShafts(drive, shared))
    if (s.bearings > 0) bores.set(s.diameterMm, (bores.get(s.diameterMm) ?? 0) + s.bearings);
  return [...bores].map(([mm, need]) => ({
    what: 'Bearing',
    size: mm === null ? 'bore not known yet' : `bore ${flat(mm)}`,
    need,
    partId: undefined,
    is: (part) =>
      mm !== null && part.kind === 'bearing' && part.boreMm !== undefined && near(part.boreMm, mm),
    instead: () => [],
  }));
}

/**
 * Everything a path is built of, with what lies on the shelf, what it lacks, and what there would do instead. Of
 * a train that hangs on another, what it does not share with it.
 */
export function partsList(
  drive: Drive,
  shelf: readonly ShelfPart[],
  shared: number | null = null,
): readonly PartLine[] {
  const wanted = [
    ...(shared === null ? sourceWanted(drive) : []),
    ...drive.train.stages.flatMap((stage, at) => (at < (shared ?? 0) ? [] : stageWanted(drive, stage, at))),
    ...bearingsWanted(drive, shared),
  ];
  // what one line takes, the next does not find again
  const taken = new Map<string, number>();
  return wanted.map((w): PartLine => {
    const linked = shelf.find((p) => p.id === w.partId);
    const fits = shelf.filter((p) => w.is(p));
    const part = linked ?? [...fits].sort((a, b) => b.own - a.own)[0] ?? null;
    const before = part ? (taken.get(part.id) ?? 0) : 0;
    const have = part ? Math.min(w.need, Math.max(0, part.own - before)) : 0;
    if (part) taken.set(part.id, before + have);
    const lack = w.need - have;
    return {
      what: w.what,
      size: w.size,
      need: w.need,
      part,
      have,
      lack,
      price: part?.price === undefined ? null : exactly(part.price),
      instead:
        lack === 0
          ? []
          : [
              ...new Set(
                w
                  .instead(shelf)
                  .filter((p) => p !== part)
                  .map(partLabel),
              ),
            ].slice(0, 3),
    };
  });
}

/** What the whole costs, and what of it is still to be bought; lines without a price are left out and counted. */
export function partsCost(lines: readonly PartLine[]): {
  readonly all: Rational;
  readonly toBuy: Rational;
  readonly unknown: number;
} {
  const sum = (many: (l: PartLine) => number): Rational =>
    lines.reduce((n, l) => (l.price ? add(n, mul(l.price, rational(many(l)))) : n), ZERO);
  return {
    all: sum((l) => l.need),
    toBuy: sum((l) => l.lack),
    unknown: lines.filter((l) => !l.price).length,
  };
}
