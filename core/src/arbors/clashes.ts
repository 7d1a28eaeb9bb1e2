import { between, type Point } from './geometry.ts';
import type { Arbor, Clash, PlanMesh, PlanWheel } from './arbor.ts';

/** Do two wheels of a layer overlap, and by how much, mm; 0 when they are clear. */
export const overlap = (a: PlanWheelSize, at: Point, b: PlanWheelSize, bt: Point): number =>
  Math.max(0, (a.outsideMm + b.outsideMm) / 2 - between(at, bt));

type PlanWheelSize = Pick<PlanWheel, 'outsideMm'>;

/** Every wheel against every foreign arbor that passes its layer, and against every wheel there. (handbook: drive, arbors and centre distances) */
export function clashesOf(
  arbors: readonly Arbor[],
  wheels: readonly PlanWheel[],
  meshes: readonly PlanMesh[],
): readonly Clash[] {
  const out: Clash[] = [];
  const partners = partnersOf(meshes);
  for (const wheel of wheels) {
    if (wheel.form === 'worm') continue;
    const at = arbors[wheel.arbor]!.at;
    for (const arbor of arbors) {
      const [low, high] = arbor.span;
      if (arbor.id === wheel.arbor || wheel.layer < low || wheel.layer > high) continue;
      // the pinion inside a ring stands there by right
      if (wheel.form === 'ring' && [...partners(wheel.id)].some((w) => wheels[w]!.arbor === arbor.id))
        continue;
      const mm = (wheel.outsideMm + arbor.diameterMm) / 2 - between(at, arbor.at);
      if (mm > 0) out.push({ wheel: wheel.id, meets: 'arbor', other: arbor.id, layer: wheel.layer, mm });
    }
  }
  for (const [i, a] of wheels.entries())
    for (const b of wheels.slice(i + 1)) {
      if (a.layer !== b.layer || a.arbor === b.arbor || a.form === 'worm' || b.form === 'worm') continue;
      if (partners(a.id).has(b.id)) continue;
      const mm = overlap(a, arbors[a.arbor]!.at, b, arbors[b.arbor]!.at);
      if (mm > 0) out.push({ wheel: a.id, meets: 'wheel', other: b.id, layer: a.layer, mm });
    }
  return out.sort((x, y) => y.mm - x.mm);
}

/** For each wheel those that it turns, or is turned by. */
export function partnersOf(
  meshes: readonly Pick<PlanMesh, 'driver' | 'driven'>[],
): (wheel: number) => ReadonlySet<number> {
  const all = new Map<number, Set<number>>();
  const add = (a: number, b: number): void => {
    const set = all.get(a) ?? new Set<number>();
    set.add(b);
    all.set(a, set);
  };
  for (const { driver, driven } of meshes) {
    add(driver, driven);
    add(driven, driver);
  }
  const none: ReadonlySet<number> = new Set();
  return (wheel) => all.get(wheel) ?? none;
}
