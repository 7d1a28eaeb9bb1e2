import { kindOf, MAX_LAYER, trainsOf, type Drive, type Stage } from '../drive/index.ts';
import { exactly, equal, rational } from '../numbers/index.ts';
import { ownDistance } from './mesh.ts';
import type { ArborPlan, Clash, Disagreement } from './arbor.ts';
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
const ALPHA = (20 * Math.PI) / 180;
const involute = (a: number): number => Math.tan(a) - a;

/** Pressure angle at which a pair runs at another distance than its own; null where its base circles do not reach. */
function running(own: number, mm: number): number | null {
  const c = (own / mm) * Math.cos(ALPHA);
  return c >= 1 ? null : Math.acos(c);
}

/** Sum of the profile shifts that lets a pair run at `mm`, in modules, 20°; null where no shift does. (handbook: make) */
export function shiftSum(z1: number, z2: number, moduleMm: number, mm: number): number | null {
  const w = running((moduleMm * (z1 + z2)) / 2, mm);
  return w === null ? null : ((involute(w) - involute(ALPHA)) * (z1 + z2)) / (2 * Math.tan(ALPHA));
}

/** Teeth in contact of an outside pair at `mm`, its shifts shared evenly; below about 1.1 it knocks. */
export function contactRatio(z1: number, z2: number, moduleMm: number, mm: number, shift: number): number {
  const w = running((moduleMm * (z1 + z2)) / 2, mm) ?? ALPHA;
  const reach = (z: number): number => {
    const tip = (moduleMm * (z + 2 + shift)) / 2;
    const base = (moduleMm * z * Math.cos(ALPHA)) / 2;
    return Math.sqrt(Math.max(0, tip * tip - base * base));
  };
  return (reach(z1) + reach(z2) - mm * Math.sin(w)) / (Math.PI * moduleMm * Math.cos(ALPHA));
}

interface SpurLike {
  readonly z1: number;
  readonly z2: number;
  readonly moduleMm?: number;
}

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
      const { z1, z2, moduleMm = 1 } = stage as unknown as SpurLike;
      const to = (cure: Omit<ArborCure, 'train' | 'stage' | 'mm' | 'clash'>): void => {
        const clash = worstAfter(drive, train, at, cure.set);
        if (clash !== null) out.push({ train, stage: at, mm, clash, ...cure });
      };
      const shift = shiftSum(z1, z2, moduleMm, mm);
      if (shift !== null && Math.abs(shift) <= MOST_SHIFT)
        to({
          way: 'shift',
          set: { distanceMm: exactText(mm) },
          shift,
          contact: [contactRatio(z1, z2, moduleMm, own, 0), contactRatio(z1, z2, moduleMm, mm, shift)],
          teeth: [z1, z2],
          moduleMm,
        });
      for (const other of sameRatio(z1, z2, mm, moduleMm)) to(other);
    }
  const order = (c: ArborCure): number => (c.way === 'shift' ? 0 : c.way === 'teeth' ? 1 : 2);
  return out.sort(
    (a, b) => order(a) - order(b) || a.clash - b.clash || Math.abs(a.shift ?? 0) - Math.abs(b.shift ?? 0),
  );
}

/** Millimetres as exact text: what doubles add behind the sixth place is not meant. */
const exactText = (mm: number): string => String(Number(mm.toFixed(6)));

/** Pairs of the same ratio whose teeth make just that distance: of the present module first. */
function sameRatio(
  z1: number,
  z2: number,
  mm: number,
  present: number,
): readonly Omit<ArborCure, 'train' | 'stage' | 'mm' | 'clash'>[] {
  const { n, d } = rational(z2, z1);
  const [q, p] = [Number(n), Number(d)];
  const wanted = exactly(exactText(mm));
  const modules = [present, ...MODULES.filter((m) => m !== present)];
  return modules.flatMap((module) => {
    const k = (2 * mm) / (module * (p + q));
    const whole = Math.round(k);
    const teeth = [p * whole, q * whole] as const;
    if (whole < 1 || Math.min(...teeth) < LEAST_TEETH || Math.max(...teeth) > MOST_TEETH) return [];
    const made = rational(BigInt(teeth[0] + teeth[1]) * BigInt(Math.round(module * 1000)), 2000);
    if (!equal(made, wanted)) return [];
    return [
      {
        way: module === present ? ('teeth' as const) : ('module' as const),
        set: { z1: String(teeth[0]), z2: String(teeth[1]), moduleMm: String(module), distanceMm: '' },
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
  clash: Clash,
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

/** A drive with one stage set otherwise; nothing takes an input away. */
function withStage(drive: Drive, train: number, at: number, set: Readonly<Record<string, string>>): Drive {
  const change = (stages: readonly Stage[]): readonly Stage[] =>
    stages.map((s, i) => {
      if (i !== at) return s;
      const out: Record<string, unknown> = { ...s };
      for (const [key, text] of Object.entries(set)) {
        if (text === '') delete out[key];
        else out[key] = key === 'distanceMm' ? text : Number(text);
      }
      return out as unknown as Stage;
    });
  return train === 0
    ? { ...drive, train: { ...drive.train, stages: change(drive.train.stages) } }
    : {
        ...drive,
        others: drive.others!.map((t, i) => (i === train - 1 ? { ...t, stages: change(t.stages) } : t)),
      };
}
