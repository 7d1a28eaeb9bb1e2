import { div, mul, rational, toText, type Rational } from '../numbers/index.ts';
import type { FindAnswer, FoundRow, Gone } from './answer.ts';
import type { Met } from './best.ts';
import { searchEven } from './divisions-question.ts';
import type { DivisionsQuestion } from './even-rows.ts';
import { FRONT_CAP, searchFront } from './front.ts';
import { WheelSets } from './wheel-sets.ts';
import { Workbench } from './kit.ts';
import { pairsAsParts, searchList } from './list-question.ts';
import { searchRateFront } from './rate-front.ts';
import { searchRate, searchRateByStages, type RateQuestion } from './rate-question.ts';
import { searchRatio, type RatioQuestion, type Share, type Walked } from './ratio-question.ts';
import { LONG_LIST, WIDE_STAGES, type Asked, type FindRequest } from './request.ts';
import { evenRow, rowOf } from './rows.ts';
import type { Search } from './search.ts';
import { bestTrain, NO_PAIRS, type FoundTrain } from './trains.ts';

/**
 * One of several workers' part of a search. `joined` puts the parts together, and then `findAfter` adds what can only be asked when
 * all are in: what misses least, what comes near, and why there is nothing.
 */
export function* findShare(request: FindRequest, share: Share): Search<FindAnswer> {
  const bench = new Workbench(request.kit);
  const sets = new WheelSets(bench);
  const { asked } = request;
  const found =
    asked.question === 'ratio'
      ? yield* findRatio(bench, sets, request, asked, share)
      : asked.question === 'divisions'
        ? yield* findDivisions(bench, sets, request, asked, share)
        : yield* findRate(bench, sets, request, asked, share);
  return { ...found, proven: found.gone.every((g) => g.proven), reason: null };
}

type Found = Pick<FindAnswer, 'rows' | 'gone'>;

/** No |error| above this is wanted, as a part of 1. */
export const capOf = ({ maxErrorPpm, rank }: FindRequest): Rational | null =>
  maxErrorPpm ? mul(maxErrorPpm, rational(1, 1_000_000)) : rank === 'pareto' ? FRONT_CAP : null;

function* findRatio(
  bench: Workbench,
  sets: WheelSets,
  request: FindRequest,
  { target }: Extract<Asked, { question: 'ratio' }>,
  share: Share,
): Search<Found> {
  const question: RatioQuestion = {
    target,
    maxStages: request.maxStages,
    count: request.count,
    cap: capOf(request),
    between: request.ratio,
    share,
  };
  const best: Met[] = [];
  const gone: Gone[] = [];
  if (request.rank !== 'pareto') {
    const found = yield* bestOf(bench, question, share);
    best.push(...found.best);
    gone.push(...found.walked.map(goneOf));
  }
  if (request.rank !== 'best') {
    const found = yield* searchFront(bench, sets, {
      targets: share.index === 0 ? [target] : [],
      // lists with what is behind each product are held whole
      maxStages: Math.min(request.maxStages, WIDE_STAGES),
      cap: question.cap ?? FRONT_CAP,
      between: request.ratio,
      mostTeeth: Infinity,
      bySize: true,
    });
    best.push(...found.best);
    if (gone.length === 0) gone.push(...found.walked.map(goneOf));
  }
  return { rows: best.flatMap((m) => ratioRow(bench, sets, request, m)), gone };
}

/** By walking products, or by the list of stages when that is what the parts are. */
function* bestOf(bench: Workbench, question: RatioQuestion, share: Share) {
  const asList =
    bench.parts.length > LONG_LIST && !bench.kit.mustHold && (bench.held.length === 0 || bench.unlimited);
  if (!asList) return yield* searchRatio(bench, question);
  const pairs = bench.kit.families.flatMap((f) =>
    pairsAsParts(
      f,
      f.wheels.map((w) => w.teeth),
    ),
  );
  const kept = bench.keptRatio;
  const found = yield* searchList(share.index === 0 ? [...bench.parts, ...pairs] : [], {
    ...question,
    target: div(question.target, kept),
    between: [divided(question.between[0], kept), divided(question.between[1], kept)],
  });
  return {
    ...found,
    best: found.best.map((m) => ({ ...m, ratio: mul(m.ratio, kept), shape: bench.withKept(m.shape) })),
  };
}

const divided = (limit: Rational | null, by: Rational): Rational | null => limit && div(limit, by);

const goneOf = (w: Walked): Gone => ({ ...w, trains: null, steps: null });

function ratioRow(
  bench: Workbench,
  sets: WheelSets,
  { source }: FindRequest,
  m: Met & { readonly train?: FoundTrain },
): readonly FoundRow[] {
  const train = m.train ?? (isListed(bench, m) ? listed(m) : bestTrain(bench, sets, m.ratio, m.shape.stages));
  if (!train) return [];
  const mode = source && source.modes.reduce((a, b) => Math.min(a, b));
  const steps = source && mode ? toText(mul(rational(source.fullSteps * mode), m.ratio)) : null;
  return [rowOf(bench, train, { kind: 'ratio', ratio: m.ratio, error: m.error, steps, mode })];
}

/** A list of stages has no pairs to choose: what was met is the train. */
const isListed = (bench: Workbench, m: Met): boolean =>
  bench.parts.length > LONG_LIST && m.shape.pairCount === 0;

const listed = (m: Met): FoundTrain => ({
  shape: m.shape,
  pairs: NO_PAIRS,
});

function* findDivisions(
  bench: Workbench,
  sets: WheelSets,
  request: FindRequest,
  asked: Extract<Asked, { question: 'divisions' }>,
  share: Share,
): Search<Found> {
  const { rows, ofModes, counts } = yield* searchEven(bench, divisionsQuestion(request, asked, share));
  const chosen = request.rank === 'best' ? rows : request.rank === 'pareto' ? ofModes : [...rows, ...ofModes];
  return {
    rows: chosen.flatMap((row) => evenRow(bench, sets, row)),
    gone: counts.map((c) => ({
      stages: c.stages,
      proven: c.proven,
      products: c.products,
      looked: 0,
      refused: 0,
      trains: String(c.trains),
      outside: c.outside,
      steps: c.seen.length,
      seen: c.seen,
    })),
  };
}

export const divisionsQuestion = (
  { source, maxStages, count, steps }: FindRequest,
  { divisions }: Extract<Asked, { question: 'divisions' }>,
  share: Share,
): DivisionsQuestion => ({ divisions, ...source!, maxStages, count, steps, share });

function* findRate(
  bench: Workbench,
  sets: WheelSets,
  request: FindRequest,
  asked: Extract<Asked, { question: 'rate' }>,
  share: Share,
): Search<Found> {
  const widest = asked.bits === null ? Number.MAX_SAFE_INTEGER : 2 ** asked.bits - 1;
  const [least, most] = request.interval ?? [1, widest];
  const question: RateQuestion = {
    ticksPerTurn: mul(asked.tickHz, asked.periodSeconds),
    ...request.source!,
    leastStages: 1,
    maxStages: request.maxStages,
    count: request.count,
    mostTeeth: Infinity,
    mostWheel: Infinity,
    cap: capOf(request) ?? FRONT_CAP,
    steps: request.steps,
    interval: [least, Math.min(most, widest)],
    share,
  };
  const rows = [];
  const gone: Gone[] = [];
  const searches = [
    ...(request.rank === 'best' ? [searchRate] : []),
    ...(request.rank === 'both' ? [searchRateByStages] : []),
    ...(request.rank === 'pareto' ? [searchRateFront] : []),
  ];
  for (const search of searches) {
    const found = yield* search(bench, sets, question);
    rows.push(...found.rows);
    if (gone.length === 0)
      gone.push(...found.walked.map((w) => ({ ...w, looked: 0, refused: 0, trains: null, steps: null })));
  }
  const found = rows.flatMap((row): readonly FoundRow[] => {
    const train = row.train ?? bestTrain(bench, sets, row.ratio, row.stages);
    if (!train) return [];
    const { ratio, error, mode, intervalTicks } = row;
    const steps = toText(row.steps);
    return [rowOf(bench, train, { kind: 'rate', ratio, error, steps, mode, intervalTicks })];
  });
  return { rows: found, gone };
}
