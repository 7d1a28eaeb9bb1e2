/** A toothed wheel as it is cut. Millimetres, degrees; doubles, for it is metal. (handbook: make, gear blanks) */
export interface Gear {
  readonly teeth: number;
  readonly moduleMm: number;
  /** teeth per inch of pitch diameter, when it is cut in inches; the module follows */
  readonly diametralPitch: number | null;
  readonly alphaDeg: number;
  /** profile shift, in modules */
  readonly shift: number;
  /** teeth thinned by so much at the pitch line, mm */
  readonly playMm: number;
  /** teeth point inwards */
  readonly inner: boolean;
}

export const RAD = Math.PI / 180;
export const involute = (angle: number): number => Math.tan(angle) - angle;
export const INCH = 25.4;

export interface Blank {
  readonly pitchMm: number;
  readonly outsideMm: number;
  readonly rootMm: number;
  readonly baseMm: number;
  readonly depthMm: number;
  /** along the pitch circle, without backlash */
  readonly thicknessMm: number;
}

/** From 20 teeth an inch on a pitch is fine, and its teeth go a little deeper. */
const FINE_PITCH = 20;

/** How deep teeth are cut: 2.25·m; in inches 2.157/P at 14½°, 2.250/P at 20°, fine 2.200/P + 0.002″. */
export function depthOf({ moduleMm, diametralPitch, alphaDeg }: Gear): number {
  if (diametralPitch === null) return 2.25 * moduleMm;
  if (diametralPitch >= FINE_PITCH) return (2.2 / diametralPitch + 0.002) * INCH;
  return ((alphaDeg < 17 ? 2.157 : 2.25) / diametralPitch) * INCH;
}

/** What the blank is turned to, and what is cut. An inner ring has its tips inside and its root outside. */
export function blankOf(gear: Gear): Blank {
  const { teeth: z, moduleMm: m, shift: x, alphaDeg, inner } = gear;
  const sign = inner ? -1 : 1;
  const pitchMm = m * z;
  const outsideMm = m * (z + sign * (2 + 2 * x));
  const depthMm = depthOf(gear);
  return {
    pitchMm,
    outsideMm,
    rootMm: outsideMm - sign * 2 * depthMm,
    baseMm: pitchMm * Math.cos(alphaDeg * RAD),
    depthMm,
    thicknessMm: m * (Math.PI / 2 + 2 * x * Math.tan(alphaDeg * RAD)),
  };
}

/** Fewest teeth that are cut without undercut: 17 at 20°, 32 at 14½°. */
export const leastTeeth = (alphaDeg: number): number => Math.round(2 / Math.sin(alphaDeg * RAD) ** 2);

/** The shift that keeps its root whole; 0 from the fewest teeth on, and for a ring. */
export const freeingShift = ({
  teeth,
  alphaDeg,
  inner,
}: Pick<Gear, 'teeth' | 'alphaDeg' | 'inner'>): number =>
  inner ? 0 : Math.max(0, (leastTeeth(alphaDeg) - teeth) / leastTeeth(alphaDeg));

/** Half the angle of a tooth at radius r, rad, as cut; below 0 the tooth is pointed before it gets there. */
export function halfToothAt(gear: Gear, r: number): number {
  const { pitchMm, baseMm, thicknessMm } = blankOf(gear);
  const a = gear.alphaDeg * RAD;
  const at = Math.acos(Math.min(1, baseMm / 2 / r));
  return (thicknessMm - gear.playMm) / pitchMm + involute(a) - involute(at);
}

/** Is the tooth pointed before it reaches its tip? */
export const isPointed = (gear: Gear): boolean =>
  !gear.inner && halfToothAt(gear, blankOf(gear).outsideMm / 2) <= 0;

/** Span over k teeth with a pair of flat jaws. (handbook: make, measuring a cut wheel) */
export function spanOf({ teeth: z, moduleMm: m, alphaDeg, shift: x, playMm }: Gear): {
  readonly teeth: number;
  readonly mm: number;
} {
  const a = alphaDeg * RAD;
  const k = Math.max(1, Math.round((z * alphaDeg) / 180 + 0.5));
  const mm = m * Math.cos(a) * ((k - 0.5) * Math.PI + z * involute(a)) + 2 * x * m * Math.sin(a);
  return { teeth: k, mm: mm - playMm * Math.cos(a) };
}

/** Pins of 1.728·m between the teeth, and over both of them. */
export const PIN = 1.728;

/** The angle whose involute is this, by Newton's steps from a good guess. */
export function inverseInvolute(value: number): number {
  if (value <= 0) return 0;
  let angle = Math.min(1.4, Math.cbrt(3 * value));
  for (let i = 0; i < 60; i++) {
    const next = angle - (involute(angle) - value) / Math.tan(angle) ** 2;
    if (Math.abs(next - angle) < 1e-15) return next;
    angle = Math.max(1e-9, next);
  }
  return angle;
}

/** Over two pins; null where a pin would lie on the bottom. */
export function pinsOf(
  gear: Gear,
  pinMm = PIN * gear.moduleMm,
): { readonly pinMm: number; readonly mm: number } | null {
  const { teeth: z, moduleMm: m, alphaDeg, shift: x, playMm } = gear;
  const a = alphaDeg * RAD;
  const value =
    involute(a) +
    pinMm / (m * z * Math.cos(a)) -
    Math.PI / (2 * z) +
    (2 * x * Math.tan(a)) / z -
    playMm / (m * z);
  if (value <= 0) return null;
  const phi = inverseInvolute(value);
  const across = (m * z * Math.cos(a)) / Math.cos(phi);
  return { pinMm, mm: (z % 2 === 0 ? across : across * Math.cos(Math.PI / 2 / z)) + pinMm };
}

/** The tooth across its chord at the pitch circle, and how far that lies below the tip. */
export function chordOf(gear: Gear): { readonly mm: number; readonly downMm: number } {
  const { pitchMm, outsideMm, thicknessMm } = blankOf(gear);
  const half = (thicknessMm - gear.playMm) / pitchMm;
  return {
    mm: pitchMm * Math.sin(half),
    downMm: (outsideMm - pitchMm) / 2 + (pitchMm / 2) * (1 - Math.cos(half)),
  };
}

/** Centre distance of two wheels in mesh without play: shifted teeth stand further apart. */
export function centreOf(a: Gear, b: Gear): number {
  const sign = b.inner || a.inner ? -1 : 1;
  const z = Math.abs(b.teeth + sign * a.teeth);
  const plain = (a.moduleMm * z) / 2;
  const sum = sign > 0 ? a.shift + b.shift : Math.abs(b.shift - a.shift);
  if (sum === 0 || z === 0) return plain;
  const alpha = a.alphaDeg * RAD;
  const working = inverseInvolute(involute(alpha) + (2 * sum * Math.tan(alpha)) / z);
  return (plain * Math.cos(alpha)) / Math.cos(working);
}
