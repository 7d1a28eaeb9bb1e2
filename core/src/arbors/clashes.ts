import { between, type Point } from './geometry.ts';
import type { Arbor, ArborsClash, Clash, PlanMesh, PlanWheel, WheelClash } from './arbor.ts';

/** Do two wheels of a layer overlap, and by how much, mm; 0 when they are clear. */
export const overlap = (a: PlanWheelSize, at: Point, b: PlanWheelSize, bt: Point): number =>
  Math.max(0, (a.outsideMm + b.outsideMm) / 2 - between(at, bt));

type PlanWheelSize = Pick<PlanWheel, 'outsideMm'>;

/** Every wheel against every foreign arbor that passes its layer, and against every wheel there, and every two arbors. (handbook: drive, arbors and centre distances) */
export function clashesOf(
  arbors: readonly Arbor[],
  wheels: readonly PlanWheel[],
  meshes: readonly PlanMesh[],
): readonly Clash[] {
  const out: WheelClash[] = [];
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
  return [...out, ...arborsThatMeet(arbors, wheels, meshes)].sort((x, y) => y.mm - x.mm);
}

/** Two arbors that go through one another: every one is carried by the plate. A ring is held from its far side, a worm lies across. */
function arborsThatMeet(
  arbors: readonly Arbor[],
  wheels: readonly PlanWheel[],
  meshes: readonly PlanMesh[],
): readonly ArborsClash[] {
  const apart = meshes.flatMap(({ driver, driven, distance }) => {
    const [a, b] = [wheels[driver]!, wheels[driven]!];
    return distance.is === 'crossed' || a.form === 'ring' || b.form === 'ring' ? [[a.arbor, b.arbor]] : [];
  });
  return arbors.flatMap((a, i) =>
    arbors.slice(i + 1).flatMap((b): ArborsClash[] => {
      const mm = (a.diameterMm + b.diameterMm) / 2 - between(a.at, b.at);
      return mm <= 0 || apart.some((pair) => pair.includes(a.id) && pair.includes(b.id))
        ? []
        : [{ meets: 'both', arbors: [a.id, b.id], mm }];
    }),
  );
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
