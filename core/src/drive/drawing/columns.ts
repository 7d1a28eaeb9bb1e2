import type { Shape, Wheel } from '../shape.ts';
import type { BeginGlyph } from '../sources/source.ts';
import type { Drawing, DrawnWheel, Tag } from './drawing.ts';
import { sourceGlyph, workGlyph } from './glyphs.ts';
import type { Line, Solid } from './labels.ts';
import { measures } from './measures.ts';
import { drawnGeneva, drawnSet } from './members.ts';
import { beltPath, crossedPath, px, threads, toothed } from './outline.ts';

/** Where each part of a train stands before the scale is known: heights in millimetres from the motor's shaft, down positive. */
interface Placed {
  readonly shape: Shape;
  /** shaft before */
  readonly from: number;
  /** shaft after */
  readonly to: number;
}

/** Meshes step up and down in turn so that the train keeps to its line; a belt goes the other way first, to make room. */
function place(shapes: readonly Shape[]): readonly Placed[] {
  let y = 0;
  return shapes.map((shape, i) => {
    const from = y;
    const following = shapes[i + 1];
    const next = shape.form === 'belt' && following ? measures(following).offset : 0;
    if (shape.form === 'belt') y += y > 0 ? -next : next;
    else y += (y < 0 ? 1 : -1) * measures(shape).offset;
    return { shape, from, to: y };
  });
}

function extent(placed: readonly Placed[], least: number): readonly [number, number] {
  let [top, bottom] = [-least, least];
  for (const { shape, from, to } of placed) {
    const { before, after } = measures(shape);
    top = Math.min(top, from - before, to - after);
    bottom = Math.max(bottom, from + before, to + after);
  }
  return [top, bottom];
}

/** Space above and below the parts, px. */
const MARGIN = 26;

/** How high a chain is, mm, and the largest scale that its columns allow, px a mm. */
export function chainRoom(
  shapes: readonly Shape[],
  column: number,
): { readonly mm: number; readonly scale: number } {
  const [top, bottom] = extent(place(shapes), 12);
  return {
    mm: bottom - top,
    scale: Math.min(2.6, ...shapes.map((s) => (column * 0.94) / Math.max(measures(s).width, 1))),
  };
}

/** The height of a drawing in columns at a scale, px. */
export const heightAt = (mm: number, scale: number): number => mm * scale + 2 * MARGIN;

/** What a drawing in columns is made of. */
export interface ColumnsAsked {
  readonly shapes: readonly Shape[];
  readonly source: BeginGlyph;
  readonly work: Parameters<typeof workGlyph>[0];
  /** marks on a table */
  readonly divisions: number;
  /** width of one column, px */
  readonly column: number;
  readonly height: number;
  /** px a millimetre, where several drawings are to be of one; else as large as there is room for */
  readonly scale?: number;
}

/** The train in columns: motor, one column a stage, the work; part, shaft column and card stand in one vertical line. */
export function columnDrawing(asked: ColumnsAsked): Drawing {
  const { shapes, source, work, divisions, column, height } = asked;
  const X = (i: number): number => column * i + column / 2;
  const placed = place(shapes);
  const margin = MARGIN;
  const [top, bottom] = extent(placed, 12);
  const scale =
    asked.scale ??
    Math.min(
      (height - 2 * margin) / (bottom - top),
      ...shapes.map((s) => (column * 0.94) / Math.max(measures(s).width, 1)),
      2.6,
    );
  const middle = margin + (height - 2 * margin - (bottom - top) * scale) / 2;
  const Y = (mm: number): number => px(middle + (mm - top) * scale);
  const out = {
    wheels: [] as DrawnWheel[],
    worms: [] as Drawing['worms'][number][],
    belts: [] as Drawing['belts'][number][],
    members: [] as Drawing['members'][number][],
    boxes: [] as Drawing['boxes'][number][],
    shafts: [] as Drawing['shafts'][number][],
    tags: [] as Tag[],
    solids: [] as Solid[],
    lines: [] as Line[],
  };
  /** Two lines of words that stay inside the picture. */
  const tag = (stage: number, role: Tag['role'], x: number, y: number): void => {
    out.tags.push({ stage, role, x: px(x), y: px(Math.max(18, Math.min(height - 24, y))) });
  };
  const wheel = (
    w: Wheel,
    stage: number,
    role: DrawnWheel['role'],
    x: number,
    y: number,
    ring = false,
  ): void => {
    const drawn = drawnWheel(w, scale, stage, role, px(x), y, ring);
    out.wheels.push(drawn);
    const { r } = drawn;
    out.solids.push({ x: px(x), y, r: ring ? r + Math.max(5, r * 0.12) : r + 3 });
  };

  placed.forEach(({ shape, from, to }, i) => {
    const x = px(X(i + 1));
    const { before, after } = measures(shape);
    const [r1, r2] = [before * scale, after * scale];
    if (shape.form === 'belt') {
      wheel(shape.driven, i, 'driven', x, Y(to));
      wheel(shape.driver, i, 'driver', X(i), Y(from));
      const rim = i === 0 ? 46 : measures(shapes[i - 1]!).after * scale;
      tag(i, 'driver', X(i) - 62, Y(from) + Math.max(r1, rim) + 22);
      tag(i, 'driven', x + r2 * 0.74 + 10, Y(to) + r2 * 0.74 + 10);
      const grow = 1.6;
      const path = shape.crossed ? crossedPath : beltPath;
      out.belts.push({
        stage: i,
        path: path(X(i), Y(from), r1 + grow, x, Y(to), r2 + grow),
        r: r1 + grow,
        toothed: shape.driver.teeth > 0,
      });
      for (const side of [-1, 1])
        out.lines.push({ x1: X(i), y1: Y(from) + side * r1, x2: x, y2: Y(to) + side * r2 });
      return;
    }
    out.shafts.push({ x1: X(i), x2: x, y: Y(from), far: false });
    out.lines.push({ x1: X(i), y1: Y(from), x2: x, y2: Y(from) });
    const up = to <= from;
    switch (shape.form) {
      case 'mesh': {
        const ringDrives = shape.inner && shape.driver.teeth > shape.driven.teeth;
        const ringDriven = shape.inner && !ringDrives;
        wheel(shape.driven, i, 'driven', x, Y(to), ringDriven);
        wheel(shape.driver, i, 'driver', x, Y(from), ringDrives);
        const rim = r2 * (ringDriven ? 0.84 : 0.74);
        tag(i, 'driven', x + rim + 8, Y(to) + (up ? -rim : rim - 4));
        tag(i, 'driver', x + (shape.inner ? r2 * 0.9 + 12 : r1 + 10), Y(from) + (up ? 6 : -10));
        return;
      }
      case 'worm': {
        const back = shape.byWheel === true;
        wheel(shape.wheel, i, back ? 'driver' : 'driven', x, Y(back ? from : to));
        const [w, h] = [
          px(Math.min(column * 0.55, Math.max(46, shape.wormMm * scale * 2.6))),
          px(Math.max(10, shape.wormMm * scale)),
        ];
        const box = { x: px(x - w / 2), y: px(Y(back ? to : from) - h / 2), w, h };
        const pitch = Math.max(4, Math.PI * scale);
        tag(i, 'whole', box.x + box.w + 10, box.y + box.h + 4);
        out.solids.push(box);
        out.worms.push({
          stage: i,
          ...(back && { after: true as const }),
          ...box,
          threads: threads(box.x - pitch, box.y, box.w + 2 * pitch, box.h, pitch),
          pitch,
        });
        return;
      }
      case 'geneva':
        out.members.push(...drawnGeneva(shape.slots, i, x, Y(from), Y(to)));
        out.solids.push({ x, y: Y(from), r: r1 + 6 }, { x, y: Y(to), r: r2 + 3 });
        tag(i, 'whole', x + r2 * 0.8 + 8, Y(to) + (up ? -r2 * 0.74 : r2 * 0.74));
        return;
      case 'set':
        out.members.push(...drawnSet(shape, i, x, Y(from), scale));
        out.solids.push({ x, y: Y(from), r: r2 + Math.max(6, r2 * 0.1) });
        tag(i, 'whole', x + r2 * 0.8 + 8, Y(from) + r2 * 0.86);
        return;
      case 'box':
        // the pulley of a belt that leaves the box stands on its face, where its ratio would be
        out.boxes.push({
          stage: i,
          x,
          y: Y(from),
          half: 30,
          label: shapes[i + 1]?.form === 'belt' ? '' : shape.label,
        });
        out.solids.push({ x: x - 30, y: Y(from) - 30, w: 60, h: 60 });
        tag(i, 'whole', x - 30, Y(from) + 50);
    }
  });
  const end = placed.at(-1)?.to ?? 0;
  const last = shapes.length + 1;
  out.shafts.push({ x1: X(last - 1), x2: X(last), y: Y(end), far: true });
  const r = Math.min(column * 0.42, 80, Math.max(44, Math.min(Y(end) - 12, height - Y(end) - 12)));
  const half = source === 'arbor' ? 6 : Math.max(20, Math.min(46, 21 * scale));
  out.lines.push({ x1: X(last - 1), y1: Y(end), x2: X(last), y2: Y(end) });
  out.solids.push(
    { x: X(0) - half, y: Y(0) - half, w: 2 * half, h: 2 * half },
    work === 'table' ? { x: X(last), y: Y(end), r } : { x: X(last) - r, y: Y(end) - r, w: 2 * r, h: 2 * r },
  );
  return {
    width: column * (last + 1),
    height,
    scale,
    source: sourceGlyph(source, X(0), Y(0), half),
    work: workGlyph(work, X(last), Y(end), r, divisions),
    axes: [{ x: X(0), y: Y(0) }, ...placed.map(({ to }, i) => ({ x: X(i + 1), y: Y(to) }))],
    ...out,
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
  const pitch = (2 * Math.PI * r) / Math.max(w.teeth, 1);
  const shown = r >= TOOTHED_FROM && pitch >= 1.7 && w.teeth > 2 && w.teeth <= 720;
  return {
    stage,
    role,
    x,
    y,
    r,
    ring,
    teeth: w.teeth,
    rim: shown ? toothed(x, y, r, w.teeth, Math.min(6, pitch * 0.75)) : '',
    dash: w.teeth > 2 ? `${px(pitch * 0.55)} ${px(pitch * 0.45)}` : '',
  };
}
