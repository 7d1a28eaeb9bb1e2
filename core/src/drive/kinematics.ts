import {
  abs,
  div,
  exactly,
  isNegative,
  lcm,
  mul,
  ONE,
  piValue,
  product,
  rational,
  scalePi,
  type PiValue,
  type Rational,
} from '../numbers/index.ts';
import type { Drive, Encoder, Train } from './drive.ts';
import { outputKindOf } from './outputs/index.ts';
import { sourceKindOf } from './sources/index.ts';
import { kindOf, type Stage } from './stages/index.ts';
import type { Origin, Part } from './stages/stage.ts';

/** One shaft of the train; 0 is the source's, the last one carries the work. */
export interface Shaft {
  readonly index: number;
  /** turns for one turn of the work, a magnitude */
  readonly turnsPerOutputTurn: Rational;
  /** turns against the work */
  readonly against: boolean;
}

/** Everything that follows from what turns what. (handbook: drive) */
export interface Kinematics {
  /** r of each stage, signed */
  readonly reductions: readonly Rational[];
  /** R = Π r, signed */
  readonly reduction: Rational;
  /** s·|R|: whole motor steps for one turn of the work; null when the source has none */
  readonly fullStepsPerTurn: Rational | null;
  /** N = s·m·|R|, a magnitude; null when the source has no steps */
  readonly stepsPerTurn: Rational | null;
  /** microsteps a full step, m */
  readonly mode: number;
  readonly modes: readonly number[];
  /** N for one turn of the work: of the last shaft, or of the hinge of an arm at its start, where it holds π */
  readonly stepsPerWorkTurn: PiValue | null;
  /** turns of the last shaft for one of the hinge that it opens, at the start; null for all other outputs */
  readonly hinge: PiValue | null;
  /** turns of the work after which source and work stand as they began: N whole and, where a wheel locks, its places too */
  readonly turnsToClose: bigint | null;
  readonly shafts: readonly Shaft[];
  readonly parts: readonly Part[];
  /** the stages whose ratio was not counted, and how sure it is */
  readonly unsure: readonly { readonly stage: number; readonly label: string; readonly origin: Origin }[];
  /** what the sense of turning rests on where no sign tells it, in words: threads, boxes */
  readonly senseBy: readonly string[];
  /** the last stage that locks, and the places at which the work then rests: n·|Π(r after)|, exact; null without one */
  readonly lock: { readonly stage: number; readonly places: Rational } | null;
  /** turns a minute of shaft 0 */
  readonly speed: { readonly rpm: Rational; readonly estimate: boolean };
  /** travel for one turn of the last shaft, mm; null for a rotary output */
  readonly travel: PiValue | null;
}

/** The kinematics of a checked train; exact. */
export function kinematics(train: Train): Kinematics {
  const source = sourceKindOf(train.source);
  const reductions = train.stages.map((stage) => kindOf(stage).reduction(stage));
  const reduction = product(reductions);
  const full = source.fullSteps(train.source);
  const mode = source.mode(train.source);
  const fullStepsPerTurn = full === null ? null : mul(rational(full), abs(reduction));
  const stepsPerTurn = fullStepsPerTurn && mul(fullStepsPerTurn, rational(mode));
  const output = outputKindOf(train.output);
  const hinge = output.hinge?.(train.output) ?? null;
  const lock = lockOf(train, reductions);
  return {
    reductions,
    reduction,
    fullStepsPerTurn,
    stepsPerTurn,
    stepsPerWorkTurn: stepsPerTurn && (hinge ? scalePi(hinge, stepsPerTurn) : piValue(stepsPerTurn)),
    hinge,
    mode,
    modes: source.modes(train.source),
    turnsToClose: hinge ? null : closing(stepsPerTurn, lock?.places ?? null),
    shafts: shaftsOf(train, reductions),
    parts: [...source.parts(train.source), ...train.stages.flatMap((s) => kindOf(s).parts(s))],
    unsure: train.stages.flatMap((s, stage) => {
      const origin = kindOf(s).origin(s);
      return origin.from === 'exact' ? [] : [{ stage, label: kindOf(s).label(s), origin }];
    }),
    senseBy: [...new Set(train.stages.flatMap((s) => kindOf(s).sense?.(s)?.by ?? []))],
    lock,
    speed: speedOf(train, shaftsOf(train, reductions)),
    travel: output.travel(train.output),
  };
}

/** Turns a minute of shaft 0: of a spring whose governor sits further on, as that shaft and the teeth between make it. */
function speedOf(train: Train, shafts: readonly Shaft[]): Kinematics['speed'] {
  const { speed } = sourceKindOf(train.source);
  const own = speed(train.source);
  if (train.governedRpm !== undefined) return { ...own, rpm: exactly(train.governedRpm) };
  const { source } = train;
  const at = source.kind === 'spring' && source.governorTrain === undefined ? (source.governorShaft ?? 0) : 0;
  const governed = shafts[at];
  if (at === 0 || !governed) return own;
  return { ...own, rpm: div(mul(own.rpm, shafts[0]!.turnsPerOutputTurn), governed.turnsPerOutputTurn) };
}

const closing = (steps: Rational | null, places: Rational | null): bigint | null => {
  const all = [steps, places].flatMap((r) => (r ? [r.d] : []));
  return all.length === 0 ? null : lcm(all);
};

/** A wheel that locks decides alone where the work rests, whatever comes before it. (handbook: drive, Geneva) */
function lockOf(train: Train, reductions: readonly Rational[]): Kinematics['lock'] {
  let stage = train.stages.length - 1;
  while (stage >= 0 && !kindOf(train.stages[stage]!).locks) stage--;
  const locking = train.stages[stage];
  if (!locking) return null;
  const places = rational(kindOf(locking).locks!(locking));
  return { stage, places: abs(mul(places, product(reductions.slice(stage + 1)))) };
}

function shaftsOf(train: Train, reductions: readonly Rational[]): readonly Shaft[] {
  let [turns, against] = [ONE, false];
  const shafts: Shaft[] = [{ index: reductions.length, turnsPerOutputTurn: ONE, against }];
  for (let i = reductions.length - 1; i >= 0; i--) {
    turns = mul(turns, abs(reductions[i]!));
    against = against !== reverses(train.stages[i]!);
    shafts.push({ index: i, turnsPerOutputTurn: turns, against });
  }
  return shafts.reverse();
}

/** Does its output turn against its input: by the sign of its ratio, or by the hand of its thread and the pairs of its box. */
export function reverses(stage: Stage): boolean {
  const kind = kindOf(stage);
  return isNegative(kind.reduction(stage)) !== (kind.sense?.(stage)?.turns === -1);
}

/** Counts of an encoder for one turn of the work: lines · decode · |Π r of the stages after its shaft|. (handbook: drive, sources) */
export function countsPerTurn(k: Kinematics, encoder: Encoder): Rational | null {
  const shaft = k.shafts[encoder.shaft];
  return shaft
    ? mul(rational(BigInt(encoder.lines) * BigInt(encoder.decode)), shaft.turnsPerOutputTurn)
    : null;
}

/** The kinematics of a drive's train. */
export const kinematicsOf = (drive: Drive): Kinematics => kinematics(drive.train);
