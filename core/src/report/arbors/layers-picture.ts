import { layerName } from '../../drive/index.ts';
import type { ArborPlan } from '../../arbors/index.ts';

/** Arbors as columns, layers as rows: a mesh that crosses a foreign arbor is seen at once. */
export interface LayersPicture {
  readonly columns: readonly { readonly arbor: number; readonly name: string; readonly x: number }[];
  readonly rows: readonly { readonly layer: number; readonly name: string; readonly y: number }[];
  /** y of the plate, top and bottom */
  readonly plate: readonly [number, number];
  readonly arbors: readonly {
    readonly arbor: number;
    readonly x: number;
    readonly y1: number;
    readonly y2: number;
  }[];
  readonly boxes: readonly {
    readonly wheel: number;
    readonly x: number;
    readonly y: number;
    readonly text: string;
    readonly lit: boolean;
  }[];
  readonly meshes: readonly {
    readonly x1: number;
    readonly x2: number;
    readonly y: number;
    readonly lit: boolean;
  }[];
  readonly clashes: readonly { readonly x: number; readonly y: number }[];
  readonly height: number;
}

const COLUMN = 26;
const ROW = 22;
const PLATE = 10;
const LEFT = 34;

export function layersPicture(plan: ArborPlan, lit: ReadonlySet<string>): LayersPicture {
  const arbors = plan.arbors.filter((a) => a.wheels.length > 0);
  const order = [...arbors].sort((a, b) => a.at.x - b.at.x);
  const tops = [...plan.wheels.map((w) => w.layer), ...arbors.flatMap((a) => a.span)];
  const front = Math.max(0, ...tops);
  const back = Math.min(0, ...tops);
  const y = (layer: number): number =>
    layer > 0
      ? (front - layer + 0.5) * ROW
      : layer < 0
        ? front * ROW + PLATE + (-layer - 0.5) * ROW
        : front * ROW + PLATE / 2;
  const x = new Map(order.map((a, i) => [a.id, LEFT + (i + 0.5) * COLUMN]));
  const isLit = (id: number): boolean => plan.wheels[id]!.of.some((o) => lit.has(`${o.train}.${o.stage}`));
  const layers = [
    ...Array.from({ length: front }, (_, i) => front - i),
    ...Array.from({ length: -back }, (_, i) => -(i + 1)),
  ];
  return {
    columns: order.map((a) => ({ arbor: a.id, name: a.name, x: x.get(a.id)! })),
    rows: layers.map((layer) => ({ layer, name: layerName(layer), y: y(layer) })),
    plate: [front * ROW, front * ROW + PLATE],
    arbors: order.map((a) => ({
      arbor: a.id,
      x: x.get(a.id)!,
      y1: a.span[1] > 0 ? y(a.span[1]) : front * ROW + PLATE,
      y2: a.span[0] < 0 ? y(a.span[0]) : front * ROW,
    })),
    boxes: plan.wheels.map((w) => ({
      wheel: w.id,
      x: x.get(w.arbor)!,
      y: y(w.layer),
      text: w.form === 'crank' ? 'pin' : w.teeth > 0 ? String(w.teeth) : '·',
      lit: isLit(w.id),
    })),
    meshes: plan.meshes.flatMap((m) => {
      const [a, b] = [plan.wheels[m.driver]!, plan.wheels[m.driven]!];
      const ends = [x.get(a.arbor)!, x.get(b.arbor)!].sort((p, q) => p - q);
      return a.arbor === b.arbor || a.layer !== b.layer
        ? []
        : [{ x1: ends[0]!, x2: ends[1]!, y: y(a.layer), lit: lit.has(`${m.train}.${m.stage}`) }];
    }),
    clashes: plan.clashes.flatMap((c) =>
      c.meets === 'both'
        ? c.arbors.filter((a) => x.has(a)).map((a) => ({ x: x.get(a)!, y: y(0) }))
        : [{ x: x.get(c.meets === 'arbor' ? c.other : plan.wheels[c.other]!.arbor)!, y: y(c.layer) }],
    ),
    height: (front - back) * ROW + PLATE + 20,
  };
}
