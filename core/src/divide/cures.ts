import { dataOf } from '../drive/index.ts';
import { abs, div, gcd, mul, rational, toNumber, type Rational } from '../numbers/index.ts';
import {
  kinematics,
  kindOf,
  knownModule,
  stageInputs,
  standingAlone,
  type Drive,
  type Kinematics,
  type Stage,
  type Train,
} from '../drive/index.ts';
import { steeredCounts } from '../motion/index.ts';
import { dividerOf } from './divisions.ts';

/** Wheels that a cure may be made of, teeth, both ends included. */
export interface WheelRange {
  readonly from: number;
  readonly to: number;
}

export const CURE_WHEELS: WheelRange = { from: 12, to: 127 };

/** A change of the train that makes the wanted counts even. (handbook: divide, the factor ledger) */
export interface Cure {
  readonly change:
    | { readonly do: 'mode'; readonly mode: number }
    | {
        readonly do: 'wheel';
        readonly stage: number;
        readonly key: string;
        readonly from: number;
        readonly to: number;
      }
    | { readonly do: 'pair'; readonly at: number; readonly z1: number; readonly z2: number };
  readonly train: Train;
  /** whether what it wants is owned and free */
  readonly owned: boolean;
  /** how many of the asked counts come out even before and after */
  readonly gains: number;
  readonly loses: number;
}

/** Whether a wheel is owned and free: for a kind of stage, of its module or pitch where that is known. */
export type Owns = (kind: string, sizeMm: number | null, teeth: number) => boolean;

const OWNS_NOTHING: Owns = () => false;

interface Candidate extends Omit<Cure, 'train' | 'gains' | 'loses' | 'owned'> {
  readonly value: Rational;
  readonly rank: readonly number[];
}

/** V/D whole: D comes out even when V is the steps, or the places, of a turn. */
const even = (value: Rational, D: number): boolean => value.d === 1n && value.n % BigInt(D) === 0n;

/** Counts beyond these do not weigh in the order of the cures. */
const WEIGHED = 60;

/**
 * Changes that make every count of `targets` even: a finer mode, one wheel, or one more pair, made of wheels in `range`. In the
 * order of parts changed, then what is owned before what is not, then of asked counts lost, then of how little the ratio changes; at most two of one wheel.
 * Every one of them was checked exactly. (handbook: divide, the factor ledger)
 */
export function cures(
  drive: Drive,
  targets: readonly number[],
  asked: readonly number[],
  range: WheelRange = CURE_WHEELS,
  most = 6,
  owns: Owns = OWNS_NOTHING,
): readonly Cure[] {
  const k = kinematics(drive.train);
  // what an encoder divides by is not changed by what stands before it
  const value = steeredCounts(drive, k) ? null : dividerOf(drive, k, null)?.stepsPerTurn;
  if (!value || targets.length === 0) return [];
  const weighed = asked.slice(0, WEIGHED);
  const evenNow = new Set(weighed.filter((D) => even(value, D)));
  const found = [
    ...modes(drive, k),
    ...wheels(drive, k, value, range, targets),
    ...pairs(k, value, range, targets),
  ].filter((c) => targets.every((D) => even(c.value, D)));
  const judged = found.map((c) => {
    const after = weighed.filter((D) => even(c.value, D));
    const loses = [...evenNow].filter((D) => !even(c.value, D)).length;
    const away = Math.abs(Math.log(toNumber(c.value) / toNumber(value)));
    const owned = isOwned(drive, c.change, owns);
    return {
      c,
      owned,
      gains: after.length - evenNow.size + loses,
      loses,
      order: [c.rank[0]!, owned ? 0 : 1, loses, away, c.rank[1]!],
    };
  });
  judged.sort((a, b) => a.order.map((x, i) => x - b.order[i]!).find((x) => Math.abs(x) > 1e-12) ?? 0);
  const taken: Cure[] = [];
  const times = new Map<string, number>();
  for (const { c, owned, gains, loses } of judged) {
    const { change } = c;
    const of = change.do === 'wheel' ? `${change.stage}.${change.key}` : change.do;
    const n = times.get(of) ?? 0;
    if (n >= 2) continue;
    times.set(of, n + 1);
    taken.push({ change, train: changed(drive, change), owned, gains, loses });
    if (taken.length === most) break;
  }
  return taken;
}

function isOwned(drive: Drive, change: Cure['change'], owns: Owns): boolean {
  switch (change.do) {
    case 'mode':
      return true;
    case 'wheel': {
      const stage = drive.train.stages[change.stage]!;
      return owns(stage.kind, sizeOf(stage), change.to);
    }
    case 'pair':
      return owns('spur', null, change.z1) && owns('spur', null, change.z2);
  }
}

/** Module or tooth pitch, where the stage says it. */
function sizeOf(stage: Stage): number | null {
  const module = knownModule(stage);
  if (module !== null) return module;
  return 'pitchMm' in stage ? (stage.pitchMm ?? null) : null;
}

function modes(drive: Drive, k: Kinematics): readonly Candidate[] {
  const { source } = drive.train;
  if (source.kind !== 'stepper' || !k.fullStepsPerTurn || k.lock) return [];
  return source.modes
    .filter((mode) => mode > source.mode)
    .map((mode) => ({
      change: { do: 'mode', mode },
      value: mul(k.fullStepsPerTurn!, rational(mode)),
      rank: [0, mode],
    }));
}

/** Every wheel of every stage that a wheel in range can take the place of without a new misfit. */
function wheels(
  drive: Drive,
  k: Kinematics,
  value: Rational,
  range: WheelRange,
  targets: readonly number[],
): readonly Candidate[] {
  return drive.train.stages.flatMap((stage, i) => {
    if (i < (k.lock?.stage ?? 0) || stage.kept) return [];
    const kind = kindOf(stage);
    const misfits = kind.warns?.(stage).length ?? 0;
    const rest = div(value, abs(k.reductions[i]!));
    return stageInputs(stage).flatMap((spec) => {
      const from = dataOf(stage)[spec.key];
      if (spec.type !== 'count' || !spec.wheel || typeof from !== 'number') return [];
      const out: Candidate[] = [];
      for (let to = Math.max(range.from, spec.min); to <= Math.min(range.to, spec.max); to++) {
        if (to === from) continue;
        const other = { ...stage, [spec.key]: to };
        if (kind.refuse?.(other)) continue;
        const made = mul(rest, abs(kind.reduction(other)));
        if (!targets.every((D) => even(made, D)) || (kind.warns?.(other).length ?? 0) > misfits) continue;
        const change = { do: 'wheel', stage: i, key: spec.key, from, to } as const;
        out.push({ change, value: made, rank: [1, to] });
      }
      return out;
    });
  });
}

/** One more pair z1 : z2. For each driver only the driven wheels that bring what is still missing. */
function pairs(
  k: Kinematics,
  value: Rational,
  range: WheelRange,
  targets: readonly number[],
): readonly Candidate[] {
  const at = k.lock ? k.reductions.length : pairPlace(k);
  const need = targets.reduce((n, D) => (n / gcd(n, BigInt(D))) * BigInt(D), 1n);
  const out: Candidate[] = [];
  for (let z1 = range.from; z1 <= range.to; z1++) {
    const step = div(value, rational(BigInt(z1) * need)).d;
    if (step > BigInt(range.to)) continue;
    for (let z2 = Number(step); z2 <= range.to; z2 += Number(step)) {
      if (z2 < range.from || z2 === z1) continue;
      out.push({
        change: { do: 'pair', at, z1, z2 },
        value: mul(value, rational(z2, z1)),
        rank: [2, z1 + z2],
      });
    }
  }
  return out;
}

/** A pair goes on the fast side of the first great reduction, where its own errors shrink most; else at the end. */
function pairPlace(k: Kinematics): number {
  const great = k.reductions.findIndex((r) => toNumber(abs(r)) >= 10);
  return great < 0 ? k.reductions.length : great;
}

function changed(drive: Drive, change: Cure['change']): Train {
  const { train } = drive;
  switch (change.do) {
    case 'mode':
      return train.source.kind === 'stepper'
        ? { ...train, source: { ...train.source, mode: change.mode } }
        : train;
    case 'wheel':
      return {
        ...train,
        stages: train.stages.map((s, i) =>
          i === change.stage ? { ...standingAlone(s), [change.key]: change.to } : s,
        ),
      };
    case 'pair': {
      const pair: Stage = { kind: 'spur', z1: change.z1, z2: change.z2 };
      return {
        ...train,
        stages: [...train.stages.slice(0, change.at), pair, ...train.stages.slice(change.at)],
      };
    }
  }
}
