import { millimetres } from '../../words/index.ts';
import { layerName, pathOf, trainsOf, type Drive } from '../../drive/index.ts';
import { px, toothed } from '../../drive/drawing/index.ts';
import type { ArborPlan, Clash, PlanMesh, PlanWheel, Point } from '../../arbors/index.ts';
import { wheelWords } from './arbors.ts';
import { layersPicture, type LayersPicture } from './layers-picture.ts';
import { distancePlaces, distanceSize, labelPlaces, type CentreLine } from './plan-labels.ts';

/** One wheel of the plan in pixels. */
export interface DrawnPlanWheel {
  readonly id: number;
  readonly arbor: number;
  readonly x: number;
  readonly y: number;
  readonly r: number;
  /** toothed rim; "" for a smooth one, or one too small to show */
  readonly rim: string;
  /** degrees by which the rim is turned so that it meshes */
  readonly phase: number;
  readonly behind: boolean;
  readonly label: { readonly x: number; readonly y: number; readonly teeth: string; readonly layer: string };
  /** its shaft among those of all trains, for what turns */
  readonly shaft: number;
  /** on the path to the output that is looked at */
  readonly lit: boolean;
}

export interface DrawnArbor {
  readonly id: number;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  /** of the arbor, and of the tubes on it */
  readonly rings: readonly number[];
  readonly how: 'pinned' | 'solved' | 'swings';
  /** its arc; null for one that does not swing */
  readonly arc: { readonly x: number; readonly y: number; readonly r: number } | null;
  readonly outputs: readonly string[];
}

/** The arbor plan seen from before the plate, and its layers edge on. */
export interface PlanPicture {
  readonly width: number;
  readonly height: number;
  /** px a millimetre */
  readonly scale: number;
  /** from back to front */
  readonly wheels: readonly DrawnPlanWheel[];
  readonly arbors: readonly DrawnArbor[];
  readonly lines: readonly (CentreLine & {
    readonly differs: boolean;
    /** the middle of the plate its distance stands on, and that plate's size */
    readonly at: { readonly x: number; readonly y: number };
    readonly plate: { readonly w: number; readonly h: number };
  })[];
  readonly bar: { readonly length: number; readonly text: string };
  readonly clashes: readonly { readonly x: number; readonly y: number; readonly r: number }[];
  readonly layers: LayersPicture;
  /** mm in the plan of a place in the picture */
  readonly toPlan: (x: number, y: number) => Point;
}

const BAR_MM = [1, 2, 5, 10, 20, 30, 50, 100, 200, 500, 1000] as const;
const MARGIN = 26;

/** `sides`: which of the plate is shown. `output` is the train whose path is lit. */
export function planPicture(
  drive: Drive,
  plan: ArborPlan,
  output: number,
  sides: 'both' | 'front' | 'behind',
  width: number,
  height: number,
): PlanPicture {
  const shown = plan.wheels.filter(
    (w) => sides === 'both' || (sides === 'front' ? w.layer > 0 : w.layer < 0),
  );
  const room = extent(plan, shown);
  const scale = Math.min(
    (width - 2 * MARGIN) / (room.x1 - room.x0),
    (height - 2 * MARGIN) / (room.y1 - room.y0),
    12,
  );
  const left = (width - (room.x1 - room.x0) * scale) / 2;
  const top = (height - (room.y1 - room.y0) * scale) / 2;
  const X = (x: number): number => px(left + (x - room.x0) * scale);
  const Y = (y: number): number => px(top + (room.y1 - y) * scale);
  const lit = litStages(drive, output);
  const phases = phasesOf(plan);
  const firsts = firstShafts(drive);
  const lines = linesOf(plan, X, Y);
  const labels = labelPlaces(plan, shown, lines, X, Y, scale);
  const wheels = [...shown]
    .sort((a, b) => a.layer - b.layer)
    .map((w): DrawnPlanWheel => {
      const { at } = plan.arbors[w.arbor]!;
      const [x, y] = [X(at.x), Y(at.y)];
      const r = px((w.pitchMm / 2) * scale);
      const pitch = (2 * Math.PI * r) / Math.max(1, w.teeth);
      const module = w.teeth > 0 ? w.pitchMm / w.teeth : 0;
      const teeth = w.form === 'wheel' || w.form === 'ring' || w.form === 'pulley';
      const rim = teeth && pitch >= 1.7 && w.teeth > 2 ? toothed(x, y, r, w.teeth, 2.1 * module * scale) : '';
      return {
        id: w.id,
        arbor: w.arbor,
        x,
        y,
        r,
        rim,
        phase: phases[w.id] ?? 0,
        behind: w.layer < 0,
        label: {
          ...labels.get(w.id)!,
          teeth: wheelWords(w),
          layer: layerName(w.layer),
        },
        shaft: firsts[w.shaft.train]! + w.shaft.shaft,
        lit: w.of.some((o) => lit.has(`${o.train}.${o.stage}`)),
      };
    });
  return {
    width,
    height,
    scale,
    wheels,
    arbors: plan.arbors.map((a): DrawnArbor => {
      const about = a.swingsAbout === null ? null : plan.arbors[a.swingsAbout]!;
      const bores = a.shafts.map((s) => s.boreMm ?? 0).filter((b) => b > 0);
      const rings = [...new Set([...bores, a.diameterMm])].sort((p, q) => p - q);
      return {
        id: a.id,
        name: a.name,
        x: X(a.at.x),
        y: Y(a.at.y),
        rings: rings.map((d) => px(Math.max(3, (d / 2) * scale))),
        how: a.how,
        arc: about && {
          x: X(about.at.x),
          y: Y(about.at.y),
          r: px(Math.hypot(a.at.x - about.at.x, a.at.y - about.at.y) * scale),
        },
        outputs: a.outputs,
      };
    }),
    lines,
    bar: barOf(scale),
    clashes: plan.clashes.map((c) => {
      const at = clashAt(plan, c);
      const arbor = c.meets === 'both' ? c.arbors[0] : c.meets === 'arbor' ? c.other : null;
      const around = arbor === null ? 0 : plan.arbors[arbor]!.diameterMm;
      return { x: X(at.x), y: Y(at.y), r: around === 0 ? 10 : px(Math.max(8, (around / 2) * scale + 4)) };
    }),
    layers: layersPicture(plan, lit),
    toPlan: (x, y) => ({ x: (x - left) / scale + room.x0, y: room.y1 - (y - top) / scale }),
  };
}

interface Extent {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

function extent(plan: ArborPlan, shown: readonly PlanWheel[]): Extent {
  const out: Extent = { x0: Infinity, y0: Infinity, x1: -Infinity, y1: -Infinity };
  const grow = ({ x, y }: Point, r: number): void => {
    out.x0 = Math.min(out.x0, x - r);
    out.y0 = Math.min(out.y0, y - r);
    out.x1 = Math.max(out.x1, x + r);
    out.y1 = Math.max(out.y1, y + r);
  };
  for (const a of plan.arbors) grow(a.at, Math.max(5, a.diameterMm / 2));
  for (const w of shown) grow(plan.arbors[w.arbor]!.at, w.outsideMm / 2);
  return out;
}

/** Where two things meet: at the arbor that is in the way, else between the two on the line of their centres, by their sizes. */
function clashAt(plan: ArborPlan, c: Clash): Point {
  if (c.meets === 'arbor') return plan.arbors[c.other]!.at;
  const [p, q] =
    c.meets === 'both'
      ? c.arbors.map((id) => ({ at: plan.arbors[id]!.at, mm: plan.arbors[id]!.diameterMm }))
      : [c.wheel, c.other].map((id) => {
          const { arbor, outsideMm } = plan.wheels[id]!;
          return { at: plan.arbors[arbor]!.at, mm: outsideMm };
        });
  const part = p!.mm / (p!.mm + q!.mm);
  return { x: p!.at.x + (q!.at.x - p!.at.x) * part, y: p!.at.y + (q!.at.y - p!.at.y) * part };
}

const litStages = (drive: Drive, output: number): ReadonlySet<string> =>
  new Set(pathOf(drive, output).places.map((p) => `${p.train}.${p.stage}`));

/** The number of each train's own shaft 0 among all shafts, as `treeAngles` counts them. */
function firstShafts(drive: Drive): readonly number[] {
  let first = 0;
  return trainsOf(drive).map(({ stages }) => {
    const mine = first;
    first += stages.length + 1;
    return mine;
  });
}

/** How far each rim is turned so that a tooth stands in each gap, degrees clockwise, from the driver on. */
function phasesOf(plan: ArborPlan): readonly number[] {
  const out: (number | undefined)[] = plan.wheels.map(() => undefined);
  for (const m of plan.meshes) {
    const [a, b] = [plan.wheels[m.driver]!, plan.wheels[m.driven]!];
    const first = (out[a.id] ??= 0);
    if (out[b.id] !== undefined || a.teeth === 0 || b.teeth === 0 || m.distance.is !== 'mesh') continue;
    out[b.id] = meshed(plan, m, (first * Math.PI) / 180) * (180 / Math.PI);
  }
  return out.map((phase) => phase ?? 0);
}

function meshed(plan: ArborPlan, m: PlanMesh, first: number): number {
  const [a, b] = [plan.wheels[m.driver]!, plan.wheels[m.driven]!];
  const [p, q] = [plan.arbors[a.arbor]!.at, plan.arbors[b.arbor]!.at];
  const [r1, r2] = [a.pitchMm / 2, b.pitchMm / 2];
  const pitch = (Math.PI * a.pitchMm) / a.teeth;
  // y is turned down on the page, so angles are clockwise
  const along = Math.atan2(p.y - q.y, q.x - p.x);
  if (a.form === 'ring' || b.form === 'ring') {
    const contact = b.form === 'ring' ? along + Math.PI : along;
    return contact + ((first - contact) * r1 + pitch / 2) / r2;
  }
  return along + Math.PI - ((first - along) * r1 + pitch / 2) / r2;
}

function linesOf(plan: ArborPlan, X: (x: number) => number, Y: (y: number) => number): PlanPicture['lines'] {
  const out = new Map<string, CentreLine & { readonly differs: boolean }>();
  for (const m of plan.meshes) {
    const [a, b] = [plan.wheels[m.driver]!.arbor, plan.wheels[m.driven]!.arbor];
    if (a === b || m.distance.is === 'coaxial' || m.distance.is === 'crossed') continue;
    const key = [a, b].sort((p, q) => p - q).join();
    const d = plan.disagreements.find((x) => [x.a, x.b].includes(a) && [x.a, x.b].includes(b));
    const [p, q] = [plan.arbors[a]!.at, plan.arbors[b]!.at];
    const all = d ? [...new Set(d.meshes.map((x) => millimetres(x.mm)))] : [];
    const text =
      all.length > 1 ? all.join(' ≠ ') : m.distance.is === 'free' ? 'any' : millimetres(m.distance.mm);
    if (!out.has(key))
      out.set(key, { x1: X(p.x), y1: Y(p.y), x2: X(q.x), y2: Y(q.y), text, differs: d !== undefined });
  }
  const lines = [...out.values()];
  const places = distancePlaces(
    lines,
    plan.arbors.map((a) => ({ x: X(a.at.x), y: Y(a.at.y) })),
  );
  return lines.map((line, i) => ({ ...line, at: places[i]!, plate: distanceSize(line.text) }));
}

function barOf(scale: number): PlanPicture['bar'] {
  const mm = BAR_MM.find((m) => m * scale >= 70) ?? 1000;
  return { length: px(mm * scale), text: `${mm} mm` };
}
