import { equal } from '../numbers/index.ts';
import {
  kindOf,
  outputKindOf,
  sourceKindOf,
  trainAt,
  trainsOf,
  treeOrder,
  type Drive,
  type Stage,
  type TrainOf,
} from '../drive/index.ts';
import { clashesOf, type Clash } from './clashes.ts';
import { between, type Point } from './geometry.ts';
import { layered } from './layers.ts';
import { distanceOf, type Distance } from './mesh.ts';
import { placeArbors, type How, type Placed } from './solve.ts';

/** A shaft of a drive, by the train that has it: 0 that of its source, i the one that stage i − 1 turns. */
export interface ShaftOf {
  readonly train: number;
  readonly shaft: number;
}

/** One wheel on an arbor; a wheel that meshes with several is one. */
export interface PlanWheel {
  readonly id: number;
  readonly arbor: number;
  readonly shaft: ShaftOf;
  readonly form: 'wheel' | 'ring' | 'pulley' | 'rim' | 'worm' | 'crank' | 'slots';
  /** 0 for a smooth rim */
  readonly teeth: number;
  readonly pitchMm: number;
  readonly outsideMm: number;
  /** 1 and up before the plate, −1 and down behind it */
  readonly layer: number;
  /** the stages it belongs to */
  readonly of: readonly {
    readonly train: number;
    readonly stage: number;
    readonly role: 'driver' | 'driven';
  }[];
}

/** Two wheels that turn one another, and the distance they want. */
export interface PlanMesh {
  readonly train: number;
  readonly stage: number;
  readonly label: string;
  readonly driver: number;
  readonly driven: number;
  readonly distance: Distance;
}

/** One axis of the plan with all that sits on it: a shaft, or several as tubes. */
export interface Arbor {
  readonly id: number;
  /** "C" for a crank's, else a number */
  readonly name: string;
  readonly at: Point;
  readonly how: How;
  readonly swingsAbout: number | null;
  readonly deg: number | null;
  /** mm by which its distances do not reach it; 0 when they do */
  readonly miss: number;
  readonly shafts: readonly (ShaftOf & { readonly boreMm: number | null })[];
  readonly wheels: readonly number[];
  /** over all its tubes, mm */
  readonly diameterMm: number;
  /** nobody has given a bore */
  readonly estimated: boolean;
  /** the layers it passes, both ends included; 0 is the plate */
  readonly span: readonly [number, number];
  /** outputs that it carries: names of trains */
  readonly outputs: readonly string[];
  /** whose place it is: the stage that turns it, or null for a source */
  readonly set: { readonly train: number; readonly stage: number | null };
}

/** Pairs that join the same two arbors and want different distances. */
export interface Disagreement {
  readonly a: number;
  readonly b: number;
  /** the first is what the plan is drawn at */
  readonly meshes: readonly { readonly mesh: number; readonly mm: number }[];
  readonly mm: number;
}

export interface ArborPlan {
  readonly arbors: readonly Arbor[];
  readonly wheels: readonly PlanWheel[];
  readonly meshes: readonly PlanMesh[];
  readonly clashes: readonly Clash[];
  readonly disagreements: readonly Disagreement[];
  /** stages whose driven arbor stands at right angles to the rest */
  readonly crossed: readonly number[];
}

/** An arbor of which nobody has given the bore, mm. (estimate) */
const BORE_MM = 4;
/** Wall of a tube that another goes round, mm. (estimate) */
const WALL_MM = 1;

const SOURCE_LETTERS = { motor: 'M', encoderMotor: 'M', crank: 'C', spring: 'S', synchronous: 'M' } as const;

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

/** Which shafts share an axis, and how the axes are called. */
interface Axes {
  readonly list: readonly (readonly ShaftOf[])[];
  readonly names: readonly string[];
  readonly arborOf: (shaft: ShaftOf) => number;
  /** a branch begins on the shaft of another train: the shaft by the train that has it */
  readonly owner: (shaft: ShaftOf) => ShaftOf;
}

function axesOf(trains: readonly TrainOf[]): Axes {
  const owner = ({ train, shaft }: ShaftOf): ShaftOf => {
    const { from } = trains[train]!;
    return shaft > 0 || !from
      ? { train, shaft }
      : owner({ train: trainAt(trains, from.train), shaft: from.shaft });
  };
  const groups: { shafts: ShaftOf[]; axis: string | undefined }[] = [];
  const group = new Map<string, number>();
  const key = ({ train, shaft }: ShaftOf): string => `${train}.${shaft}`;
  const join = (shaft: ShaftOf, at: number): void => {
    groups[at]!.shafts.push(shaft);
    group.set(key(shaft), at);
  };
  const arborOf = (of: ShaftOf): number => group.get(key(owner(of)))!;
  const add = (shaft: ShaftOf, named: string | undefined): void => {
    const axis = named?.trim().toLowerCase() || undefined;
    const there = axis === undefined ? -1 : groups.findIndex((g) => g.axis === axis);
    if (there < 0) groups.push({ shafts: [], axis });
    join(shaft, there < 0 ? groups.length - 1 : there);
  };
  // a train may hang on a later one: what has a source first, then what hangs on what is there
  for (const train of treeOrder(trains)) {
    const { from, source, stages } = trains[train]!;
    if (!from) add({ train, shaft: 0 }, source?.axis);
    for (const [at, stage] of stages.entries())
      if (distanceOf(stage).is === 'coaxial') join({ train, shaft: at + 1 }, arborOf({ train, shaft: at }));
      else add({ train, shaft: at + 1 }, stage.axis);
  }
  let number = 0;
  const letters = new Map<string, number>();
  const names = groups.map(({ shafts: [first] }) => {
    const source = first!.shaft === 0 ? trains[first!.train]!.source : undefined;
    if (!source) return String(++number);
    const letter = SOURCE_LETTERS[sourceKindOf(source).glyph];
    const n = (letters.get(letter) ?? 0) + 1;
    letters.set(letter, n);
    return n === 1 ? letter : `${letter}${n}`;
  });
  return {
    list: groups.map((g) => g.shafts),
    names,
    owner,
    arborOf,
  };
}

type Bare = Pick<PlanWheel, 'form' | 'teeth' | 'pitchMm' | 'outsideMm'>;

/** The two wheels of a stage; null where both its shafts are on one axis. */
function wheelsOf(stage: Stage): readonly [Bare, Bare] | null {
  const shape = kindOf(stage).shape(stage);
  switch (shape.form) {
    case 'mesh': {
      const module = (w: { readonly teeth: number; readonly pitchMm: number }): number =>
        w.teeth > 0 ? w.pitchMm / w.teeth : 0;
      const [a, b] = [shape.driver, shape.driven].map((w, i): Bare => {
        const other = i === 0 ? shape.driven : shape.driver;
        const ring = shape.inner && w.pitchMm > other.pitchMm;
        const form = w.teeth === 0 ? 'rim' : ring ? 'ring' : 'wheel';
        // a ring has its body outside its teeth
        return { form, ...w, outsideMm: w.pitchMm + module(w) * (ring ? 5 : 2) };
      });
      return [a!, b!];
    }
    case 'belt': {
      const pulley = (w: { readonly teeth: number; readonly pitchMm: number }): Bare => ({
        form: w.teeth > 0 ? 'pulley' : 'rim',
        ...w,
        outsideMm: w.pitchMm + 1,
      });
      return [pulley(shape.driver), pulley(shape.driven)];
    }
    case 'worm': {
      const { wormMm, wheel } = shape;
      const worm: Bare = { form: 'worm', teeth: shape.starts, pitchMm: wormMm, outsideMm: wormMm };
      const large: Bare = { form: 'wheel', ...wheel, outsideMm: wheel.pitchMm * (1 + 2 / wheel.teeth) };
      return shape.byWheel ? [large, worm] : [worm, large];
    }
    case 'geneva': {
      const crank = 2 * shape.centreMm * Math.sin(Math.PI / shape.slots);
      const slots = 2 * shape.centreMm * Math.cos(Math.PI / shape.slots);
      return [
        { form: 'crank', teeth: 1, pitchMm: crank, outsideMm: crank },
        { form: 'slots', teeth: shape.slots, pitchMm: slots, outsideMm: slots },
      ];
    }
    default:
      return null;
  }
}

/** One wheel that turns two: on the same shaft, with the same teeth and size, in no other layer. */
function sameWheel(
  w: Omit<PlanWheel, 'layer'>,
  one: Omit<PlanWheel, 'id' | 'layer' | 'arbor'>,
  trains: readonly TrainOf[],
  stage: Stage,
): boolean {
  if (w.shaft.train !== one.shaft.train || w.shaft.shaft !== one.shaft.shaft) return false;
  if (w.form !== one.form || w.teeth !== one.teeth || w.pitchMm !== one.pitchMm) return false;
  const { train, stage: at } = w.of[0]!;
  return trains[train]!.stages[at]!.layer === stage.layer;
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
