import { arborPlan, type ArborPlan, type Point } from '../arbors/index.ts';
import type { Drive } from '../drive/index.ts';
import { millimetres } from '../report/index.ts';

/** A line of a drawing at 1:1, mm, y up. `behind` is drawn dashed: it lies behind the plate. */
export type PlanMark =
  | {
      readonly is: 'circle';
      readonly at: Point;
      readonly r: number;
      readonly layer: PlanLayer;
      readonly behind?: boolean;
    }
  | { readonly is: 'line'; readonly from: Point; readonly to: Point; readonly layer: PlanLayer }
  | {
      readonly is: 'text';
      readonly at: Point;
      readonly text: string;
      readonly height: number;
      readonly layer: PlanLayer;
    };

export const PLAN_LAYERS = ['OUTLINE', 'HOLES', 'CENTRE', 'TEXT'] as const;
export type PlanLayer = (typeof PLAN_LAYERS)[number];

/** The plan of the arbors at 1:1: holes, centres, outside and pitch circles, names, distances, and 100 mm to check a print by. */
export interface PlanSheet {
  readonly marks: readonly PlanMark[];
  readonly low: Point;
  readonly high: Point;
}

const TEXT_MM = 3;
const CROSS_MM = 2;
const MARGIN_MM = 8;
const CONTROL_MM = 100;

/** null where a drive has no wheels in mesh. */
export function planSheet(drive: Drive): PlanSheet | null {
  const plan = arborPlan(drive);
  return plan.meshes.length === 0 ? null : sheetOf(plan);
}

function sheetOf(plan: ArborPlan): PlanSheet {
  const marks: PlanMark[] = [];
  const grown = { x0: Infinity, y0: Infinity, x1: -Infinity, y1: -Infinity };
  const circle = (at: Point, r: number, layer: PlanLayer, behind = false): void => {
    marks.push({ is: 'circle', at, r, layer, ...(behind && { behind }) });
    grown.x0 = Math.min(grown.x0, at.x - r);
    grown.y0 = Math.min(grown.y0, at.y - r);
    grown.x1 = Math.max(grown.x1, at.x + r);
    grown.y1 = Math.max(grown.y1, at.y + r);
  };
  for (const w of plan.wheels) {
    const { at } = plan.arbors[w.arbor]!;
    circle(at, w.outsideMm / 2, 'OUTLINE', w.layer < 0);
    if (w.pitchMm !== w.outsideMm) circle(at, w.pitchMm / 2, 'CENTRE', w.layer < 0);
  }
  for (const { at, diameterMm, name } of plan.arbors) {
    circle(at, diameterMm / 2, 'HOLES');
    const arm = diameterMm / 2 + CROSS_MM;
    marks.push(
      { is: 'line', from: { x: at.x - arm, y: at.y }, to: { x: at.x + arm, y: at.y }, layer: 'CENTRE' },
      { is: 'line', from: { x: at.x, y: at.y - arm }, to: { x: at.x, y: at.y + arm }, layer: 'CENTRE' },
      { is: 'text', at: { x: at.x + arm, y: at.y + 1 }, text: name, height: TEXT_MM, layer: 'TEXT' },
    );
  }
  const seen = new Set<string>();
  for (const m of plan.meshes) {
    const [a, b] = [plan.wheels[m.driver]!, plan.wheels[m.driven]!].map((w) => plan.arbors[w.arbor]!);
    const key = [a!.id, b!.id].sort((x, y) => x - y).join();
    if (a === b || m.distance.is !== 'mesh' || seen.has(key)) continue;
    seen.add(key);
    const middle = { x: (a!.at.x + b!.at.x) / 2, y: (a!.at.y + b!.at.y) / 2 };
    marks.push(
      { is: 'line', from: a!.at, to: b!.at, layer: 'CENTRE' },
      { is: 'text', at: middle, text: millimetres(m.distance.mm), height: TEXT_MM, layer: 'TEXT' },
    );
  }
  const low = { x: grown.x0 - MARGIN_MM, y: grown.y0 - MARGIN_MM - 10 };
  const from = { x: grown.x0, y: grown.y0 - MARGIN_MM };
  const to = { x: grown.x0 + CONTROL_MM, y: from.y };
  marks.push(
    { is: 'line', from, to, layer: 'TEXT' },
    {
      is: 'text',
      at: { x: from.x, y: from.y - TEXT_MM - 2 },
      text: `${CONTROL_MM} mm: measure it on the print`,
      height: TEXT_MM,
      layer: 'TEXT',
    },
  );
  return {
    marks,
    low,
    high: { x: Math.max(grown.x1, to.x) + MARGIN_MM, y: grown.y1 + MARGIN_MM },
  };
}
