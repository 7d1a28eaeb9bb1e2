import type { Point } from '../arbors/index.ts';

/** A line of a drawing at 1:1, mm, y up. `behind` is drawn dashed: it lies behind the plate. */
export type DrawnMark =
  | {
      readonly is: 'circle';
      readonly at: Point;
      readonly r: number;
      readonly layer: Layer;
      readonly behind?: boolean;
    }
  | { readonly is: 'line'; readonly from: Point; readonly to: Point; readonly layer: Layer }
  /** a closed line through points */
  | { readonly is: 'path'; readonly points: readonly (readonly [number, number])[]; readonly layer: Layer }
  | {
      readonly is: 'text';
      readonly at: Point;
      readonly text: string;
      readonly height: number;
      readonly layer: Layer;
    };

export const LAYERS = ['OUTLINE', 'HOLES', 'CENTRE', 'TEXT'] as const;
export type Layer = (typeof LAYERS)[number];

/** A drawing at 1:1, with 100 mm to check a print by. */
export interface Drawing {
  readonly title: string;
  readonly marks: readonly DrawnMark[];
  readonly low: Point;
  readonly high: Point;
}

export const TEXT_MM = 3;
const CROSS_MM = 2;
const MARGIN_MM = 8;
const CONTROL_MM = 100;

/** Puts marks down and keeps the room they take. */
export class Pen {
  readonly #marks: DrawnMark[] = [];
  #x0 = Infinity;
  #y0 = Infinity;
  #x1 = -Infinity;
  #y1 = -Infinity;

  #grow(x: number, y: number, r = 0): void {
    this.#x0 = Math.min(this.#x0, x - r);
    this.#y0 = Math.min(this.#y0, y - r);
    this.#x1 = Math.max(this.#x1, x + r);
    this.#y1 = Math.max(this.#y1, y + r);
  }

  circle(at: Point, r: number, layer: Layer, behind = false): void {
    this.#marks.push({ is: 'circle', at, r, layer, ...(behind && { behind }) });
    this.#grow(at.x, at.y, r);
  }
  line(from: Point, to: Point, layer: Layer): void {
    this.#marks.push({ is: 'line', from, to, layer });
    this.#grow(from.x, from.y);
    this.#grow(to.x, to.y);
  }
  path(points: readonly (readonly [number, number])[], layer: Layer): void {
    this.#marks.push({ is: 'path', points, layer });
    for (const [x, y] of points) this.#grow(x, y);
  }
  /** Words take no room of their own. */
  text(at: Point, text: string, height = TEXT_MM): void {
    this.#marks.push({ is: 'text', at, text, height, layer: 'TEXT' });
  }
  /** A cross through a centre, clear of a hole of this radius. */
  cross(at: Point, r: number): void {
    const arm = r + CROSS_MM;
    this.line({ x: at.x - arm, y: at.y }, { x: at.x + arm, y: at.y }, 'CENTRE');
    this.line({ x: at.x, y: at.y - arm }, { x: at.x, y: at.y + arm }, 'CENTRE');
  }

  /** The drawing with its control line under it. */
  done(title: string): Drawing {
    const from = { x: this.#x0, y: this.#y0 - MARGIN_MM };
    const to = { x: this.#x0 + CONTROL_MM, y: from.y };
    const marks: readonly DrawnMark[] = [
      ...this.#marks,
      { is: 'line', from, to, layer: 'TEXT' },
      {
        is: 'text',
        at: { x: from.x, y: from.y - TEXT_MM - 2 },
        text: `${CONTROL_MM} mm: measure it on the print`,
        height: TEXT_MM,
        layer: 'TEXT',
      },
    ];
    return {
      title,
      marks,
      low: { x: this.#x0 - MARGIN_MM, y: this.#y0 - MARGIN_MM - 10 },
      high: { x: Math.max(this.#x1, to.x) + MARGIN_MM, y: this.#y1 + MARGIN_MM },
    };
  }
}
