import { abs, toNumber } from '../../numbers/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import { budget } from '../../errors/index.ts';
import type { Simulated, Tracked } from '../../simulate/index.ts';
import { contextOf, type Context } from '../context.ts';

/** Full steps of one turn of the output, for a simulation; null for a source without any, and where a wheel locks or a hinge opens. */
export function simulatedSteps(k: Kinematics): Simulated['steps'] {
  if (k.fullStepsPerTurn === null || k.lock || k.hinge) return null;
  const perTurn = toNumber(k.fullStepsPerTurn);
  return {
    perTurn,
    mode: k.mode,
    exact: k.stepsPerTurn,
    pattern: Math.max(1, Math.round(perTurn / toNumber(abs(k.reduction)))),
  };
}

/** What following is simulated from. */
export interface Following {
  readonly of: Context;
  readonly title: string;
  readonly tracked: Omit<Tracked, 'seconds' | 'stepSeconds'>;
  /** ″ a second of the polar axis, at right angles to what the drive does */
  readonly acrossPerSecond: number;
}

/** The first rate of a drive's path, from the rows of its own budget; null while nothing is followed. */
export function following(drive: Drive, seed: number): Following | null {
  const of = contextOf(drive);
  const by = of.errors.budgets.tracking;
  const causes = of.duties.rates[0]?.kept;
  if (!by || !causes) return null;
  const sum = (across: boolean): number =>
    causes.reduce((n, c) => n + (Boolean(c.across) === across ? c.arcsecPerSecond : 0), 0);
  return {
    of,
    title: by.title,
    tracked: {
      rows: by.budget.rows,
      seed,
      steps: simulatedSteps(of.k),
      turnSeconds: by.turnSeconds!,
      driftArcsecPerSecond: sum(false),
    },
    acrossPerSecond: sum(true),
  };
}

/** The terms of a drive's train alone, in force one way and at every place: what turning and sliding are simulated from. */
export function running(drive: Drive, seed: number): { readonly of: Context; readonly simulated: Simulated } {
  const of = contextOf(drive);
  const { rows } = budget({
    drive,
    terms: of.errors.budgets.terms(),
    divisions: null,
    toleranceArcsec: null,
  });
  return { of, simulated: { rows, seed, steps: simulatedSteps(of.k) } };
}

/** Least and greatest of each of so many stretches, so that a line drawn through them hides nothing. */
export function thinned(values: Float64Array, stepSeconds: number, most = 600): readonly [number, number][] {
  const every = Math.ceil(values.length / most);
  if (every <= 2) return Array.from(values, (v, i) => [i * stepSeconds, v]);
  const out: [number, number][] = [];
  for (let from = 0; from < values.length; from += every) {
    let [low, high] = [from, from];
    for (let i = from; i < Math.min(values.length, from + every); i++) {
      if (values[i]! < values[low]!) low = i;
      if (values[i]! > values[high]!) high = i;
    }
    for (const i of low < high ? [low, high] : [high, low]) out.push([i * stepSeconds, values[i]!]);
  }
  return out;
}
