import type { Shape, Wheel } from '../shape.ts';
import type { Drawing, DrawnWheel } from './drawing.ts';
import type { ColumnsAsked } from './columns.ts';
import { sourceGlyph, workGlyph } from './glyphs.ts';
import { measures } from './measures.ts';
import { drawnGeneva, drawnSet } from './members.ts';
import { beltPath, px, threads } from './outline.ts';

/** Width along the line that a stage takes, mm, from the shaft before to the shaft after. */
function advance(shape: Shape, before: Shape | undefined): number {
  const m = measures(shape);
  switch (shape.form) {
    case 'mesh':
    case 'geneva':
      return m.offset;
    case 'belt':
      return (m.before + m.after) * 1.16 + 16;
    case 'worm':
      return m.after + 24 + (before ? radiusAfter(before) : 0);
    case 'set':
      return m.before + (before ? radiusAfter(before) : 10) + 4;
    case 'box':
      return 40;
  }
}

const radiusAfter = (shape: Shape): number => (shape.form === 'box' ? 14 : measures(shape).after);

/** A train on one line, to scale within it: the small picture of the list of drives. */
export function rowDrawing({
  shapes,
  source,
  work: workKind,
  divisions,
  column: width,
  height,
}: ColumnsAsked): Drawing {
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
  const leads = first && first.form !== 'worm' && first.form !== 'box' && first.form !== 'set';
  const start = leads ? Math.max(10, measures(first).before) : 10;
  const scale = Math.min(
    room / (end + start),
    (height / 2 - 6) / Math.max(...shapes.map((s) => Math.max(14, measures(s).width / 2)), 10),
  );
  const x0 = 14 + Math.max(10, start * scale * 0.9);
  const X = (v: number): number => px(x0 + v * scale);
  const wheels: DrawnWheel[] = [];
  const worms: Drawing['worms'][number][] = [];
  const belts: Drawing['belts'][number][] = [];
  const boxes: Drawing['boxes'][number][] = [];
  const members: Drawing['members'][number][] = [];
  const wheel = (w: Wheel, stage: number, role: DrawnWheel['role'], x: number, ring = false): void => {
    const r = px(Math.max(2.6, (w.pitchMm / 2) * scale));
    const pitch = (2 * Math.PI * r) / Math.max(w.teeth, 1);
    const dash = r > 6 && w.teeth > 2 ? `${px(pitch * 0.55)} ${px(pitch * 0.45)}` : '';
    wheels.push({ stage, role, x, y: cy, r, ring, teeth: w.teeth, rim: '', dash });
  };
  spots.forEach(({ shape, from, to }, i) => {
    const [a, b] = [X(from), X(to)];
    switch (shape.form) {
      case 'box':
        boxes.push({ stage: i, x: px((a + b) / 2), y: cy, half: px(Math.max(8, 12 * scale)), label: '' });
        return;
      case 'set':
        members.push(...drawnSet(shape, i, b, cy, scale));
        return;
      case 'geneva': {
        // Drawn on its side: the pair is made upright and laid down by the pen.
        const upright = drawnGeneva(shape.slots, i, b, cy - (b - a), cy);
        members.push(...upright.filter((m) => m.motion.shaft === i + 1));
        wheel({ teeth: 0, pitchMm: measures(shape).before * 1.6 }, i, 'driver', a);
        return;
      }
      case 'worm': {
        wheel(shape.wheel, i, 'driven', b);
        const x = px(b - (shape.wheel.pitchMm / 2) * scale - 9);
        worms.push({
          stage: i,
          x,
          y: cy - 17,
          w: 9,
          h: 34,
          threads: threads(x, cy - 17, 9, 34, 4),
          pitch: 4,
        });
        return;
      }
      default: {
        const inner = shape.form === 'mesh' && shape.inner;
        wheel(shape.driven, i, 'driven', b, inner && shape.driven.teeth > shape.driver.teeth);
        wheel(shape.driver, i, 'driver', a, inner && shape.driver.teeth > shape.driven.teeth);
        if (shape.form !== 'belt') return;
        const r1 = Math.max(2.6, (shape.driver.pitchMm / 2) * scale) + 1;
        const path = beltPath(a, cy, r1, b, cy, (shape.driven.pitchMm / 2) * scale + 1);
        belts.push({ stage: i, path, r: r1, toothed: shape.driver.teeth > 0 });
      }
    }
  });
  const work = workGlyph(workKind, width - 26, cy, 15, divisions, true);
  const from = last ? X(mm) + radiusAfter(last) * scale : x0 + 12;
  return {
    width,
    height,
    scale,
    wheels,
    worms,
    belts,
    boxes,
    members,
    axes: [],
    work,
    tags: [],
    solids: [],
    lines: [],
    source: sourceGlyph(source, px(x0), cy, 11, true),
    shafts: from < work.x - 16 ? [{ x1: px(from), x2: work.x - 15, y: cy, far: true }] : [],
  };
}
