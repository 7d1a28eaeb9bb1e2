import {
  kindOf,
  moduleOf,
  moduleOfPitch,
  type Meshing,
  type ModuleSize,
  type Stage,
  type WheelToMake,
  type WorkBlank,
} from '../drive/index.ts';
import { mul, rational, type Rational } from '../numbers/index.ts';
import { freeingShift, isUndercut, type Gear } from './gear.ts';
import { meshOf, ringTrim, shiftSum, type PairMesh } from './pair.ts';

/**
 * Why a wheel has the shift that it has: typed; taken to keep its root whole; given back to the mate that took one; taken so that a
 * planetary set's distances are one, or that a ring fits its wheel. (handbook: make, one wheel)
 */
export type ShiftFrom = 'none' | 'typed' | 'taken' | 'givenBack' | 'closes';

/** A wheel of a stage as it is: every page asks this for its size. */
export interface Tooth {
  readonly wheel: WheelToMake;
  /** null for a pulley, and for a worm wheel that is cut by a thread */
  readonly gear: Gear | null;
  readonly shiftFrom: ShiftFrom;
}

/** Two wheels of a stage in mesh. */
export interface StageMesh {
  readonly a: Tooth;
  readonly b: Tooth;
  /** null where they do not run together at any distance */
  readonly mesh: PairMesh | null;
  /** the distance, exact where no shift is in it */
  readonly exact: Rational | null;
}

interface Known {
  readonly teeth: readonly Tooth[];
  readonly meshes: readonly StageMesh[];
}

/** A stage never changes, so what its wheels are is reckoned once. */
const known = new WeakMap<Stage, Known>();

function knownOf(stage: Stage): Known {
  let found = known.get(stage);
  if (!found) {
    const teeth = reckonTeeth(stage);
    found = { teeth, meshes: reckonMeshes(stage, teeth) };
    known.set(stage, found);
  }
  return found;
}

/** The wheels of a stage, driver before driven, in the order of what it makes. (handbook: make, one wheel) */
export const teethOf = (stage: Stage): readonly Tooth[] => knownOf(stage).teeth;

/** Its meshes, the one that sets its distance first. */
export const meshesOf = (stage: Stage): readonly StageMesh[] => knownOf(stage).meshes;

/** Backlash at the pitch line that somebody gave, mm; each of two wheels is thinned by half of it. */
function givenPlay(stage: Stage, drivenMm: number): number {
  if (stage.playArcmin !== undefined) return ((stage.playArcmin * Math.PI) / 10_800) * (drivenMm / 2);
  return stage.playMm ?? 0;
}

function gearOf(
  teeth: number,
  module: ModuleSize,
  blank: { readonly diametralPitch?: number; readonly pressureAngleDeg?: number },
): Gear {
  return {
    teeth,
    moduleMm: module.mm,
    moduleFrom: module.from,
    diametralPitch: module.from === 'diametralPitch' ? (blank.diametralPitch ?? null) : null,
    alphaDeg: blank.pressureAngleDeg ?? 20,
    helixDeg: 0,
    shift: 0,
    playMm: 0,
    inner: false,
    trimMm: 0,
  };
}

function reckonTeeth(stage: Stage): readonly Tooth[] {
  const kind = kindOf(stage);
  const wheels = kind.makes?.(stage) ?? [];
  const drivenMm = (wheels.at(-1)?.teeth ?? 0) * moduleOf(stage).mm;
  const playMm = givenPlay(stage, drivenMm) / (wheels.length > 1 ? 2 : 1);
  const plain = wheels.map((wheel): Tooth => {
    const tapped = wheel.as === 'wormWheel' && stage.cut === 'tap';
    if (wheel.as === 'pulley' || tapped) return { wheel, gear: null, shiftFrom: 'none' };
    const module = moduleOf(stage, wheel.moduleKey && { key: wheel.moduleKey });
    const slanted = wheel.as === 'gear' || wheel.as === 'ring';
    const gear: Gear = {
      ...gearOf(wheel.teeth, module, stage),
      helixDeg: slanted ? (stage.helixDeg ?? 0) : 0,
      playMm,
      inner: wheel.as === 'ring',
    };
    const said = wheel.shiftKey && stage[wheel.shiftKey];
    if (said !== undefined) return { wheel, gear: { ...gear, shift: said }, shiftFrom: 'typed' };
    const shift = freeingShift(gear);
    return { wheel, gear: { ...gear, shift }, shiftFrom: shift === 0 ? 'none' : 'taken' };
  });
  const out = [...plain];
  const meshes = kind.meshes?.(stage) ?? [];
  for (const [at, meshing] of meshes.entries()) answer(out, meshing, at > 0, stage);
  for (const { a, b } of meshes) {
    const [one, other] = [out[a]!.gear, out[b]!.gear];
    const ring = one?.inner ? a : b;
    const trimMm = one && other ? ringTrim(one, other) : 0;
    if (trimMm > 0) out[ring] = { ...out[ring]!, gear: { ...out[ring]!.gear!, trimMm } };
  }
  return out;
}

/** What one wheel of a mesh takes of the other's shift. */
function answer(all: Tooth[], { a, b, closes }: Meshing, later: boolean, stage: Stage): void {
  const [first, second] = [all[a]!, all[b]!];
  if (!first.gear || !second.gear) return;
  const put = (at: number, shift: number, shiftFrom: ShiftFrom): void => {
    const tooth = all[at]!;
    if (tooth.shiftFrom !== 'typed')
      all[at] = { ...tooth, gear: { ...tooth.gear!, shift }, shiftFrom: shift === 0 ? 'none' : shiftFrom };
  };
  if (later && closes !== undefined) {
    const shift = closing(all, stage, a === closes ? second.gear : first.gear, all[closes]!.gear!);
    if (shift !== null) put(closes, shift, 'closes');
    return;
  }
  const ring = first.gear.inner ? a : second.gear.inner ? b : null;
  if (ring !== null) {
    // a ring fits the wheel in it, at the distance that their teeth say
    put(ring, (ring === a ? second : first).gear!.shift, 'closes');
    return;
  }
  if (!stage.shiftBack) return;
  const [to, from] = second.shiftFrom === 'none' ? [b, first] : [a, second];
  const given = -from.gear!.shift;
  const mate = all[to]!;
  if (from.shiftFrom === 'none' || mate.shiftFrom !== 'none') return;
  if (!isUndercut({ ...mate.gear!, shift: given })) put(to, given, 'givenBack');
}

/** The shift that brings a later mesh of a set to the distance of its first; null where none does. */
function closing(all: readonly Tooth[], stage: Stage, mate: Gear, wheel: Gear): number | null {
  const [first] = kindOf(stage).meshes!(stage);
  const mesh = meshOf(all[first!.a]!.gear!, all[first!.b]!.gear!);
  const sum = mesh && shiftSum(mate, { ...wheel, shift: 0 }, mesh.distanceMm);
  if (sum === null || Math.abs(sum) > MOST_CLOSING) return null;
  const shift = wheel.inner ? sum + mate.shift : sum - mate.shift;
  return Math.abs(shift) < 1e-12 ? 0 : shift;
}

/** Beyond this sum of shifts no wheel keeps its tips and roots: such a distance is not closed by a shift. (estimate) */
const MOST_CLOSING = 1.5;

function reckonMeshes(stage: Stage, teeth: readonly Tooth[]): readonly StageMesh[] {
  return (kindOf(stage).meshes?.(stage) ?? []).map(({ a, b }) => {
    const [first, second] = [teeth[a]!, teeth[b]!];
    const mesh = meshOf(first.gear!, second.gear!);
    const module = moduleOf(stage, first.wheel.moduleKey && { key: first.wheel.moduleKey }).exact;
    const sum = first.gear!.inner || second.gear!.inner ? -1 : 1;
    const whole = Math.abs(first.gear!.teeth + sum * second.gear!.teeth);
    return {
      a: first,
      b: second,
      mesh,
      exact: mesh && mesh.shift === 0 && module ? mul(module, rational(whole, 2)) : null,
    };
  });
}

/** One wheel that the drive divides for, of so many teeth, by the blank of the job; a rim without a word of it is assumed. */
export function workGear(blank: WorkBlank | undefined, teeth: number): Gear {
  const { diametralPitch, moduleMm } = blank ?? {};
  const module: ModuleSize =
    diametralPitch !== undefined
      ? moduleOfPitch(diametralPitch)
      : { mm: moduleMm ?? 1, from: moduleMm === undefined ? 'assumed' : 'typed', exact: null };
  const gear = gearOf(teeth, module, blank ?? {});
  return { ...gear, shift: freeingShift(gear) };
}
