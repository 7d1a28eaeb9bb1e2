import { px } from '../drive/drawing/index.ts';
import type { ArborPlan, PlanWheel } from '../arbors/index.ts';

/** A box of words, its middle and its size, px. */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

const shared = (a: Box, b: Box): number =>
  Math.max(0, (a.w + b.w) / 2 - Math.abs(a.x - b.x)) * Math.max(0, (a.h + b.h) / 2 - Math.abs(a.y - b.y));

const WORDS = { w: 46, h: 18 };
const AROUND = 32;

/**
 * Where each wheel's words stand: inside its rim where there is room, clear of arbors, of distances and of one another; a place that a
 * larger wheel's rim runs through is the next best.
 */
export function labelPlaces(
  plan: ArborPlan,
  shown: readonly PlanWheel[],
  lines: readonly {
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
    readonly text: string;
  }[],
  X: (x: number) => number,
  Y: (y: number) => number,
  scale: number,
): ReadonlyMap<number, { readonly x: number; readonly y: number }> {
  const taken: Box[] = [
    ...plan.arbors.map((a) => ({ x: X(a.at.x), y: Y(a.at.y), w: 28, h: 28 })),
    ...lines.map((l) => ({ x: (l.x1 + l.x2) / 2, y: (l.y1 + l.y2) / 2, w: l.text.length * 8.4 + 12, h: 22 })),
  ];
  const rims = shown.map((w) => {
    const { at } = plan.arbors[w.arbor]!;
    return { x: X(at.x), y: Y(at.y), r: (w.pitchMm / 2) * scale };
  });
  const out = new Map<number, { x: number; y: number }>();
  for (const w of [...shown].sort((a, b) => a.outsideMm - b.outsideMm)) {
    const { at } = plan.arbors[w.arbor]!;
    const [cx, cy] = [X(at.x), Y(at.y)];
    const r = (w.pitchMm / 2) * scale;
    // small wheels have their words outside
    const reaches = r > 30 ? [r - 16, r - 34].filter((v) => v > 18) : [r + 18, r + 30];
    let best: Box = { x: cx, y: cy + r, ...WORDS };
    let least = Infinity;
    for (const [ring, reach] of reaches.entries())
      for (let step = 0; step < AROUND; step++) {
        // from below on, to either side in turn
        const turn = ((step % 2 === 0 ? 1 : -1) * Math.ceil(step / 2) * 2 * Math.PI) / AROUND;
        const a = Math.PI / 2 + turn;
        const box = {
          x: cx + (reach + (r > 30 ? 0 : 8)) * Math.cos(a),
          y: cy + reach * Math.sin(a),
          ...WORDS,
        };
        const words = taken.reduce((sum, t) => sum + shared(box, t), 0);
        const crossed = rims.filter(
          (rim) => Math.abs(Math.hypot(box.x - rim.x, box.y - rim.y) - rim.r) < 13,
        ).length;
        const cost = words * 4 + crossed * 60 + step + ring * 12;
        if (cost < least) [best, least] = [box, cost];
      }
    taken.push(best);
    out.set(w.id, { x: px(best.x), y: px(best.y + 5) });
  }
  return out;
}
