import { equal } from '../numbers/index.ts';
import { kindOf, outputKindOf, trainsOf, type Drive, type Stage, type TrainOf } from '../drive/index.ts';
import type { Arbor, ArborPlan, Disagreement, PlanMesh, PlanWheel, ShaftOf } from './arbor.ts';
import { axesOf, type Axes } from './axes.ts';
import { clashesOf } from './clashes.ts';
import { between } from './geometry.ts';
import { layered } from './layers.ts';
import { distanceOf, type Distance } from './mesh.ts';
import { placeArbors, type Placed } from './solve.ts';
import { sameWheel, wheelsOf } from './wheels.ts';

/** An arbor of which nobody has given the bore, mm. (estimate) */
const BORE_MM = 4;
/** Wall of a tube that another goes round, mm. (estimate) */
const WALL_MM = 1;

/** All arbors of a drive, placed. Pure; a drive without any distance is one arbor. (handbook: drive, arbors and centre distances) */
export function arborPlan(drive: Drive): ArborPlan {
  const trains = trainsOf(drive);
  const axes = axesOf(trains);
  const meshes: PlanMesh[] = [];
  const raw: Omit<PlanWheel, 'layer'>[] = [];
  const wheel = (one: Omit<PlanWheel, 'id' | 'layer' | 'arbor'>, stage: Stage): number => {
    const same = raw.find((w) => sameWheel(w, one, trains, stage));
    if (same) {
      raw[same.id] = { ...same, of: [...same.of, ...one.of] };
      return same.id;
    }
    raw.push({ ...one, id: raw.length, arbor: axes.arborOf(one.shaft) });
    return raw.length - 1;
  };
  for (const [train, { stages }] of trains.entries())
    for (const [at, stage] of stages.entries()) {
      const pair = wheelsOf(stage);
      if (!pair) continue;
      const [driver, driven] = (['driver', 'driven'] as const).map((role, i) =>
        wheel(
          {
            ...pair[i]!,
            shaft: axes.owner({ train, shaft: at + i }),
            of: [{ train, stage: at, role }],
          },
          stage,
        ),
      ) as [number, number];
      meshes.push({
        train,
        stage: at,
        label: kindOf(stage).label(stage),
        driver,
        driven,
        distance: distanceOf(stage),
      });
    }
  const { placed, disagreements } = place(trains, axes, raw, meshes);
  const positions = placed.map((p) => p.at);
  const wheels = layered(raw, meshes, positions, (of) => trains[of.train]!.stages[of.stage]!.layer);
  const arbors = axes.list.map((shafts, id) => arborOf(id, shafts, trains, axes, wheels, placed[id]!));
  return {
    arbors,
    wheels,
    meshes,
    disagreements,
    clashes: clashesOf(arbors, wheels, meshes),
    crossed: meshes.flatMap((m, i) => (m.distance.is === 'crossed' ? [i] : [])),
  };
}

function place(
  trains: readonly TrainOf[],
  axes: Axes,
  wheels: readonly Omit<PlanWheel, 'layer'>[],
  meshes: readonly PlanMesh[],
): { readonly placed: readonly Placed[]; readonly disagreements: readonly Disagreement[] } {
  const ends = (m: PlanMesh): readonly [number, number] => [wheels[m.driver]!.arbor, wheels[m.driven]!.arbor];
  const firm = meshes.flatMap((m, i) => {
    const [a, b] = ends(m);
    return m.distance.is === 'mesh' || m.distance.is === 'free' ? [{ i, a, b, m }] : [];
  });
  const placed = placeArbors(
    axes.list.map((shafts, id) => {
      const settings = shafts.map((s) => settingOf(trains, s));
      const pin = settings.find((s) => s.arborXMm !== undefined && s.arborYMm !== undefined);
      return {
        pin: pin ? { x: pin.arborXMm!, y: pin.arborYMm! } : null,
        deg: settings.find((s) => s.arborDeg !== undefined)?.arborDeg ?? null,
        other: settings.some((s) => s.arborOther === true),
        radius: Math.max(2, ...wheels.filter((w) => w.arbor === id).map((w) => w.outsideMm / 2)),
      };
    }),
    firm.flatMap(({ a, b, m }) =>
      a === b || m.distance.is === 'coaxial'
        ? []
        : [{ a, b, mm: m.distance.mm, loose: m.distance.is === 'free' }],
    ),
  );
  return { placed, disagreements: disagreementsOf(firm, placed) };
}

interface Setting {
  readonly arborXMm?: number;
  readonly arborYMm?: number;
  readonly arborDeg?: number;
  readonly arborOther?: boolean;
}

function settingOf(trains: readonly TrainOf[], { train, shaft }: ShaftOf): Setting {
  const { source, stages } = trains[train]!;
  return (shaft === 0 ? source : stages[shaft - 1]) ?? {};
}

/** Under this many mm two distances are the same: it is what doubles leave. */
const SAME_MM = 1e-6;

function disagreementsOf(
  firm: readonly { readonly i: number; readonly a: number; readonly b: number; readonly m: PlanMesh }[],
  placed: readonly Placed[],
): readonly Disagreement[] {
  const pairs = new Map<string, typeof firm>();
  for (const one of firm) {
    if (one.m.distance.is !== 'mesh') continue;
    const key = [one.a, one.b].sort((x, y) => x - y).join();
    pairs.set(key, [...(pairs.get(key) ?? []), one]);
  }
  return [...pairs.values()].flatMap((list): Disagreement[] => {
    const [first] = list;
    const { a, b } = first!;
    const told = list.map(({ i, m }) => ({ mesh: i, mm: (m.distance as { readonly mm: number }).mm }));
    const differs = list.find(({ m }) => !sameDistance(m.distance, first!.m.distance));
    if (differs)
      return [
        {
          a,
          b,
          meshes: told,
          mm: Math.abs((differs.m.distance as { readonly mm: number }).mm - told[0]!.mm),
        },
      ];
    // the places themselves: pinned, or held by more than two distances
    const d = between(placed[a]!.at, placed[b]!.at);
    return Math.abs(d - told[0]!.mm) > SAME_MM ? [{ a, b, meshes: told, mm: Math.abs(d - told[0]!.mm) }] : [];
  });
}

function sameDistance(a: Distance, b: Distance): boolean {
  if (a.is !== 'mesh' || b.is !== 'mesh') return true;
  return a.exact && b.exact ? equal(a.exact, b.exact) : Math.abs(a.mm - b.mm) < SAME_MM;
}

function arborOf(
  id: number,
  shafts: readonly ShaftOf[],
  trains: readonly TrainOf[],
  axes: Axes,
  wheels: readonly PlanWheel[],
  placed: Placed,
): Arbor {
  const its = wheels.filter((w) => w.arbor === id);
  const bores = shafts.map((s) => ({ ...s, boreMm: boreOf(trains, axes, s) }));
  const given = bores.flatMap((b) => (b.boreMm === null ? [] : [b.boreMm]));
  const largest = Math.max(...given, given.length === 0 ? BORE_MM : 0);
  const outputs = trains.flatMap((t, train) => {
    const end = axes.owner({ train, shaft: t.stages.length });
    return axes.arborOf(end) === id && outputKindOf(t.output).glyph === 'table' ? [t.name] : [];
  });
  const layers = its.map((w) => w.layer);
  const front = Math.max(0, ...wheels.map((w) => w.layer));
  // an output is carried to the front, to its hand
  const ends = [
    ...layers,
    ...(outputs.length > 0 && front > 0 && layers.some((l) => l > 0) ? [front + 1] : []),
  ];
  const [low, high] = [Math.min(...ends, Infinity), Math.max(...ends, -Infinity)];
  const first = shafts[0]!;
  return {
    id,
    name: axes.names[id]!,
    at: placed.at,
    how: placed.how,
    swingsAbout: placed.how === 'swings' ? (placed.from[0] ?? null) : null,
    deg: placed.deg,
    miss: placed.miss,
    shafts: bores,
    wheels: its.map((w) => w.id),
    diameterMm: largest + (bores.length > 1 ? 2 * WALL_MM : 0),
    estimated: given.length < bores.length,
    // it is carried by the plate, so it begins there
    span: ends.length === 0 ? [0, 0] : [low > 0 ? 1 : low, high < 0 ? -1 : high],
    outputs,
    set: { train: first.train, stage: first.shaft === 0 ? null : first.shaft - 1 },
  };
}

/** The bore of a shaft as any wheel on it says: the largest, for the arbor has to carry them all. */
function boreOf(trains: readonly TrainOf[], axes: Axes, shaft: ShaftOf): number | null {
  const own =
    shaft.shaft === 0
      ? trains[shaft.train]!.source?.boreMm
      : trains[shaft.train]!.stages[shaft.shaft - 1]!.outBoreMm;
  const from = trains.flatMap(({ stages }, train) =>
    stages.flatMap((stage, at) => {
      const on = axes.owner({ train, shaft: at });
      return on.train === shaft.train && on.shaft === shaft.shaft && stage.inBoreMm !== undefined
        ? [stage.inBoreMm]
        : [];
    }),
  );
  const all = [...(own === undefined ? [] : [own]), ...from];
  return all.length === 0 ? null : Math.max(...all);
}
