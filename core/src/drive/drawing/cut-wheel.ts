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

/** Runs of gaps that are cut, from 0: [first, one past the last]. */
function runsOf(D: number, isCut: (gap: number) => boolean): readonly (readonly [number, number])[] {
  const out: [number, number][] = [];
  for (let i = 0; i < D; i++) {
    if (!isCut(i + 1)) continue;
    const last = out.at(-1);
    if (last && last[1] === i) last[1] = i + 1;
    else out.push([i, i + 1]);
  }
  return out;
}

/**
 * Gap `gap` of D stands at the cutter, at the top; the work turns clockwise, so that gaps cut one after the other lie to the right.
 * `isCut` tells of each gap, 1…D, whether it is cut; `ended` that none is next. Pixels; centre (cx, cy), outer radius r, tooth depth `depth`.
 */
export function cutWheel(
  D: number,
  gap: number,
  isCut: (gap: number) => boolean,
  ended: boolean,
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
  const root = r - depth;
  const inner = root - 8;
  const runs = runsOf(D, isCut);
  const whole = runs[0]?.[0] === 0 && runs[0][1] === D;
  let cut = '';
  let cutSector = '';
  let blank = '';
  if (whole) {
    cutSector = ring(r, inner, at);
    cut = D <= MAX_DRAWN ? teeth(0, D) + 'Z' : '';
  } else {
    for (const [from, to] of runs) {
      const [first, last] = [angle(to - 1) - pitch / 2, angle(from) + pitch / 2];
      cutSector += `M${at(r, first)}${arc(r, first, last)}L${at(inner, last)}${arc(inner, last, first)}Z`;
      cut += D <= MAX_DRAWN ? teeth(from, to) : `M${at(r, first)}${arc(r, first, last)}`;
    }
    if (runs.length === 0) blank = ring(r, r, at);
    // between one run and the next the rim is as it was turned
    for (const [i, [, to]] of runs.entries()) {
      const next = runs[i + 1]?.[0] ?? runs[0]![0] + D;
      const [first, last] = [angle(next - 1) - pitch / 2, angle(to) + pitch / 2];
      if (next > to) blank += `M${at(r, first)}${arc(r, first, last)}`;
    }
  }
  function teeth(from: number, to: number): string {
    let d = `M${at(r, angle(to - 1) - pitch / 2)}`;
    for (let i = to - 1; i >= from; i--) {
      const a = angle(i);
      d += `${arc(r, a - pitch / 2, a - pitch * 0.3)}L${at(root, a - pitch * 0.13)}L${at(root, a + pitch * 0.13)}L${at(r, a + pitch * 0.3)}${arc(r, a + pitch * 0.3, a + pitch / 2)}`;
    }
    return d;
  }
  let marks = '';
  if (D <= MAX_DRAWN)
    for (let i = 0; i < D; i++)
      if (!isCut(i + 1) && (ended || i !== gap - 1)) marks += `M${at(r - 3, angle(i))}L${at(root, angle(i))}`;
  const half = Math.min(pitch * 0.42, 0.06);
  const top = angle(gap - 1);
  const next = ended
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
