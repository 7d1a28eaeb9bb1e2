import { px } from '../../drive/drawing/index.ts';
import type { ArborPlan, PlanWheel } from '../../arbors/index.ts';

/** A box of words, its middle and its size, px. */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

const shared = (a: Box, b: Box): number =>
  Math.max(0, (a.w + b.w) / 2 - Math.abs(a.x - b.x)) * Math.max(0, (a.h + b.h) / 2 - Math.abs(a.y - b.y));

/** A line between two arbors, px, and what its distance is written as. */
export interface CentreLine {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly text: string;
}

/** The plate that a distance stands on, px; as wide as its figures. */
export const distanceSize = (text: string): { readonly w: number; readonly h: number } => ({
  w: text.length * 8.4 + 10,
  h: 20,
});

/** Parts of the way along a line, the middle first. */
const ALONG = [0.5, 0.42, 0.58, 0.34, 0.66, 0.27, 0.73];

/** Where each distance stands on its line: in the middle where there is room, clear of the others and of the arbors. */
export function distancePlaces(
  lines: readonly CentreLine[],
  arbors: readonly { readonly x: number; readonly y: number }[],
): readonly { readonly x: number; readonly y: number }[] {
  const knots: readonly Box[] = arbors.map(({ x, y }) => ({ x, y, w: 24, h: 24 }));
  const set: Box[] = [];
  const out: { x: number; y: number }[] = [];
  const longestFirst = lines
    .map((line, i) => ({ line, i }))
    .sort((a, b) => b.line.text.length - a.line.text.length);
  for (const { line, i } of longestFirst) {
    const boxes = ALONG.map((part): Box => ({
      x: px(line.x1 + (line.x2 - line.x1) * part),
      y: px(line.y1 + (line.y2 - line.y1) * part),
      ...distanceSize(line.text),
    }));
    const cost = (box: Box): number =>
      [...set, ...set, ...knots].reduce((sum, other) => sum + shared(box, other), 0);
    const best = boxes.reduce((a, b) => (cost(b) < cost(a) ? b : a));
    set.push(best);
    out[i] = { x: best.x, y: best.y };
  }
  return out;
}

const WORDS = { w: 46, h: 18 };
const AROUND = 32;

/**
 * Where each wheel's words stand: inside its rim where there is room, clear of arbors, of distances and of one another; a place that a
 * larger wheel's rim runs through is the next best.
 */
export function labelPlaces(
  plan: ArborPlan,
  shown: readonly PlanWheel[],
  lines: readonly { readonly at: { readonly x: number; readonly y: number }; readonly text: string }[],
  X: (x: number) => number,
  Y: (y: number) => number,
  scale: number,
): ReadonlyMap<number, { readonly x: number; readonly y: number }> {
  const taken: Box[] = [
    ...plan.arbors.map((a) => ({ x: X(a.at.x), y: Y(a.at.y), w: 28, h: 28 })),
    ...lines.map(({ at, text }) => ({ ...at, ...distanceSize(text) })),
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
