import type { Shape, Wheel } from '../shape.ts';
import type { Drawing, DrawnWheel, DrawnWorm, Tag } from './drawing.ts';
import { beltPath, px, threads, toothed } from './outline.ts';

/** Where each part of a train stands before the scale is known: heights in millimetres from the motor's shaft, down positive. */
interface Placed {
  readonly shape: Shape;
  /** shaft before */
  readonly from: number;
  /** shaft after */
  readonly to: number;
}

/** How far a stage carries the axis up or down, mm. */
function offset(shape: Shape | undefined): number {
  if (!shape) return 0;
  if (shape.form === 'mesh') {
    const [a, b] = [shape.driver.pitchMm / 2, shape.driven.pitchMm / 2];
    return shape.inner ? Math.abs(b - a) : a + b;
  }
  return shape.form === 'worm' ? shape.wheel.pitchMm / 2 + shape.wormMm / 2 : 0;
}

/** Meshes step up and down in turn so that the train keeps to its line; a belt goes the other way first, to make room. */
function place(shapes: readonly Shape[]): readonly Placed[] {
  let y = 0;
  return shapes.map((shape, i) => {
    const from = y;
    const next = shape.form === 'belt' ? offset(shapes[i + 1]) : 0;
    if (shape.form === 'belt') y += y > 0 ? -next : next;
    else y += (y < 0 ? 1 : -1) * offset(shape);
    return { shape, from, to: y };
  });
}

function extent(placed: readonly Placed[], least: number): readonly [number, number] {
  let [top, bottom] = [-least, least];
  const reach = (y: number, r: number): void => {
    top = Math.min(top, y - r);
    bottom = Math.max(bottom, y + r);
  };
  for (const { shape, from, to } of placed) {
    if (shape.form === 'box') continue;
    if (shape.form === 'worm') {
      reach(from, shape.wormMm / 2);
      reach(to, shape.wheel.pitchMm / 2);
    } else {
      reach(from, shape.driver.pitchMm / 2);
      reach(to, shape.driven.pitchMm / 2);
    }
  }
  return [top, bottom];
}

/** Radius of the wheel that a shaft carries from the stage before, mm. */
function rimBefore(shape: Shape | undefined): number {
  if (!shape || shape.form === 'box') return 0;
  return (shape.form === 'worm' ? shape.wheel.pitchMm : shape.driven.pitchMm) / 2;
}

const widest = (shape: Shape): number => {
  if (shape.form === 'box') return 0;
  return shape.form === 'worm' ? shape.wheel.pitchMm : Math.max(shape.driver.pitchMm, shape.driven.pitchMm);
};

/**
 * The train in columns: motor, one column a stage, the work; part, shaft column and card stand in one vertical line.
 * `column` is the width of one in px; `divisions` are the marks on the work.
 */
export function columnDrawing(
  shapes: readonly Shape[],
  column: number,
  height: number,
  divisions: number,
): Drawing {
  const X = (i: number): number => column * i + column / 2;
  const placed = place(shapes);
  const margin = 26;
  const [top, bottom] = extent(placed, 12);
  const scale = Math.min(
    (height - 2 * margin) / (bottom - top),
    ...shapes.map((s) => (column * 0.94) / Math.max(widest(s), 1)),
    2.6,
  );
  const middle = margin + (height - 2 * margin - (bottom - top) * scale) / 2;
  const Y = (mm: number): number => px(middle + (mm - top) * scale);
  const wheels: DrawnWheel[] = [];
  const worms: DrawnWorm[] = [];
  const belts: Drawing['belts'][number][] = [];
  const boxes: Drawing['boxes'][number][] = [];
  const shafts: Drawing['shafts'][number][] = [];
  const tags: Tag[] = [];
  /** Two lines of words that stay inside the picture. */
  const tag = (stage: number, role: Tag['role'], x: number, y: number): void => {
    tags.push({ stage, role, x: px(x), y: px(Math.max(18, Math.min(height - 24, y))), anchor: 'start' });
  };
  const wheel = (
    w: Wheel,
    stage: number,
    role: DrawnWheel['role'],
    x: number,
    y: number,
    ring = false,
  ): void => {
    wheels.push(drawnWheel(w, scale, stage, role, px(x), y, ring));
  };
  placed.forEach(({ shape, from, to }, i) => {
    const x = X(i + 1);
    if (shape.form === 'belt') {
      wheel(shape.driven, i, 'driven', x, Y(to));
      wheel(shape.driver, i, 'driver', X(i), Y(from));
      const [r1, r2] = [(shape.driver.pitchMm / 2) * scale, (shape.driven.pitchMm / 2) * scale];
      tag(
        i,
        'driver',
        X(i) - 62,
        Y(from) + Math.max(r1, i === 0 ? 46 : rimBefore(shapes[i - 1]) * scale) + 22,
      );
      tag(i, 'driven', x + r2 * 0.74 + 10, Y(to) + r2 * 0.74 + 10);
      const grow = 1.6;
      belts.push({
        stage: i,
        path: beltPath(X(i), Y(from), r1 + grow, x, Y(to), r2 + grow),
      });
      return;
    }
    shafts.push({ x1: X(i), x2: px(x), y: Y(from), far: false });
    if (shape.form === 'mesh') {
      const ringDrives = shape.inner && shape.driver.teeth > shape.driven.teeth;
      const ringDriven = shape.inner && !ringDrives;
      wheel(shape.driven, i, 'driven', x, Y(to), ringDriven);
      wheel(shape.driver, i, 'driver', x, Y(from), ringDrives);
      const [r1, r2] = [(shape.driver.pitchMm / 2) * scale, (shape.driven.pitchMm / 2) * scale];
      const up = to <= from;
      // A ring has a body outside its teeth.
      const rim = r2 * (ringDriven ? 0.84 : 0.74);
      tag(i, 'driven', x + rim + 8, Y(to) + (up ? -rim : rim - 4));
      tag(i, 'driver', x + (shape.inner ? r2 * 0.9 + 12 : r1 + 10), Y(from) + (up ? 6 : -10));
    } else if (shape.form === 'worm') {
      wheel(shape.wheel, i, 'driven', x, Y(to));
      const [w, h] = [
        Math.min(column * 0.55, Math.max(46, shape.wormMm * scale * 2.6)),
        Math.max(10, shape.wormMm * scale),
      ];
      const box = { x: px(x - w / 2), y: px(Y(from) - h / 2), w: px(w), h: px(h) };
      tag(i, 'whole', box.x + box.w + 10, box.y + box.h + 4);
      worms.push({
        stage: i,
        ...box,
        threads: threads(box.x, box.y, box.w, box.h, Math.max(4, Math.PI * scale)),
      });
    } else {
      boxes.push({ stage: i, x: px(x), y: Y(from), half: 30, label: shape.label });
      tag(i, 'whole', x - 30, Y(from) + 50);
    }
  });
  const end = placed.at(-1)?.to ?? 0;
  const last = shapes.length + 1;
  shafts.push({ x1: X(last - 1), x2: X(last), y: Y(end), far: true });
  return {
    width: column * (last + 1),
    height,
    scale,
    source: { x: X(0), y: Y(0), half: Math.max(20, Math.min(46, 21 * scale)) },
    work: {
      x: X(last),
      y: Y(end),
      r: Math.min(column * 0.42, 80, Math.max(44, Math.min(Y(end) - 12, height - Y(end) - 12))),
      divisions,
    },
    wheels,
    belts,
    worms,
    boxes,
    tags,
    shafts,
  };
}

/** Rims under this radius are drawn as dashed circles: their teeth would be a blur. */
const TOOTHED_FROM = 7;

function drawnWheel(
  w: Wheel,
  scale: number,
  stage: number,
  role: DrawnWheel['role'],
  x: number,
  y: number,
  ring: boolean,
): DrawnWheel {
  const r = px(Math.max(2.6, (w.pitchMm / 2) * scale));
  const pitch = (2 * Math.PI * r) / w.teeth;
  const shown = r >= TOOTHED_FROM && pitch >= 1.7 && w.teeth <= 720;
  return {
    stage,
    role,
    x,
    y,
    r,
    ring,
    teeth: w.teeth,
    rim: shown ? toothed(x, y, r, w.teeth, Math.min(6, pitch * 0.75)) : '',
    dash: `${px(pitch * 0.55)} ${px(pitch * 0.45)}`,
  };
}
