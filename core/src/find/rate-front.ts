import { abs } from '../numbers/index.ts';
import { WheelSets } from './wheel-sets.ts';
import type { Workbench } from './kit.ts';
import {
  compareRates,
  searchRate,
  type RateFound,
  type RateQuestion,
  type RateRow,
} from './rate-question.ts';
import type { Search } from './search.ts';
import { staircase } from './staircase.ts';
import { bestTrain, trainLargest, trainTeeth, type FoundTrain } from './trains.ts';

/** The Pareto front of |rate error|, stages, teeth and largest wheel. (handbook: find) */
export function* searchRateFront(
  bench: Workbench,
  sets: WheelSets,
  question: RateQuestion,
): Search<RateFound> {
  const front: Fronted[] = [];
  const walked: RateFound['walked'][number][] = [];
  const limited = new Map([[Infinity, sets]]);
  let stopped = false;
  for (let stages = 1; stages <= question.maxStages; stages++) {
    let products = 0;
    const steps = yield* staircase<Fronted>(
      Infinity,
      bench.keptLargest,
      function* (mostTeeth, mostWheel, known) {
        if (stopped) return null;
        const own = limited.get(mostWheel) ?? new WheelSets(bench, mostWheel);
        limited.set(mostWheel, own);
        const found: RateFound = yield* searchRate(bench, own, {
          ...question,
          leastStages: stages,
          maxStages: stages,
          count: 1,
          mostTeeth,
          mostWheel,
          // nothing worse than what is known already
          cap: known ? abs(known.error) : question.cap,
        });
        stopped = found.walked.some((w) => !w.proven);
        products = Math.max(products, found.walked[0]?.products ?? 0);
        const [row] = found.rows;
        const train = !stopped && row ? bestTrain(bench, own, row.ratio, stages) : null;
        if (!row || !train) return known;
        return { ...row, train, teeth: trainTeeth(train), largest: trainLargest(train) };
      },
    );
    front.push(...steps);
    walked.push({ stages, products, proven: !stopped });
  }
  return { rows: front.sort(compareRates), walked };
}

type Fronted = RateRow & { readonly largest: number; readonly train: FoundTrain };
