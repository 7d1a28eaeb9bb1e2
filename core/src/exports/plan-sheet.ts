import { arborPlan, type ArborPlan } from '../arbors/index.ts';
import type { Drive } from '../drive/index.ts';
import { millimetres } from '../report/index.ts';
import { Pen, type Drawing } from './drawing.ts';

/** The plan of the arbors at 1:1: holes, centres, outside and pitch circles, names, distances; null where a drive has no wheels in mesh. */
export function planSheet(drive: Drive): Drawing | null {
  const plan = arborPlan(drive);
  return plan.meshes.length === 0 ? null : sheetOf(plan);
}

function sheetOf(plan: ArborPlan): Drawing {
  const pen = new Pen();
  for (const w of plan.wheels) {
    const { at } = plan.arbors[w.arbor]!;
    pen.circle(at, w.outsideMm / 2, 'OUTLINE', w.layer < 0);
    if (w.pitchMm !== w.outsideMm) pen.circle(at, w.pitchMm / 2, 'CENTRE', w.layer < 0);
  }
  for (const { at, diameterMm, name } of plan.arbors) {
    pen.circle(at, diameterMm / 2, 'HOLES');
    pen.cross(at, diameterMm / 2);
    pen.text({ x: at.x + diameterMm / 2 + 2, y: at.y + 1 }, name);
  }
  const seen = new Set<string>();
  for (const m of plan.meshes) {
    const [a, b] = [plan.wheels[m.driver]!, plan.wheels[m.driven]!].map((w) => plan.arbors[w.arbor]!);
    const key = [a!.id, b!.id].sort((x, y) => x - y).join();
    if (a === b || m.distance.is !== 'mesh' || seen.has(key)) continue;
    seen.add(key);
    pen.line(a!.at, b!.at, 'CENTRE');
    pen.text({ x: (a!.at.x + b!.at.x) / 2, y: (a!.at.y + b!.at.y) / 2 }, millimetres(m.distance.mm));
  }
  return pen.done('arbors, 1:1');
}
