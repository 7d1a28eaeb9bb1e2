import { blankOf, halfToothAt, normalModule, type Gear } from './gear.ts';

export type XY = readonly [number, number];

/** Points along a flank. */
const FLANK = 18;
/** Points along a tip or a root between two flanks. */
const ARC = 4;
/** Fillet at the root, in modules. */
const FILLET = 0.38;

const polar = (r: number, angle: number): XY => [r * Math.cos(angle), r * Math.sin(angle)];

/**
 * One tooth about the x axis from root to root, counter-clockwise: true involute from the base circle to the tip, straight into the root
 * below it, with a fillet where there is room. Teeth are thinned by the wheel's backlash alone. Of a ring the space, which has a tooth's
 * form. (handbook: make)
 */
function tooth(gear: Gear): readonly XY[] {
  const { outsideMm, rootMm, baseMm } = blankOf(gear);
  const [tip, root] = [Math.max(outsideMm, rootMm) / 2, Math.min(outsideMm, rootMm) / 2];
  const start = Math.max(baseMm / 2, root);
  const flank: XY[] = [];
  // closest where it bends most, at the base circle
  for (let i = 0; i <= FLANK; i++) {
    const r = start + (tip - start) * (i / FLANK) ** 2;
    flank.push(polar(r, -Math.max(0, halfToothAt(gear, r))));
  }
  const half = Math.max(0, halfToothAt(gear, start));
  const room = (Math.PI / gear.teeth - half) * root;
  const fillet = Math.max(0, Math.min(FILLET * normalModule(gear), room / 1.2, start - root));
  const foot: XY[] =
    fillet > 0
      ? Array.from({ length: 4 }, (_, i): XY => {
          const a = (Math.PI / 2) * (i / 4);
          // a quarter of a circle from the root's round to the foot of the flank
          return polar(root + fillet * (1 - Math.cos(a)), -(half + (fillet * (1 - Math.sin(a))) / root));
        })
      : start > root
        ? [polar(root, -half)]
        : [];
  const side = [...foot, ...flank];
  const topHalf = Math.max(0, halfToothAt(gear, tip));
  const top = Array.from({ length: ARC - 1 }, (_, i): XY =>
    polar(tip, -topHalf + (2 * topHalf * (i + 1)) / ARC),
  );
  const mirrored = side.map(([x, y]): XY => [x, -y]).reverse();
  return [...side, ...(topHalf > 0 ? top : []), ...mirrored];
}

/** The whole rim, a closed line, counter-clockwise, the first tooth on +x; `turn` in turns. Millimetres, y up. */
export function gearOutline(gear: Gear, turn = 0): readonly XY[] {
  const one = tooth(gear);
  const { rootMm, outsideMm } = blankOf(gear);
  const root = Math.min(rootMm, outsideMm) / 2;
  const [lx, ly] = one[one.length - 1]!;
  const end = Math.atan2(ly, lx);
  const next = (2 * Math.PI) / gear.teeth - end;
  const bottom = Array.from({ length: ARC - 1 }, (_, k): XY =>
    polar(root, end + ((next - end) * (k + 1)) / ARC),
  );
  const whole = [...one, ...(next > end ? bottom : [])];
  return Array.from({ length: gear.teeth }, (_, i) => {
    const a = 2 * Math.PI * (i / gear.teeth + turn);
    const [c, s] = [Math.cos(a), Math.sin(a)];
    return whole.map(([x, y]): XY => [x * c - y * s, x * s + y * c]);
  }).flat();
}
