import { lcm, rational } from '../numbers/index.ts';
import { compareRows, type DivisionsQuestion, type EvenRatio } from './even-rows.ts';
import type { WheelSets } from './wheel-sets.ts';
import type { Shape, Workbench } from './kit.ts';
import { divisorsUpTo, hitsOf as hitsIn } from './divisors.ts';
import { LARGEST_PRODUCT, places, type Products } from './products.ts';
import type { Search } from './search.ts';
import { bestTrain, trainTeeth } from './trains.ts';

/** More counts of steps than this are not checked one by one. */
const MAX_STEPS = 5_000_000;

/** Rows in which as few divisions as possible do not come out even. */
export interface MissesFound {
  readonly rows: readonly EvenRatio[];
  readonly proven: boolean;
}

/**
 * When no train brings every division: the trains that miss the fewest. With limits on the steps a turn, every N in them is
 * given its hits and those of the most hits are tried first; a count of steps is possible when wheels make N/S. Without limits
 * the driven products are checked. (handbook: find)
 */
export function* searchMisses(
  bench: Workbench,
  sets: WheelSets,
  question: DivisionsQuestion,
): Search<MissesFound> {
  const [low, high] = question.steps;
  if (!high || high.n / high.d > BigInt(MAX_STEPS)) return yield* freeSteps(bench, sets, question);
  const first = low ? Number((low.n + low.d - 1n) / low.d) : 1;
  const last = Number(high.n / high.d);
  const rows: EvenRatio[] = [];
  const hitsAt = hitsOf(question.divisions, first, last);
  for (let hits = question.divisions.length - 1; hits > 0; hits--) {
    const steps = withHits(hitsAt, hits).map((at) => first + at);
    for (let stages = 1; stages <= question.maxStages; stages++) {
      for (const [i, n] of steps.entries()) {
        rows.push(...rowOf(bench, sets, question, n, stages));
        if (i % 64 === 63 && (yield { stages, done: i, of: steps.length }))
          return { rows: rows.sort(compareRows).slice(0, question.count), proven: false };
      }
      if (rows.length >= question.count)
        return { rows: rows.sort(compareRows).slice(0, question.count), proven: true };
    }
  }
  return { rows: rows.sort(compareRows), proven: true };
}

/** How many divisions go into each count of steps in [first, last]. */
function hitsOf(divisions: readonly bigint[], first: number, last: number): Uint16Array {
  const hits = new Uint16Array(Math.max(0, last - first + 1));
  for (const division of divisions) {
    const d = Number(division);
    for (let n = Math.ceil(first / d) * d; n <= last; n += d) hits[n - first]!++;
  }
  return hits;
}

/** Where so many stand. */
function withHits(hitsAt: Uint16Array, hits: number): readonly number[] {
  const out: number[] = [];
  for (let at = hitsAt.indexOf(hits); at >= 0; at = hitsAt.indexOf(hits, at + 1)) out.push(at);
  return out;
}

/** The row of a count of steps with exactly so many stages: the train of least teeth over all modes; none when no wheels make it. */
function rowOf(
  bench: Workbench,
  sets: WheelSets,
  { fullSteps, modes, divisions }: DivisionsQuestion,
  steps: number,
  stages: number,
): readonly EvenRatio[] {
  let best: EvenRatio | null = null;
  for (const mode of [...modes].sort((a, b) => a - b)) {
    const ratio = rational(steps, fullSteps * mode);
    const train = bestTrain(bench, sets, ratio, stages);
    if (!train) continue;
    const teeth = trainTeeth(train);
    if (best && best.teeth <= teeth) continue;
    best = { ratio, stages, steps, mode, teeth, misses: missed(divisions, BigInt(steps)) };
  }
  return best ? [best] : [];
}

const missed = (divisions: readonly bigint[], steps: bigint): readonly bigint[] =>
  divisions.filter((d) => steps % d !== 0n);

/** Without limits on the steps: driven products in the order of what they could bring at most, and their drivers. */
function* freeSteps(bench: Workbench, sets: WheelSets, question: DivisionsQuestion): Search<MissesFound> {
  const { maxStages, count } = question;
  const found = new Map<string, EvenRatio>();
  const sorted = (): readonly EvenRatio[] => [...found.values()].sort(compareRows).slice(0, count);
  const wanted = question.divisions.map(Number);
  const tables = new Map<string, Reach>();
  for (let hits = wanted.length - 1; hits > 0; hits--)
    for (let stages = 1; stages <= maxStages; stages++) {
      for (const shape of bench.shapes(stages)) {
        const reach = tables.get(shapeKey(shape)) ?? reachOf(bench, shape, question, wanted);
        tables.set(shapeKey(shape), reach);
        for (const [i, a] of reach.driven.entries()) {
          if (i % 512 === 511 && (yield { stages, done: i, of: reach.driven.length }))
            return { rows: sorted(), proven: false };
          if (reach.atMost[i]! < hits) continue;
          for (const steps of reach.stepsOf(a, hits)) {
            const key = `${stages} ${steps}`;
            if (found.has(key)) continue;
            for (const row of rowOf(bench, sets, question, steps, stages)) found.set(key, row);
          }
        }
      }
      if (found.size >= count) return { rows: sorted(), proven: true };
    }
  return { rows: sorted(), proven: true };
}

/** The driven products of a shape, and for each how many divisions it could bring at most. */
interface Reach {
  readonly driven: Products;
  readonly atMost: Uint16Array;
  /** counts of steps with exactly so many hits that some drivers leave */
  readonly stepsOf: (driven: number, hits: number) => Iterable<number>;
}

function reachOf(
  bench: Workbench,
  shape: Shape,
  { fullSteps, modes, steps: [low, high] }: DivisionsQuestion,
  wanted: readonly number[],
): Reach {
  const { driven } = bench.products(shape).at(-1)!;
  const { drivers } = bench.products(shape)[0]!;
  const place = places(drivers);
  const most = drivers.at(-1) ?? 0;
  const [n, d] = [Number(shape.partsRatio.n), Number(shape.partsRatio.d)];
  const all = Number(lcm(modes.map((m) => BigInt(m * fullSteps)))) * n;
  if ((driven.at(-1) ?? 0) * all > LARGEST_PRODUCT) throw new RangeError('these products pass what is exact');
  const hits = hitsIn(wanted);
  return {
    driven,
    atMost: Uint16Array.from(driven, (a) => hits(a * all)),
    *stepsOf(a, exactly) {
      for (const mode of modes) {
        const above = a * fullSteps * mode * n;
        if (above % d !== 0) continue;
        const whole = above / d;
        if (hits(whole, exactly) < exactly) continue;
        for (const b of divisorsUpTo(whole, most, bench.primes)) {
          const steps = whole / b;
          if (place(b) < 0 || hits(steps, exactly) !== exactly) continue;
          if (low && BigInt(steps) * low.d < low.n) continue;
          if (high && BigInt(steps) * high.d > high.n) continue;
          yield steps;
        }
      }
    },
  };
}

const shapeKey = ({ pairs, parts }: Shape): string => `${pairs.join(' ')} ${JSON.stringify(parts)}`;
