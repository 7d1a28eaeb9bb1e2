import { px } from './outline.ts';

/** A wheel under the cutter: the outline of what is cut, the marks of what is to come, the gap at the cutter. */
export interface CutWheel {
  readonly cut: string;
  readonly cutSector: string;
  readonly blank: string;
  readonly marks: string;
  readonly next: string;
  readonly numbers: readonly {
    readonly text: string;
    readonly x: number;
    readonly y: number;
    readonly tick: string;
  }[];
}

/** Beyond this many gaps single teeth are not drawn, only the sector. */
const MAX_DRAWN = 400;

/**
 * Gap `gap` of D stands at the cutter, at the top; the work turns clockwise, so that cut gaps lie to the right.
 * `done` gaps are cut. Pixels; centre (cx, cy), outer radius r, tooth depth `depth`.
 */
export function cutWheel(
  D: number,
  gap: number,
  done: number,
  cx: number,
  cy: number,
  r: number,
  depth: number,
): CutWheel {
  const pitch = (2 * Math.PI) / D;
  const angle = (i: number): number => -Math.PI / 2 - (i - (gap - 1)) * pitch;
  const at = (radius: number, a: number): string =>
    `${px(cx + radius * Math.cos(a))} ${px(cy + radius * Math.sin(a))}`;
  const arc = (radius: number, from: number, to: number): string =>
    `A${radius} ${radius} 0 ${Math.abs(to - from) > Math.PI ? 1 : 0} ${to > from ? 1 : 0} ${at(radius, to)}`;
  const [first, last] = [angle(done - 1) - pitch / 2, angle(0) + pitch / 2];
  const root = r - depth;
  const inner = root - 8;
  let cut = '';
  let cutSector = '';
  if (done >= D) {
    cutSector = ring(r, inner, at);
    cut = D <= MAX_DRAWN ? teeth(0, D) + 'Z' : '';
  } else if (done > 0) {
    cutSector = `M${at(r, first)}${arc(r, first, last)}L${at(inner, last)}${arc(inner, last, first)}Z`;
    cut = D <= MAX_DRAWN ? teeth(0, done) : `M${at(r, first)}${arc(r, first, last)}`;
  }
  function teeth(from: number, to: number): string {
    let d = `M${at(r, angle(to - 1) - pitch / 2)}`;
    for (let i = to - 1; i >= from; i--) {
      const a = angle(i);
      d += `${arc(r, a - pitch / 2, a - pitch * 0.3)}L${at(root, a - pitch * 0.13)}L${at(root, a + pitch * 0.13)}L${at(r, a + pitch * 0.3)}${arc(r, a + pitch * 0.3, a + pitch / 2)}`;
    }
    return d;
  }
  const blank =
    done === 0 ? ring(r, r, at) : done >= D ? '' : `M${at(r, last)}${arc(r, last, first + 2 * Math.PI)}`;
  let marks = '';
  if (D <= MAX_DRAWN)
    for (let i = Math.max(done, gap); i < D; i++) marks += `M${at(r - 3, angle(i))}L${at(root, angle(i))}`;
  const half = Math.min(pitch * 0.42, 0.06);
  const top = angle(gap - 1);
  const next =
    done >= D
      ? ''
      : `M${at(r, top - half)}L${at(root, top - half * 0.55)}L${at(root, top + half * 0.55)}L${at(r, top + half)}`;
  const every = D <= 100 ? 10 : D <= 400 ? 50 : 10 ** Math.floor(Math.log10(D / 3));
  const numbers = [];
  for (let i = 0; i < D; i += every) {
    const a = angle(i);
    const near = Math.abs(Math.sin((a + Math.PI / 2) / 2)) * 2 * r < 34;
    if (!near)
      numbers.push({
        text: String(i + 1),
        x: px(cx + (r + 18) * Math.cos(a)),
        y: px(cy + (r + 18) * Math.sin(a) + 4.5),
        tick: `M${at(r + 3, a)}L${at(r + 8, a)}`,
      });
  }
  return { cut, cutSector, blank, marks, next, numbers };
}

/** A whole ring, or a circle when both radii are the same. */
function ring(outer: number, inner: number, at: (radius: number, a: number) => string): string {
  const circle = (radius: number): string =>
    `M${at(radius, 0)}A${radius} ${radius} 0 1 1 ${at(radius, Math.PI)}A${radius} ${radius} 0 1 1 ${at(radius, 0)}Z`;
  return outer === inner ? circle(outer) : circle(outer) + circle(inner);
}
