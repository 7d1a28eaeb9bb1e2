import type { SetMember, Shape } from '../shape.ts';
import type { DrawnMember, Stroke } from './drawing.ts';
import { genevaCrank, genevaWheel } from './measures.ts';
import { at, circle, px, toothed } from './outline.ts';

const TURN = 2 * Math.PI;

/** The outline of a body around (x, y), radius r px. */
function outline(m: SetMember, x: number, y: number, r: number): readonly Stroke[] {
  const { teeth } = m.wheel;
  const pitch = (TURN * r) / Math.max(teeth, 1);
  switch (m.as) {
    case 'wheel':
      return teeth === 0
        ? [
            {
              d: circle(x, y, r) + `M${at(x, y, r, -Math.PI / 2)}L${at(x, y, r * 0.4, -Math.PI / 2)}`,
              tone: 's2',
              filled: true,
            },
          ]
        : [
            { d: rim(x, y, r, teeth), tone: 's1', filled: true },
            {
              d: `${circle(x, y, Math.max(1.5, r * 0.22))}M${at(x, y, r * 0.72, -Math.PI / 2)}L${at(x, y, r * 0.3, -Math.PI / 2)}`,
              tone: 's2',
            },
          ];
    case 'ring':
      return [
        { d: circle(x, y, r + Math.max(5, r * 0.1)), tone: 's1', filled: true },
        { d: rim(x, y, r, teeth), tone: 's1', filled: true },
      ];
    case 'arms': {
      const arms = Array.from({ length: m.arms ?? 3 }, (_, i) => {
        const a = -Math.PI / 2 + (TURN * i) / (m.arms ?? 3);
        return `M${px(x)} ${px(y)}L${at(x, y, r, a)}`;
      });
      return [{ d: arms.join(''), tone: 's2' }];
    }
    case 'lobes':
      return [{ d: lobed(x, y, r, teeth, Math.min(pitch * 0.22, r * 0.12)), tone: 's1', filled: true }];
    case 'pins': {
      const pin = Math.min(5, Math.max(1, pitch * 0.24));
      const pins = Array.from({ length: teeth }, (_, i) => {
        const a = (TURN * i) / teeth;
        return circle(x + r * Math.cos(a), y + r * Math.sin(a), pin);
      });
      return [
        { d: circle(x, y, r + pin + 4), tone: 's1', filled: true },
        { d: pins.join(''), tone: 's2' },
      ];
    }
    case 'wave':
      return [
        { d: ellipse(x, y, r, r * 0.93), tone: 's1', filled: true },
        { d: ellipse(x, y, r * 0.9, r * 0.78), tone: 's2' },
      ];
  }
}

/** Teeth while they can be told apart, else a plain circle. */
const rim = (x: number, y: number, r: number, teeth: number): string => {
  const pitch = (TURN * r) / Math.max(teeth, 1);
  return pitch >= 1.7 && teeth <= 720 ? toothed(x, y, r, teeth, Math.min(6, pitch * 0.75)) : circle(x, y, r);
};

const ellipse = (x: number, y: number, rx: number, ry: number): string =>
  `M${px(x - rx)} ${px(y)}A${px(rx)} ${px(ry)} 0 1 1 ${px(x + rx)} ${px(y)}A${px(rx)} ${px(ry)} 0 1 1 ${px(x - rx)} ${px(y)}Z`;

function lobed(x: number, y: number, r: number, lobes: number, height: number): string {
  const points = Math.min(720, Math.max(48, lobes * 8));
  const out = Array.from({ length: points }, (_, i) => {
    const a = (TURN * i) / points;
    return at(x, y, r + height * Math.cos(lobes * a), a);
  });
  return `M${out.join('L')}Z`;
}

/** A set around its axis, its bodies back to front. */
export function drawnSet(
  shape: Extract<Shape, { form: 'set' }>,
  stage: number,
  x: number,
  y: number,
  scale: number,
): readonly DrawnMember[] {
  return shape.members.flatMap((m) => {
    const a = -Math.PI / 2 + TURN * m.place;
    const [mx, my] = [px(x + m.reach * scale * Math.cos(a)), px(y + m.reach * scale * Math.sin(a))];
    const motion = { shaft: stage + 1, cx: x, cy: y, orbit: m.orbit, mx, my, spin: m.spin };
    return outline(m, mx, my, Math.max(1.5, (m.wheel.pitchMm / 2) * scale)).map((stroke) => ({
      ...stroke,
      stage,
      motion,
    }));
  });
}

/** Crank with its pin and locking disc at (x, y1), slotted wheel at (x, y2). Drawn with the wheel locked. */
export function drawnGeneva(
  slots: number,
  stage: number,
  x: number,
  y1: number,
  y2: number,
): readonly DrawnMember[] {
  const centre = Math.abs(y2 - y1);
  const [crank, wheel] = [centre * genevaCrank(slots), centre * genevaWheel(slots)];
  const pin = Math.max(1.6, Math.min(crank * 0.14, 6));
  const towards = y1 < y2 ? Math.PI / 2 : -Math.PI / 2;
  const still = (shaft: number, cy: number): DrawnMember['motion'] => ({
    shaft,
    cx: x,
    cy,
    orbit: 0,
    mx: x,
    my: cy,
    spin: 1,
  });
  const disc = crank * 0.78;
  const star: string[] = [];
  const inner = Math.max(wheel * 0.16, centre - crank - pin);
  for (let i = 0; i < slots; i++) {
    // Locked, the crank's disc lies in a hollow between two slots.
    const a = -towards + (TURN * (i + 0.5)) / slots;
    const half = pin / wheel;
    // Where the crank's disc crosses the rim: there the hollow begins.
    const meets = Math.acos((centre ** 2 + wheel ** 2 - disc ** 2) / (2 * centre * wheel));
    const hollow = Math.min(meets, Math.PI / slots - half - 0.02);
    star.push(
      `${at(x, y2, wheel, a - half)}L${at(x, y2, inner, a - Math.min(0.5, pin / Math.max(inner, 1)))}L${at(x, y2, inner, a + Math.min(0.5, pin / Math.max(inner, 1)))}L${at(x, y2, wheel, a + half)}L${at(x, y2, wheel, a + Math.PI / slots - hollow)}A${px(disc)} ${px(disc)} 0 0 0 ${at(x, y2, wheel, a + Math.PI / slots + hollow)}`,
    );
  }
  // The pin stands away from the wheel while it is locked.
  const [px1, py1] = [x, y1 - crank * Math.sin(towards)];
  return [
    { stage, d: `M${star.join('L')}Z`, tone: 's1', filled: true, motion: still(stage + 1, y2) },
    { stage, d: circle(x, y2, Math.max(2, wheel * 0.12)), tone: 's1', motion: still(stage + 1, y2) },
    { stage, d: circle(x, y1, crank + pin), tone: 's2', motion: still(stage, y1) },
    { stage, d: circle(x, y1, disc), tone: 's1', filled: true, motion: still(stage, y1) },
    { stage, d: circle(px1, py1, pin), tone: 's1', filled: true, motion: still(stage, y1) },
  ];
}
