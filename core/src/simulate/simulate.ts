import { roundDiv, toNumber, type Rational } from '../numbers/index.ts';
import type { BudgetRow } from '../errors/index.ts';
import { seeded } from './random.ts';

/** A wave at the output: ″, turns for one of the output, where it begins. */
interface Wave {
  readonly arcsec: number;
  readonly turns: number;
  readonly phase: number;
}

/** What a simulation is made from: the rows of a budget that are in force, and the source's steps. */
export interface Simulated {
  readonly rows: readonly BudgetRow[];
  readonly seed: number;
  /** full steps of one turn of the output, and microsteps a full step; null for a source without any */
  readonly steps: {
    readonly perTurn: number;
    readonly mode: number;
    readonly pattern: number;
    /** steps of one turn, exact: a place halfway between two goes where the table sends it */
    readonly exact?: Rational | null;
  } | null;
}

/** ″ a turn. */
const TURN = 1_296_000;

interface Model {
  readonly waves: readonly Wave[];
  /** ″ a turn of the output of a drift, 0 for dividing */
  readonly offsets: readonly number[];
}

function modelOf({ rows, seed, steps }: Simulated): Model & { readonly random: () => number } {
  const random = seeded(seed);
  const inForce = rows.filter((r) => r.counted !== null && r.counted > 0);
  const waves = inForce.flatMap((r): Wave[] =>
    r.term.kind === 'periodic' && r.term.turnsPerOutputTurn
      ? [
          {
            arcsec: r.counted!,
            turns: toNumber(r.term.turnsPerOutputTurn),
            phase: 2 * Math.PI * random(),
          },
        ]
      : [],
  );
  const step = inForce.find((r) => r.term.kind === 'step');
  const offsets =
    step && steps ? Array.from({ length: steps.pattern }, () => (2 * random() - 1) * step.counted!) : [];
  return { waves, offsets, random };
}

/** Error at a place of the output, in turns of it, ″: waves, and the full steps between which a microstep lies. */
function errorAt({ waves, offsets }: Model, steps: Simulated['steps'], turns: number): number {
  let sum = 0;
  for (const w of waves) sum += w.arcsec * Math.sin(2 * Math.PI * ((w.turns * turns) % 1) + w.phase);
  if (steps && offsets.length > 0) {
    const at = turns * steps.perTurn;
    const whole = Math.floor(at);
    const part = at - whole;
    const n = offsets.length;
    const of = (i: number): number => offsets[((i % n) + n) % n]!;
    sum += of(whole) * (1 - part) + of(whole + 1) * part;
  }
  return sum;
}

/** The error at each of these places of the output, in turns of it, ″: each goes to its nearest microstep. One seed gives one answer. */
export function simulatePlaces(of: Simulated, places: ArrayLike<number>): Float64Array {
  const model = modelOf(of);
  const { steps } = of;
  const micro = steps ? steps.perTurn * steps.mode : null;
  return Float64Array.from(places, (exact) => {
    const turns = micro === null ? exact : Math.round(exact * micro) / micro;
    return errorAt(model, steps, turns) + (turns - exact) * TURN;
  });
}

/** The error at each division as it would be cut, ″. */
export function simulateDividing(of: Simulated, divisions: number): Float64Array {
  const exact = of.steps?.exact;
  const places = Array.from({ length: divisions }, (_, i) => i / divisions);
  if (!exact) return simulatePlaces(of, places);
  const model = modelOf(of);
  const N = toNumber(exact);
  // the step of each place is the table's own; a double would take a half either way
  return Float64Array.from(places, (place, i) => {
    const step = roundDiv(exact.n * BigInt(i), exact.d * BigInt(divisions));
    const turns = Number(step) / N;
    return errorAt(model, of.steps, turns) + (turns - place) * TURN;
  });
}

export interface Tracked extends Simulated {
  /** one turn of the output */
  readonly turnSeconds: number;
  /** ″ a second: what rounding, clock and pole add up to, as signed by the seed */
  readonly driftArcsecPerSecond: number;
  readonly seconds: number;
  readonly stepSeconds: number;
}

/** Samples of a simulated record, so many at a time. */
const SLICE = 20_000;

/**
 * The error of following over a time, ″, from 0 on; gives way after every slice with how far it has come. (handbook: errors, simulation)
 */
export function* simulateTracking(of: Tracked): Generator<number, Float64Array, boolean | undefined> {
  const model = modelOf(of);
  const { steps, turnSeconds, stepSeconds } = of;
  const sign = model.random() < 0.5 ? -1 : 1;
  const count = Math.floor(of.seconds / stepSeconds) + 1;
  const out = new Float64Array(count);
  const micro = steps ? steps.perTurn * steps.mode : null;
  let first = 0;
  for (let i = 0; i < count; i++) {
    if (i > 0 && i % SLICE === 0 && (yield i / count)) return out.slice(0, i);
    const t = i * stepSeconds;
    const exact = t / turnSeconds;
    const turns = micro === null ? exact : Math.round(exact * micro) / micro;
    const error = errorAt(model, steps, turns) + (turns - exact) * TURN + sign * of.driftArcsecPerSecond * t;
    if (i === 0) first = error;
    out[i] = error - first;
  }
  return out;
}
