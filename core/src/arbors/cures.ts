import { kindOf, MAX_LAYER, moduleOf, trainsOf, type Drive, type Stage } from '../drive/index.ts';
import { exactly, equal, rational, type Rational } from '../numbers/index.ts';
import { meshesOf, meshOf, sharedShift, shiftSum } from '../teeth/index.ts';
import { distanceOf, ownDistance } from './mesh.ts';
import type { ArborPlan, Clash, Disagreement, PlanMesh, WheelClash } from './arbor.ts';
import { arborPlan } from './plan.ts';

/** One way to let pairs that share two arbors agree: what is set, and what it costs. */
export interface ArborCure {
  readonly way: 'shift' | 'teeth' | 'module';
  readonly train: number;
  readonly stage: number;
  /** inputs of the stage, as typed */
  readonly set: Readonly<Record<string, string>>;
  /** the distance that all then run at, mm */
  readonly mm: number;
  /** sum of the profile shifts, in modules; null where none is wanted */
  readonly shift: number | null;
  /** teeth in contact, before and after; null where it was not reckoned */
  readonly contact: readonly [number, number] | null;
  /** new counts of teeth; the pair's own where they stay */
  readonly teeth: readonly [number, number];
  readonly moduleMm: number;
  /** the worst overlap that is then left, mm; 0 for none */
  readonly clash: number;
}

/** Modules that cutters are sold in. */
const MODULES = [0.3, 0.4, 0.5, 0.6, 0.7, 0.75, 0.8, 0.9, 1, 1.25, 1.5, 2, 2.5, 3];
const LEAST_TEETH = 8;
const MOST_TEETH = 240;
/** Beyond this sum of shifts a pair of usual counts loses its tips or its roots. (estimate) */
const MOST_SHIFT = 1.5;

/** A shift as it is written into the stage: fine enough that the distance agrees to a thousandth of a µm. */
const shiftText = (x: number): string => String(Number(x.toFixed(8)));

/**
 * What would let the pairs of a disagreement agree: a profile shift of the one to the distance of the other, the same ratio with the right
 * sum of teeth, of this module or of another. Exact counts, confirmed exactly; the best of each way, shifts first.
 */
export function arborCures(drive: Drive, plan: ArborPlan, { meshes }: Disagreement): readonly ArborCure[] {
  const trains = trainsOf(drive);
  const out: ArborCure[] = [];
  for (const target of meshes)
    for (const { mesh } of meshes) {
      const { train, stage: at } = plan.meshes[mesh]!;
      const stage = trains[train]!.stages[at]!;
      const { mm } = target;
      const own = ownDistance(stage);
      if (stage.kind !== 'spur' || mesh === target.mesh || own === null || Math.abs(own - mm) < 1e-9)
        continue;
      const to = (cure: Omit<ArborCure, 'train' | 'stage' | 'mm' | 'clash'>): void => {
        const clash = worstAfter(drive, train, at, cure.set);
        if (clash !== null) out.push({ train, stage: at, mm, clash, ...cure });
      };
      const { z1, z2 } = stage;
      const module = moduleOf(stage).mm;
      const shared = shiftTo(plan, plan.meshes[mesh]!, stage, mm);
      if (shared) to({ way: 'shift', teeth: [z1, z2], moduleMm: module, ...shared });
      for (const other of sameRatio(stage, mm, module)) to(other);
    }
  const order = (c: ArborCure): number => (c.way === 'shift' ? 0 : c.way === 'teeth' ? 1 : 2);
  return out.sort(
    (a, b) => order(a) - order(b) || a.clash - b.clash || Math.abs(a.shift ?? 0) - Math.abs(b.shift ?? 0),
  );
}

/** The shift of a pair to a distance, shared so that neither wheel is undercut nor pointed; one that turns in another mesh too keeps its own. */
function shiftTo(
  plan: ArborPlan,
  mesh: PlanMesh,
  stage: Stage,
  mm: number,
): Pick<ArborCure, 'set' | 'shift' | 'contact'> | null {
  const [first] = meshesOf(stage);
  if (!first?.mesh) return null;
  const [a, b] = [first.a.gear!, first.b.gear!];
  const sum = shiftSum(a, b, mm);
  if (sum === null || Math.abs(sum) > MOST_SHIFT) return null;
  const bound = (wheel: number): boolean => plan.wheels[wheel]!.of.length > 1;
  const shared = sharedShift(a, b, sum, {
    ...(bound(mesh.driver) && { a: a.shift }),
    ...(bound(mesh.driven) && { b: b.shift }),
  });
  if (!shared) return null;
  const [xa, xb] = shared.map((x) => Number(shiftText(x))) as [number, number];
  const after = meshOf({ ...a, shift: xa }, { ...b, shift: xb });
  return (
    after && {
      // a wheel that turns in another mesh too keeps what it has, also how it came by it
      set: {
        ...(!bound(mesh.driver) && { shift: String(xa) }),
        ...(!bound(mesh.driven) && { shiftDriven: String(xb) }),
        ...(stage.shiftBack && { shiftBack: '' }),
        distanceMm: '',
      },
      shift: sum,
      contact: [first.mesh.contact, after.contact],
    }
  );
}

/** Millimetres as exact text: what doubles add behind the sixth place is not meant. */
const exactText = (mm: number): string => String(Number(mm.toFixed(6)));

/** Pairs of the same ratio whose teeth make just that distance: of the present module first. */
function sameRatio(
  stage: Stage & { readonly kind: 'spur' },
  mm: number,
  present: number,
): readonly Omit<ArborCure, 'train' | 'stage' | 'mm' | 'clash'>[] {
  const { n, d } = rational(stage.z2, stage.z1);
  const [q, p] = [Number(n), Number(d)];
  const wanted = exactly(exactText(mm));
  const modules = [present, ...MODULES.filter((m) => m !== present)];
  return modules.flatMap((module) => {
    const own = module === present;
    const k = (2 * mm) / (module * (p + q));
    const whole = Math.round(k);
    const teeth = [p * whole, q * whole] as const;
    if (whole < 1 || Math.min(...teeth) < LEAST_TEETH || Math.max(...teeth) > MOST_TEETH) return [];
    const set = {
      z1: String(teeth[0]),
      z2: String(teeth[1]),
      ...(!own && { moduleMm: String(module), diametralPitch: '' }),
      shift: '',
      shiftDriven: '',
      distanceMm: '',
    };
    // teeth so few that they are shifted stand further apart than their counts say
    const { exact } = distanceOf(changed(stage, set)) as { readonly exact?: Rational | null };
    if (!exact || !equal(exact, wanted)) return [];
    return [
      {
        way: own ? ('teeth' as const) : ('module' as const),
        set,
        shift: null,
        contact: null,
        teeth,
        moduleMm: module,
      },
    ];
  });
}

/** The worst overlap once a stage is set so; null where it cannot be. */
function worstAfter(
  drive: Drive,
  train: number,
  at: number,
  set: Readonly<Record<string, string>>,
): number | null {
  const after = withStage(drive, train, at, set);
  const stage = trainsOf(after)[train]!.stages[at]!;
  if (kindOf(stage).refuse?.(stage)) return null;
  return worstClash(arborPlan(after).clashes);
}

export const worstClash = (clashes: readonly Clash[]): number => clashes[0]?.mm ?? 0;

/**
 * Another layer for one of the pairs of a clash, after which less meets and nothing new: the nearest on its side. The whole plan is made
 * again for each, for with a wheel an arbor grows. null when there is none.
 */
export function layerCure(
  drive: Drive,
  plan: ArborPlan,
  clash: WheelClash,
): { readonly train: number; readonly stage: number; readonly layer: number } | null {
  const wheels = [clash.wheel, ...(clash.meets === 'wheel' ? [clash.other] : [])];
  const options = wheels.flatMap((id) => {
    const { layer, of } = plan.wheels[id]!;
    const { train, stage } = of[0]!;
    const side = Math.sign(layer);
    return Array.from({ length: MAX_LAYER }, (_, i) => ({
      train,
      stage,
      layer: side * (i + 1),
      by: Math.abs(i + 1 - Math.abs(layer)),
    }));
  });
  for (const { by, ...option } of options.sort((a, b) => a.by - b.by)) {
    if (by === 0) continue;
    const after = arborPlan(withStage(drive, option.train, option.stage, { layer: String(option.layer) }));
    if (after.clashes.length < plan.clashes.length) return option;
  }
  return null;
}

/** A stage set otherwise; nothing takes an input away. */
function changed(stage: Stage, set: Readonly<Record<string, string>>): Stage {
  const out: Record<string, unknown> = { ...stage };
  for (const [key, text] of Object.entries(set)) {
    if (text === '') delete out[key];
    else out[key] = key === 'distanceMm' ? text : Number(text);
  }
  return out as unknown as Stage;
}

/** A drive with one stage set otherwise. */
function withStage(drive: Drive, train: number, at: number, set: Readonly<Record<string, string>>): Drive {
  const change = (stages: readonly Stage[]): readonly Stage[] =>
    stages.map((s, i) => (i === at ? changed(s, set) : s));
  return train === 0
    ? { ...drive, train: { ...drive.train, stages: change(drive.train.stages) } }
    : {
        ...drive,
        others: drive.others!.map((t, i) => (i === train - 1 ? { ...t, stages: change(t.stages) } : t)),
      };
}
