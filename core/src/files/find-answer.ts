import type { FindAnswer, FindRequest, FoundRow } from '../find/index.ts';
import { doubtKeys, doubtOfStages } from '../motion/index.ts';
import { findCertificate, reasonMessage } from '../report/index.ts';

/** What `pendrix find --json` prints. Exact quantities are text. (docs: formats) */
export function findAnswer(request: FindRequest, answer: FindAnswer): object {
  const divisionsAsked = request.asked.question === 'divisions';
  return {
    proven: answer.proven,
    results: answer.rows.map((row) => rowAnswer(row, divisionsAsked)),
    count: divisionsAsked
      ? Object.fromEntries(answer.gone.map((g) => [g.stages, { trains: g.trains, steps: g.steps }]))
      : {},
    reason: answer.reason && reasonMessage(request, answer.reason),
    certificate: {
      message: findCertificate(request, answer),
      stages: answer.gone.map(({ stages, proven, products, looked, refused: no }) => ({
        stages,
        proven,
        products,
        looked,
        refused: no,
      })),
    },
  };
}

const rowAnswer = (row: FoundRow, divisionsAsked: boolean): object => ({
  kind: row.kind,
  ratio: row.ratio,
  steps: row.steps,
  mode: row.mode,
  error: row.error ?? (divisionsAsked && row.misses.length === 0 ? '0' : null),
  misses: row.misses.map(Number),
  intervalTicks: row.intervalTicks,
  driven: row.driven,
  drivers: row.drivers,
  stages: row.train,
  teeth: row.teeth,
  owned: row.owned,
  wheels: row.wheels,
  idleOf: row.idleOf,
  largest: row.largest,
  ...doubtKeys(doubtOfStages(row.train)),
});
