/** Strokes as SVG path text; coordinates in pixels, y downwards, angles clockwise from the right. */

export const px = (n: number): number => Math.round(n * 100) / 100;

export const at = (x: number, y: number, r: number, a: number): string =>
  `${px(x + r * Math.cos(a))} ${px(y + r * Math.sin(a))}`;

export const circle = (x: number, y: number, r: number): string =>
  `M${px(x - r)} ${px(y)}A${px(r)} ${px(r)} 0 1 1 ${px(x + r)} ${px(y)}A${px(r)} ${px(r)} 0 1 1 ${px(x - r)} ${px(y)}Z`;

/** A wheel's rim with its real number of teeth, `height` px from root to tip around the pitch radius. */
export function toothed(x: number, y: number, r: number, teeth: number, height: number): string {
  const pitch = (2 * Math.PI) / teeth;
  const [tip, root] = [r + height / 2, Math.max(r - height / 2, 0.5)];
  // The corners of one tooth, turned on from tooth to tooth: a train has thousands of them.
  const corner = (radius: number, a: number): readonly [number, number] => [
    radius * Math.cos(a * pitch),
    radius * Math.sin(a * pitch),
  ];
  const corners = [corner(root, -0.32), corner(tip, -0.165), corner(tip, 0.165), corner(root, 0.32)];
  let d = '';
  for (let i = 0; i < teeth; i++) {
    const [c, s] = [Math.cos(i * pitch), Math.sin(i * pitch)];
    for (const [u, v] of corners) d += `L${tenths(x + u * c - v * s)} ${tenths(y + u * s + v * c)}`;
  }
  return `M${d.slice(1)}Z`;
}

/** A tenth of a pixel is finer than a rim is drawn. */
const tenths = (n: number): number => Math.round(n * 10) / 10;

/** An open belt around two pulleys: two arcs and the outer tangents. */
export function beltPath(x1: number, y1: number, r1: number, x2: number, y2: number, r2: number): string {
  const d = Math.hypot(x2 - x1, y2 - y1);
  const along = Math.atan2(y2 - y1, x2 - x1);
  const open = Math.acos(Math.max(-1, Math.min(1, (r1 - r2) / Math.max(d, 1e-6))));
  const [up, down] = [along - open, along + open];
  const large = (big: boolean): number => (big ? 1 : 0);
  return (
    `M${at(x1, y1, r1, up)}L${at(x2, y2, r2, up)}A${px(r2)} ${px(r2)} 0 ${large(open < Math.PI / 2 ? false : true)} 1 ${at(x2, y2, r2, down)}` +
    `L${at(x1, y1, r1, down)}A${px(r1)} ${px(r1)} 0 ${large(open < Math.PI / 2)} 1 ${at(x1, y1, r1, up)}Z`
  );
}

/** A crossed belt: two arcs and the inner tangents. */
export function crossedPath(x1: number, y1: number, r1: number, x2: number, y2: number, r2: number): string {
  const d = Math.hypot(x2 - x1, y2 - y1);
  const along = Math.atan2(y2 - y1, x2 - x1);
  const open = Math.acos(Math.max(-1, Math.min(1, (r1 + r2) / Math.max(d, 1e-6))));
  const arc = (r: number, to: string, sweep: 0 | 1): string => `A${px(r)} ${px(r)} 0 1 ${sweep} ${to}`;
  const [a, b] = [at(x1, y1, r1, along - open), at(x1, y1, r1, along + open)];
  const [c, e] = [at(x2, y2, r2, along + Math.PI - open), at(x2, y2, r2, along + Math.PI + open)];
  return `M${a}L${c}${arc(r2, e, 0)}L${b}${arc(r1, a, 1)}Z`;
}

/** The slanting threads of a worm drawn as a bar, lying or upright. */
export function threads(x: number, y: number, w: number, h: number, pitch: number): string {
  const out: string[] = [];
  const step = Math.max(pitch, 3);
  if (w >= h)
    for (let v = x - step; v < x + w; v += step)
      out.push(`M${px(v)} ${px(y + h)}l${px(step * 0.9)} ${px(-h)}`);
  else
    for (let v = y - step; v < y + h; v += step)
      out.push(`M${px(x)} ${px(v + step * 0.9)}l${px(w)} ${px(-step * 0.9)}`);
  return out.join('');
}

/** An arc with a head at its end, showing a sense of turning: clockwise on the page, or against it. Two paths: stroke and fill. */
export function arrowArc(
  x: number,
  y: number,
  r: number,
  clockwise: boolean,
): { readonly line: string; readonly head: string } {
  const half = Math.min(0.5, 14 / r);
  const [from, to] = clockwise
    ? [-Math.PI / 2 - half, -Math.PI / 2 + half]
    : [-Math.PI / 2 + half, -Math.PI / 2 - half];
  const back = to + ((clockwise ? -1 : 1) * 8) / r;
  return {
    line: `M${at(x, y, r, from)}A${px(r)} ${px(r)} 0 0 ${clockwise ? 1 : 0} ${at(x, y, r, (to + back) / 2)}`,
    head: `M${at(x, y, r, to)}L${at(x, y, r + 3.4, back)}L${at(x, y, r - 3.4, back)}Z`,
  };
}
