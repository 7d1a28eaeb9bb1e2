import type { Shape, Wheel } from '../shape.ts';
import type { Drawing, DrawnWheel, DrawnWorm } from './drawing.ts';
import { beltPath, px, threads } from './outline.ts';

/** Width along the line that a stage takes, mm, from the shaft before to the shaft after. */
function advance(shape: Shape, before: Shape | undefined): number {
  switch (shape.form) {
    case 'mesh': {
      const [a, b] = [shape.driver.pitchMm / 2, shape.driven.pitchMm / 2];
      return shape.inner ? Math.abs(b - a) : a + b;
    }
    case 'belt':
      return (shape.driver.pitchMm + shape.driven.pitchMm) * 0.58 + 16;
    case 'worm':
      return shape.wheel.pitchMm / 2 + 24 + (before ? radiusAfter(before) : 0);
    case 'box':
      return 40;
  }
}

function radiusAfter(shape: Shape): number {
  if (shape.form === 'worm') return shape.wheel.pitchMm / 2;
  return shape.form === 'box' ? 14 : shape.driven.pitchMm / 2;
}

const largest = (shape: Shape): number => {
  if (shape.form === 'box') return 28;
  if (shape.form === 'worm') return shape.wheel.pitchMm;
  // A ring has a body outside its teeth.
  return (
    Math.max(shape.driver.pitchMm, shape.driven.pitchMm) * (shape.form === 'mesh' && shape.inner ? 1.16 : 1)
  );
};

/** A train on one line, to scale within it: the small picture of the list of drives. */
export function rowDrawing(
  shapes: readonly Shape[],
  width: number,
  height: number,
  divisions: number,
): Drawing {
  const cy = height / 2;
  const room = width - 58;
  let mm = 0;
  const spots = shapes.map((shape, i) => {
    const from = mm;
    mm += advance(shape, shapes[i - 1]);
    return { shape, from, to: mm };
  });
  const last = shapes.at(-1);
  const end = mm + (last ? radiusAfter(last) : 20);
  const first = shapes[0];
  const start =
    first && first.form !== 'worm' && first.form !== 'box' ? Math.max(10, first.driver.pitchMm / 2) : 10;
  const scale = Math.min(
    room / (end + start),
    (height / 2 - 6) / Math.max(...shapes.map((s) => largest(s) / 2), 10),
  );
  const x0 = 14 + Math.max(10, start * scale * 0.9);
  const X = (v: number): number => px(x0 + v * scale);
  const wheels: DrawnWheel[] = [];
  const worms: DrawnWorm[] = [];
  const belts: Drawing['belts'][number][] = [];
  const boxes: Drawing['boxes'][number][] = [];
  const wheel = (w: Wheel, stage: number, role: DrawnWheel['role'], x: number, ring = false): void => {
    const r = px(Math.max(2.6, (w.pitchMm / 2) * scale));
    const pitch = (2 * Math.PI * r) / w.teeth;
    wheels.push({
      stage,
      role,
      x,
      y: cy,
      r,
      ring,
      teeth: w.teeth,
      rim: '',
      dash: r > 6 ? `${px(pitch * 0.55)} ${px(pitch * 0.45)}` : '',
    });
  };
  spots.forEach(({ shape, from, to }, i) => {
    const [a, b] = [X(from), X(to)];
    if (shape.form === 'box')
      boxes.push({ stage: i, x: px((a + b) / 2), y: cy, half: px(Math.max(8, 12 * scale)), label: '' });
    else if (shape.form === 'worm') {
      wheel(shape.wheel, i, 'driven', b);
      const x = px(b - (shape.wheel.pitchMm / 2) * scale - 9);
      worms.push({ stage: i, x, y: cy - 17, w: 9, h: 34, threads: threads(x, cy - 17, 9, 34, 4) });
    } else {
      wheel(
        shape.driven,
        i,
        'driven',
        b,
        shape.form === 'mesh' && shape.inner && shape.driven.teeth > shape.driver.teeth,
      );
      wheel(
        shape.driver,
        i,
        'driver',
        a,
        shape.form === 'mesh' && shape.inner && shape.driver.teeth > shape.driven.teeth,
      );
      if (shape.form === 'belt')
        belts.push({
          stage: i,
          path: beltPath(
            a,
            cy,
            Math.max(2.6, (shape.driver.pitchMm / 2) * scale) + 1,
            b,
            cy,
            (shape.driven.pitchMm / 2) * scale + 1,
          ),
        });
    }
  });
  const work = { x: width - 26, y: cy, r: 15, divisions };
  const from = last ? X(mm) + radiusAfter(last) * scale : x0 + 12;
  return {
    width,
    height,
    scale,
    wheels,
    worms,
    belts,
    boxes,
    work,
    tags: [],
    source: { x: px(x0), y: cy, half: 11 },
    shafts: from < work.x - 16 ? [{ x1: px(from), x2: work.x - 15, y: cy, far: true }] : [],
  };
}
