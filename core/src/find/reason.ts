import {
  compare,
  div,
  factors,
  gcd,
  lcm,
  mul,
  rational,
  toText,
  toNumber,
  type Rational,
} from '../numbers/index.ts';
import type { FindAnswer, Reason } from './answer.ts';
import type { Workbench } from './kit.ts';
import { partRatio } from './parts.ts';
import type { FindRequest } from './request.ts';

/** Most driven wheels that are looked for when it is said how many would do. */
const MAX_LOOKED_FOR = 8;

/** Why a proven answer is empty, or only nearly what was asked; null when it is what was asked. (handbook: find) */
export function reasonOf(
  bench: Workbench,
  request: FindRequest,
  answer: Pick<FindAnswer, 'rows' | 'gone'>,
): Reason | null {
  if (bench.held.length === 0 && bench.parts.length === 0) return { why: 'nothingToBuildFrom' };
  const { asked } = request;
  if (asked.question === 'divisions') return divisionsReason(bench, request, asked.divisions, answer);
  if (answer.rows.length > 0) return null;
  if (asked.question === 'ratio') {
    const { least, most } = bench.span;
    const kept = toNumber(bench.keptRatio);
    const [low, high] = [kept * least ** request.maxStages, kept * most ** request.maxStages];
    const target = toNumber(asked.target);
    if (target > high || target < Math.min(low, kept))
      return { why: 'outOfReach', least: low, most: high, stages: request.maxStages };
  }
  return (asked.question === 'rate' && clockReason(request, asked)) || { why: 'nothingNear', nearest: null };
}

/** Does the controller forbid all that the range of steps allows? Then that is the reason, whatever the wheels are. */
function clockReason(
  { interval, steps: [low, high] }: FindRequest,
  asked: Extract<FindRequest['asked'], { question: 'rate' }>,
): Reason | null {
  const ticks = mul(asked.periodSeconds, asked.tickHz);
  const { bits } = asked;
  const most = interval?.[1] ?? (bits === null ? null : 2 ** bits - 1);
  const least = most === null ? null : div(ticks, rational(most));
  if (bits !== null && least && high && compare(high, least) < 0)
    return { why: 'counterForbids', least: String((least.n + least.d - 1n) / least.d), bits };
  const fastest = interval ? div(ticks, rational(interval[0])) : null;
  return fastest && low && compare(low, fastest) > 0
    ? { why: 'speedForbids', most: String(fastest.n / fastest.d) }
    : null;
}

function divisionsReason(
  bench: Workbench,
  request: FindRequest,
  divisions: readonly bigint[],
  { gone, rows }: Pick<FindAnswer, 'rows' | 'gone'>,
): Reason | null {
  if (rows.some((r) => r.kind === 'even')) return null;
  const evenSomewhere = gone.find((g) => g.outside);
  if (evenSomewhere)
    return { why: 'stepsOutside', steps: rangeText(request.steps), stages: evenSomewhere.stages };
  const { fullSteps, modes } = request.source!;
  const need = missingOf(
    lcm(divisions),
    modes.map((m) => BigInt(m * fullSteps) * bench.keptRatio.n),
  );
  const drivers = suppliers(bench);
  const primes = [...factors(need)].filter(([p]) => !drivers.some((d) => d % p === 0n));
  if (primes.length > 0) return { why: 'primesMissing', primes: primes.map(([p]) => String(p)) };
  const stages = fewestDriven(need, drivers);
  if (stages > request.maxStages)
    return { why: 'tooFewStages', primes: essential(need, drivers, stages).map(String), stages };
  return { why: 'cannotCancel' };
}

const rangeText = ([low, high]: readonly [Rational | null, Rational | null]): string =>
  [low ? toText(low) : '', high ? toText(high) : ''].join('–');

/** What of the divisions no mode of the motor brings. */
export const missingOf = (divisor: bigint, perMode: readonly bigint[]): bigint =>
  divisor / gcd(divisor, lcm(perMode));

/** What one stage can bring: driven wheels, and what the parts multiply by. */
const suppliers = (bench: Workbench): readonly bigint[] => [
  ...bench.held.filter((w) => w.own > 0 || w.buy).map((w) => BigInt(w.teeth)),
  ...bench.parts.map((p) => partRatio(p).n),
];

/** The primes without which fewer stages would do: those that each need a wheel of their own. All of them when no one alone decides. */
function essential(need: bigint, suppliers: readonly bigint[], stages: number): readonly bigint[] {
  const all = [...factors(need)];
  const decide = all.filter(([p, e]) => fewestDriven(need / p ** BigInt(e), suppliers) < stages);
  return (decide.length > 0 ? decide : all).map(([p]) => p);
}

/** The fewest stages that together bring every factor of a number; more than is ever built when not even those do. */
function fewestDriven(need: bigint, suppliers: readonly bigint[]): number {
  let open = new Set([need]);
  for (let stages = 0; stages <= MAX_LOOKED_FOR; stages++) {
    if (open.has(1n)) return stages;
    const next = new Set<bigint>();
    for (const rest of open) {
      // the largest prime must be brought by someone: only those who do are tried
      const largest = [...factors(rest).keys()].at(-1)!;
      for (const s of suppliers) if (s % largest === 0n) next.add(rest / gcd(rest, s));
    }
    open = next;
  }
  return MAX_LOOKED_FOR + 1;
}
