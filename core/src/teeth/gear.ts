import type { ModuleFrom } from '../drive/index.ts';
import { RAD, inverseInvolute, involute } from './involute.ts';

/**
 * One toothed wheel, the same for every page. Millimetres, degrees; doubles, for it is metal. The module is that across the wheel; cutter,
 * pressure angle, depth and shift are of the section square to its teeth. (handbook: make, one wheel)
 */
export interface Gear {
  readonly teeth: number;
  readonly moduleMm: number;
  readonly moduleFrom: ModuleFrom;
  /** teeth per inch of pitch diameter, when it is cut in inches; the module follows */
  readonly diametralPitch: number | null;
  readonly alphaDeg: number;
  /** slanted at the pitch circle by so much; 0 for straight teeth */
  readonly helixDeg: number;
  /** profile shift, in modules of the section; of a ring outwards, as of a wheel that would fill its spaces */
  readonly shift: number;
  /** teeth thinned by so much at the pitch line, mm */
  readonly playMm: number;
  /** teeth point inwards */
  readonly inner: boolean;
  /** by which its tips are taken back, mm: a ring's, so that they clear the root of a small wheel in it */
  readonly trimMm: number;
}

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

type Slant = Pick<Gear, 'alphaDeg' | 'helixDeg'>;

const slant = ({ helixDeg }: Slant): number => Math.cos(helixDeg * RAD);

/** Module of the section square to the teeth, m·cos β: what its cutter is named by. */
export const normalModule = (gear: Gear): number => gear.moduleMm * slant(gear);

/** Pressure angle across the wheel, rad: tan α_t = tan α/cos β. */
export const acrossAngle = (gear: Slant): number => Math.atan(Math.tan(gear.alphaDeg * RAD) / slant(gear));

/** Teeth of the straight wheel that a cutter sees, z/cos³β. */
export const seenTeeth = (gear: Gear): number => gear.teeth / slant(gear) ** 3;

/** From 20 teeth an inch on a pitch is fine, and its teeth go a little deeper. */
const FINE_PITCH = 20;

/** How deep teeth are cut: 2.25·m_n; in inches 2.157/P at 14½°, 2.250/P at 20°, fine 2.200/P + 0.002″. */
export function depthOf(gear: Gear): number {
  if (gear.diametralPitch === null) return 2.25 * normalModule(gear);
  const pitch = gear.diametralPitch / slant(gear);
  if (pitch >= FINE_PITCH) return (2.2 / pitch + 0.002) * INCH;
  return ((gear.alphaDeg < 17 ? 2.157 : 2.25) / pitch) * INCH;
}

/** What the blank is turned to, and what is cut. An inner ring has its tips inside and its root outside. */
export function blankOf(gear: Gear): Blank {
  const { teeth: z, moduleMm: m, shift: x, inner } = gear;
  const sign = inner ? -1 : 1;
  const mn = normalModule(gear);
  const across = acrossAngle(gear);
  const pitchMm = m * z;
  const outsideMm = pitchMm + mn * (sign * 2 + 2 * x) - sign * 2 * gear.trimMm;
  const depthMm = depthOf(gear) - gear.trimMm;
  return {
    pitchMm,
    outsideMm,
    rootMm: outsideMm - sign * 2 * depthMm,
    baseMm: pitchMm * Math.cos(across),
    depthMm,
    thicknessMm: (m * Math.PI) / 2 + sign * 2 * x * mn * Math.tan(across),
  };
}

/** From how many teeth on a root stays whole, 2·cos β/sin²α_t, not rounded. */
export const undercutLimit = (gear: Slant): number => (2 * slant(gear)) / Math.sin(acrossAngle(gear)) ** 2;

/** Fewest teeth that are cut without undercut, as the trade counts them: 17 at 20°, 32 at 14½°. */
export const leastTeeth = (gear: Slant): number => Math.round(undercutLimit(gear));

/** The least shift that keeps a root whole, below 0 where teeth could be cut deeper in. */
export const leastShift = (gear: Slant & Pick<Gear, 'teeth'>): number =>
  (leastTeeth(gear) - gear.teeth) / leastTeeth(gear);

/** The shift that is taken to keep a root whole; 0 from the fewest teeth on, and for a ring. */
export const freeingShift = (gear: Slant & Pick<Gear, 'teeth' | 'inner'>): number =>
  gear.inner ? 0 : Math.max(0, leastShift(gear));

/**
 * Half the angle of what is drawn at radius r, rad, as cut: a tooth, or of a ring the space between two, which has a tooth's form. Below 0
 * a tooth is pointed before it gets there.
 */
export function halfToothAt(gear: Gear, r: number): number {
  const { pitchMm, baseMm, thicknessMm } = blankOf(gear);
  const at = Math.acos(Math.min(1, baseMm / 2 / r));
  const wide = gear.inner ? Math.PI * gear.moduleMm - thicknessMm + gear.playMm : thicknessMm - gear.playMm;
  return wide / pitchMm + involute(acrossAngle(gear)) - involute(at);
}

/** Width of a tooth's tip along its round, mm; 0 or less where it is pointed. Of an outer wheel. */
export function tipLand(gear: Gear): number {
  const r = blankOf(gear).outsideMm / 2;
  return 2 * r * halfToothAt(gear, r);
}

/** Is the tooth pointed before it reaches its tip? */
export const isPointed = (gear: Gear): boolean => !gear.inner && tipLand(gear) <= 0;

/** Is its root cut under by the tool that makes it? */
export const isUndercut = (gear: Gear): boolean => !gear.inner && gear.shift < leastShift(gear) - 1e-6;

/** Span over k teeth with a pair of flat jaws, square to the teeth. (handbook: make, measuring a cut wheel; slanted wheels) */
export function spanOf(gear: Gear): { readonly teeth: number; readonly mm: number } {
  const { teeth: z, alphaDeg, shift: x, playMm } = gear;
  const a = alphaDeg * RAD;
  const mn = normalModule(gear);
  const k = Math.max(1, Math.round((seenTeeth(gear) * alphaDeg) / 180 + 0.5));
  const mm =
    mn * Math.cos(a) * ((k - 0.5) * Math.PI + z * involute(acrossAngle(gear))) + 2 * x * mn * Math.sin(a);
  return { teeth: k, mm: mm - playMm * slant(gear) * Math.cos(a) };
}

/** Pins, or balls of slanted teeth, of 1.728 modules of the section between the teeth, and over both of them. */
export const PIN = 1.728;

/** Over two pins or balls; null where they would lie on the bottom. */
export function pinsOf(
  gear: Gear,
  pinMm = PIN * normalModule(gear),
): { readonly pinMm: number; readonly mm: number } | null {
  const { teeth: z, moduleMm: m, alphaDeg, shift: x, playMm } = gear;
  const a = alphaDeg * RAD;
  const across = acrossAngle(gear);
  const value =
    involute(across) +
    pinMm / (normalModule(gear) * z * Math.cos(a)) -
    Math.PI / (2 * z) +
    (2 * x * Math.tan(a)) / z -
    playMm / (m * z);
  if (value <= 0) return null;
  const wide = (m * z * Math.cos(across)) / Math.cos(inverseInvolute(value));
  return { pinMm, mm: (z % 2 === 0 ? wide : wide * Math.cos(Math.PI / 2 / z)) + pinMm };
}

/** The tooth across its chord at the pitch circle, square to it, and how far that lies below the tip. */
export function chordOf(gear: Gear): { readonly mm: number; readonly downMm: number } {
  const { pitchMm, outsideMm, thicknessMm } = blankOf(gear);
  // the round that the section square to the teeth has there
  const round = pitchMm / slant(gear) ** 2;
  const half = ((thicknessMm - gear.playMm) * slant(gear)) / round;
  return {
    mm: round * Math.sin(half),
    downMm: (outsideMm - pitchMm) / 2 + (round / 2) * (1 - Math.cos(half)),
  };
}

/** Of slanted teeth: one turn of their thread, mm, and how far a table is swivelled. */
export const leadMm = (gear: Gear): number =>
  (Math.PI * gear.moduleMm * gear.teeth) / Math.tan(gear.helixDeg * RAD);
