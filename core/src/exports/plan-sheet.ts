import { millimetres } from '../words/index.ts';
import { arborPlan, type ArborPlan } from '../arbors/index.ts';
import type { Drive } from '../drive/index.ts';
import { Pen, type Drawing } from './drawing.ts';

/** The plan of the arbors at 1:1: holes, centres, outside and pitch circles, names, distances; null where a drive has no wheels in mesh. */
export function planSheet(drive: Drive): Drawing | null {
  const plan = arborPlan(drive);
  return plan.meshes.length === 0 ? null : sheetOf(plan);
}

/** Round the outermost holes of a plate, mm. */
const PLATE_MM = 12;

/** One of the two plates that hold the arbors: its holes alone, the back one as it is seen from behind. */
export function plateOfArbors(drive: Drive, side: 'front' | 'back'): Drawing | null {
  const plan = arborPlan(drive);
  if (plan.meshes.length === 0) return null;
  const turned = side === 'back' ? -1 : 1;
  const pen = new Pen();
  const spots = plan.arbors.map((a) => ({ ...a, at: { x: turned * a.at.x, y: a.at.y } }));
  for (const { at, diameterMm, name } of spots) {
    pen.circle(at, diameterMm / 2, 'HOLES');
    pen.cross(at, diameterMm / 2);
    pen.text({ x: at.x + diameterMm / 2 + 2, y: at.y + 1 }, name);
  }
  const reach = (pick: (s: (typeof spots)[number]) => number): readonly [number, number] => {
    const all = spots.map(pick);
    return [Math.min(...all) - PLATE_MM, Math.max(...all) + PLATE_MM];
  };
  const [[x0, x1], [y0, y1]] = [reach((s) => s.at.x), reach((s) => s.at.y)];
  pen.path(
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    'OUTLINE',
  );
  return pen.done(`${side} plate, 1:1${side === 'back' ? ', seen from behind' : ''}`);
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
