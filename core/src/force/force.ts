import { abs, exactly, piToNumber, toNumber } from '../numbers/index.ts';
import { inclineN } from './slide.ts';
import {
  backEfficiencyOf,
  efficiencyOf,
  kindOf,
  sourceKindOf,
  type Drive,
  type Kinematics,
  type Load,
  type Material,
} from '../drive/index.ts';
import {
  availableNm,
  cornerRate,
  detentOf,
  FELT,
  imbalanceNm,
  inBand,
  motorsOf,
  PULL_IN,
  resonanceAtWork,
  rotorKgM2,
  type ResonanceAtWork,
} from '../turning/index.ts';

/** What the work asks, N·m at the output. */
export interface AskedTorque {
  readonly id: 'friction' | 'work' | 'imbalance' | 'wind' | 'acceleration' | 'carriage' | 'pull';
  readonly nm: number;
}

/** One mesh under load. */
export interface Mesh {
  /** from 0 along the path */
  readonly stage: number;
  readonly label: string;
  readonly teeth: number;
  readonly moduleMm: number;
  readonly forceN: number;
  readonly material: Material | null;
  /** null while nobody said what the teeth are made of */
  readonly bearsN: number | null;
  readonly margin: number | null;
}

/** At one speed of the output. */
export interface AtSpeed {
  /** turns a minute of the output, and of the motor */
  readonly rpm: number;
  readonly motorRpm: number;
  /** full steps a second; null for a source without any */
  readonly stepRate: number | null;
  readonly availableNm: number | null;
  readonly margin: number | null;
  readonly inBand: boolean;
}

/** What a torque at the work has to overcome to turn the motor, with its power off. (handbook: force) */
export type Back =
  /** a stage holds by itself, or the losses of all together do */
  | { readonly is: 'holds'; readonly by: 'stage' | 'losses' }
  | { readonly is: 'turns'; readonly nm: number }
  /** the motor's own torque is not known: friction alone, at least */
  | { readonly is: 'unknown'; readonly leastNm: number };

export interface Force {
  readonly load: Load;
  readonly asked: readonly AskedTorque[];
  /** N·m at the output, all together */
  readonly wantedNm: number;
  /** the same at the motor's shaft, its own rotor brought up to speed too */
  readonly motorNm: number;
  readonly ratio: number;
  readonly efficiency: number;
  readonly meshes: readonly Mesh[];
  readonly weakest: Mesh | null;
  readonly resonance: ResonanceAtWork | null;
  /** output rpm from which the torque falls, to which it starts without a ramp, at which nothing is left */
  readonly cornerRpm: number | null;
  readonly pullInRpm: number | null;
  readonly stallRpm: number | null;
  readonly at: (rpm: number) => AtSpeed;
  /** what turns it back with the power off */
  readonly back: Back;
  /** N·m at the output of what hangs there */
  readonly hangsNm: number;
  /** does that turn it back with the power off? null while it is not known */
  readonly turnsBack: boolean | null;
}

/** What teeth bear, MPa, estimates. (handbook: force, tooth load) */
export const BEARS_MPA = { printed: 15, acetal: 25, brass: 60, steel: 150 } as const satisfies Record<
  Material,
  number
>;

/** Lewis: σ·b·m·Y, Y = 0.484 − 2.87/z at 20°; a face of ten modules where none is given. */
export const bearsN = (material: Material, teeth: number, moduleMm: number, faceMm?: number): number =>
  BEARS_MPA[material] * (faceMm ?? 10 * moduleMm) * moduleMm * Math.max(0, 0.484 - 2.87 / teeth);

/** Torque wanted, at the output; `metres` is its travel for a radian, 0 where it turns. (handbook: force; travel, incline) */
export function askedOf(load: Load, metres = 0): readonly AskedTorque[] {
  const acceleration = (load.inertiaKgM2 ?? 0) * 2 * Math.PI * (load.accelRevPerS2 ?? 0);
  const all: readonly AskedTorque[] = [
    { id: 'imbalance', nm: metres > 0 ? 0 : imbalanceNm(load) },
    {
      id: 'carriage',
      nm: metres * Math.max(0, inclineN(load.massKg ?? 0, load.inclineDeg ?? 0, load.slideMu ?? 0)),
    },
    { id: 'pull', nm: metres * (load.pullN ?? 0) },
    { id: 'friction', nm: load.frictionNm ?? 0 },
    { id: 'work', nm: load.workNm ?? 0 },
    { id: 'wind', nm: load.windNm ?? 0 },
    { id: 'acceleration', nm: acceleration },
  ];
  return all.filter((a) => a.nm > 0);
}

/** Everything that follows from a load; null while there is none. Doubles, finite, or null. (handbook: force) */
export function forceOf(drive: Drive, k: Kinematics): Force | null {
  const { load } = drive.job;
  if (!load) return null;
  const { source, stages } = drive.train;
  const ratio = toNumber(abs(k.reduction));
  const efficiency = stages.reduce((n, s) => n * efficiencyOf(s), 1);
  const metres = k.travel ? piToNumber(k.travel) / 1000 / (2 * Math.PI) : 0;
  const asked = askedOf(load, metres);
  const wantedNm = asked.reduce((n, a) => n + a.nm, 0);
  const speedUp = 2 * Math.PI * (load.accelRevPerS2 ?? 0);
  const motorNm = wantedNm / (ratio * efficiency) + rotorKgM2(source) * speedUp * ratio;
  const meshes = meshesOf(drive, k, wantedNm);
  const known = meshes.filter((m) => m.margin !== null);
  const weakest = known.reduce<Mesh | null>((a, m) => (a === null || m.margin! < a.margin! ? m : a), null);
  const full = sourceKindOf(source).stops === 'step' ? sourceKindOf(source).fullSteps(source) : null;
  const toRpm = (rate: number): number => ((rate / full!) * 60) / ratio;
  const resonance = resonanceAtWork(drive, k);
  const corner = source.kind === 'stepper' && !source.torqueCurve ? cornerRate(source) : null;
  const at = (rpm: number): AtSpeed => {
    const motorRpm = rpm * ratio;
    const available = availableNm(source, motorRpm);
    const stepRate = full === null ? null : (motorRpm / 60) * full;
    return {
      rpm,
      motorRpm,
      stepRate,
      availableNm: available,
      margin: available === null || motorNm === 0 ? null : available / motorNm,
      inBand: resonance !== null && inBand(resonance, rpm),
    };
  };
  const back = backOf(drive, ratio);
  // a carriage runs back when its path is steeper than its friction
  const hangs =
    metres > 0
      ? Math.max(0, metres * inclineN(load.massKg ?? 0, load.inclineDeg ?? 0, -(load.slideMu ?? 0)))
      : imbalanceNm(load);
  return {
    load,
    asked,
    wantedNm,
    motorNm,
    ratio,
    efficiency,
    meshes,
    weakest,
    resonance,
    cornerRpm: corner === null ? null : toRpm(corner),
    pullInRpm: full === null ? null : toRpm(PULL_IN),
    stallRpm: stallOf(at),
    at,
    back,
    hangsNm: hangs,
    turnsBack:
      back.is === 'holds' || hangs === 0
        ? false
        : back.is === 'turns'
          ? hangs > back.nm
          : hangs > back.leastNm
            ? null
            : false,
  };
}

/** Detent and friction as the work meets them, through what the stages lose when they are driven from behind. */
function backOf({ train: { source, stages }, job: { load } }: Drive, ratio: number): Back {
  if (stages.some((s) => kindOf(s).holds?.(s))) return { is: 'holds', by: 'stage' };
  const through = stages.reduce((n, s) => n * backEfficiencyOf(s), 1);
  if (through <= 0) return { is: 'holds', by: 'losses' };
  const [detent, friction] = [detentOf(source), load?.frictionNm ?? 0];
  return detent === null
    ? { is: 'unknown', leastNm: friction }
    : { is: 'turns', nm: (detent * ratio) / through + friction };
}

/** Torque on the shaft each stage turns, and what it makes at the teeth. */
function meshesOf(drive: Drive, k: Kinematics, wantedNm: number): readonly Mesh[] {
  const { stages } = drive.train;
  return stages.flatMap((stage, at) => {
    const behind = stages.slice(at + 1).reduce((n, s) => n * efficiencyOf(s), 1);
    const nm = wantedNm / toNumber(abs(k.shafts[at + 1]!.turnsPerOutputTurn)) / behind;
    const material: Material | null = stage.material ?? (stage.quality === 'printed' ? 'printed' : null);
    // motors ganged on the first wheel each bring their own pinion: a mesh bears one motor's share
    const shared = at === 0 ? motorsOf(drive.train.source) : 1;
    return (kindOf(stage).loads?.(stage) ?? []).map((m): Mesh => {
      const forceN = (nm * m.perNm) / shared;
      const bears = material && bearsN(material, m.teeth, m.moduleMm, stage.faceMm);
      return {
        stage: at,
        label: m.label,
        teeth: m.teeth,
        moduleMm: m.moduleMm,
        forceN,
        material,
        bearsN: bears,
        margin: bears === null || forceN === 0 ? null : bears / forceN,
      };
    });
  });
}

/** The output speed at which the margin comes to 1, by halving; null where it is never known or never comes to it. */
function stallOf(at: (rpm: number) => AtSpeed): number | null {
  const margin = (rpm: number): number | null => at(rpm).margin;
  if (margin(1e-6) === null || margin(1e-6)! < 1) return null;
  let [low, high] = [1e-6, 1e6];
  if (margin(high)! >= 1) return null;
  for (let i = 0; i < 80; i++) {
    const middle = Math.sqrt(low * high);
    if (margin(middle)! >= 1) low = middle;
    else high = middle;
  }
  return low;
}

/** Speeds of the output that the job asks for, least and greatest, rpm; null where it asks for none. (docs: formats) */
export function speedsAsked(drive: Drive, ratesRpm: readonly number[]): readonly [number, number] | null {
  const { load, spins = [] } = drive.job;
  const all = [
    ...(load?.speedRpm === undefined ? [] : [toNumber(exactly(load.speedRpm))]),
    ...spins.flatMap((s) =>
      [s.minRpm, s.maxRpm].flatMap((r) => (r === undefined ? [] : [toNumber(exactly(r))])),
    ),
    ...ratesRpm,
  ];
  return all.length === 0 ? null : [Math.min(...all), Math.max(...all)];
}

/** Is its torque not to be relied on there? */
export const shakes = (force: Force, at: AtSpeed): boolean =>
  at.inBand && force.resonance !== null && force.resonance.push >= FELT;
