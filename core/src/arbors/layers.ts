import { overlap, partnersOf } from './clashes.ts';
import type { Point } from './geometry.ts';
import type { PlanMesh, PlanWheel } from './arbor.ts';

const LAYERS = 9;

/** The layer of each mesh where nobody has said one: the lowest before the plate in which its wheels are clear of the others. */
export function layered(
  raw: readonly Omit<PlanWheel, 'layer'>[],
  meshes: readonly PlanMesh[],
  at: readonly Point[],
  given: (of: PlanWheel['of'][number]) => number | undefined,
): readonly PlanWheel[] {
  const layer = new Map<number, number>();
  const partners = partnersOf(meshes);
  for (const w of raw) {
    const said = given(w.of[0]!);
    if (said !== undefined) layer.set(w.id, said);
  }
  const free = (id: number, in_: number): boolean =>
    raw.every((other) => {
      if (other.id === id || layer.get(other.id) !== in_) return true;
      if (other.arbor === raw[id]!.arbor) return false;
      return (
        partners(id).has(other.id) || overlap(raw[id]!, at[raw[id]!.arbor]!, other, at[other.arbor]!) === 0
      );
    });
  for (const { driver, driven } of meshes) {
    const known = layer.get(driver) ?? layer.get(driven);
    if (known !== undefined) {
      for (const id of [driver, driven]) if (!layer.has(id)) layer.set(id, known);
      continue;
    }
    let in_ = 1;
    while (in_ < LAYERS && !(free(driver, in_) && free(driven, in_))) in_++;
    layer.set(driver, in_);
    layer.set(driven, in_);
  }
  return raw.map((w) => ({ ...w, layer: layer.get(w.id) ?? 1 }));
}
