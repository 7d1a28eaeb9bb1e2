import { isZero, lcm, mul, rational, toText, type Rational } from '../numbers/index.ts';
import type { FindAnswer, FoundRow } from './answer.ts';
import { capOf, divisionsQuestion, findShare } from './share.ts';
import { searchFront } from './front.ts';
import { WheelSets } from './wheel-sets.ts';
import { joined, ordered, unbeaten } from './join.ts';
import { Workbench, type Kit } from './kit.ts';
import { searchMisses } from './misses-question.ts';
import { partLargest } from './parts.ts';
import { WHOLE } from './ratio-question.ts';
import { reasonOf } from './reason.ts';
import type { FindRequest } from './request.ts';
import { evenRow, rowOf } from './rows.ts';
import type { Search } from './search.ts';

/** So many multiples of the divisions, times modes, are tried to come near to. */
const MAX_TARGETS = 600;
/** Products to walk, times targets, beyond which what only comes near is not worth the wait. */
const MAX_WORK = 40_000_000;
/** More ways to share out the stages than this take too long as well. */
const MAX_SHAPES = 5_000;
/** A candidate of a kit with limits takes so many times the time of one without. */
const HELD = 12;
/** With more pairs than these a train that only nearly comes out even is no saving. */
const NEAR_STAGES = 3;

/** What can only be asked when the whole search is in. A search that was stopped gets nothing more. */
export function* findAfter(request: FindRequest, answer: FindAnswer): Search<FindAnswer> {
  if (!answer.proven) return answer;
  const bench = new Workbench(request.kit);
  const sets = new WheelSets(bench);
  const more: FoundRow[] = [];
  let proven = true;
  if (request.asked.question === 'divisions') {
    if (answer.rows.length === 0) {
      const missed = yield* searchMisses(bench, sets, divisionsQuestion(request, request.asked, WHOLE));
      more.push(...missed.rows.flatMap((row) => evenRow(bench, sets, row)));
      ({ proven } = missed);
    }
    if (request.rank !== 'best')
      more.push(...(yield* near(bench, sets, request, request.asked.divisions, answer.rows)));
  }
  if (request.rank !== 'best') {
    let found: Part = { rows: [], proven: true };
    // the search for a rate itself looks for the least errors alone; that for a ratio has its front already
    if (request.asked.question === 'rate' && request.rank === 'both')
      found = yield* findShare({ ...request, rank: 'pareto' }, WHOLE);
    if (request.asked.question === 'divisions') found = yield* withSmallerWheels(request, answer.rows);
    more.push(...found.rows);
    proven &&= found.proven;
  }
  const rows = more.length > 0 ? ordered(request, [...answer.rows, ...more]) : answer.rows;
  const reason = reasonOf(bench, request, { ...answer, rows });
  if (reason?.why !== 'nothingNear') return { ...answer, rows, proven, reason };
  return { ...answer, rows, proven, reason: { ...reason, nearest: yield* nearest(request) } };
}

type Part = Pick<FindAnswer, 'rows' | 'proven'>;

/**
 * What nothing beats when the largest wheel counts too: the front again with only wheels below the largest that it took, until
 * none is left. What takes a wheel between two of these limits is beaten by the front of the greater one.
 */
function* withSmallerWheels(request: FindRequest, known: readonly FoundRow[]): Search<Part> {
  const rows: FoundRow[] = [];
  const floor = new Workbench(request.kit).keptLargest;
  let front: readonly FoundRow[] = known.filter(
    (r) => r.kind !== 'misses' && r.kind !== 'near' && unbeaten(r, known, false),
  );
  while (front.length > 0) {
    const most = Math.max(...front.map((r) => r.largest)) - 1;
    if (most < floor) break;
    const kit = below(request.kit, most);
    if (kit.families.every((f) => f.wheels.length === 0) && kit.parts.length === 0) break;
    const found = yield* findShare({ ...request, kit, rank: 'pareto' }, WHOLE);
    rows.push(...found.rows);
    if (!found.proven) return { rows, proven: false };
    front = found.rows;
  }
  return { rows, proven: true };
}

/** A kit without any wheel of more teeth; the stages that are kept stay, whatever is in them. */
const below = (kit: Kit, most: number): Kit => ({
  ...kit,
  families: kit.families.map((f) => ({ ...f, wheels: f.wheels.filter((w) => w.teeth <= most) })),
  parts: kit.parts.filter((p) => partLargest(p) <= most),
});

/** The nearest miss when nothing was near enough. */
function* nearest(request: FindRequest): Search<FoundRow | null> {
  const wider: FindRequest = {
    ...request,
    // the rate needs some cap to end: twice the rate is no rate at all
    maxErrorPpm: request.asked.question === 'rate' ? rational(500_000) : null,
    ratio: [null, null],
    rank: 'best',
    count: 1,
  };
  const found = yield* findShare(wider, WHOLE);
  return joined(wider, [found]).rows[0] ?? null;
}

/** Trains with fewer teeth than any that comes out even, whose steps a turn are nearly a multiple of what the divisions want. */
function* near(
  bench: Workbench,
  sets: WheelSets,
  request: FindRequest,
  divisions: readonly bigint[],
  even: readonly FoundRow[],
): Search<readonly FoundRow[]> {
  const cap = capOf(request);
  if (!cap) return [];
  const targets = targetsOf(request, lcm(divisions));
  if (workOf(bench, request.maxStages) * targets.size > MAX_WORK) return [];
  const { best } = yield* searchFront(bench, sets, {
    targets: [...targets.values()].map((t) => t.target),
    maxStages: Math.min(request.maxStages, NEAR_STAGES),
    cap,
    between: request.ratio,
    mostTeeth: even.reduce((n, r) => Math.min(n, r.teeth), Infinity) - 1,
    bySize: false,
  });
  return best.flatMap((m) => {
    const { train } = m;
    const { mode } = targets.get(toText(m.target))!;
    if (isZero(m.error)) return [];
    const steps = toText(mul(rational(request.source!.fullSteps * mode), m.ratio));
    return [
      rowOf(bench, train, { kind: 'near', ratio: m.ratio, error: m.error, steps, mode, misses: divisions }),
    ];
  });
}

/** How many products a walk over all shapes goes through, weighed by how long each takes. */
function workOf(bench: Workbench, maxStages: number): number {
  let products = 0;
  for (let stages = 1; stages <= Math.min(maxStages, NEAR_STAGES); stages++) {
    if (bench.shapeCount(stages) > MAX_SHAPES) return MAX_WORK + 1;
    for (const shape of bench.shapes(stages))
      for (const { driven, drivers } of bench.products(shape)) {
        products += driven.length + drivers.length;
        if (products > MAX_WORK) return products;
      }
  }
  return products * (bench.unlimited ? 1 : HELD);
}

/** The ratios with which some multiple of the divisions within the limits is the steps a turn, each with its coarsest mode. */
function targetsOf(
  { steps: [low, high], source }: FindRequest,
  divisor: bigint,
): ReadonlyMap<string, { readonly target: Rational; readonly mode: number }> {
  const targets = new Map<string, { readonly target: Rational; readonly mode: number }>();
  if (!high || !source) return targets;
  const first = low ? (low.n + low.d * divisor - 1n) / (low.d * divisor) : 1n;
  const modes = [...source.modes].sort((a, b) => a - b);
  for (let times = first; times * divisor * high.d <= high.n && targets.size < MAX_TARGETS; times++)
    for (const mode of modes) {
      const target = rational(times * divisor, source.fullSteps * mode);
      if (!targets.has(toText(target))) targets.set(toText(target), { target, mode });
    }
  return targets;
}
