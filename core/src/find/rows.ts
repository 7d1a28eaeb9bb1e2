import { toText, type Rational } from '../numbers/index.ts';
import type { Stage } from '../drive/index.ts';
import type { FoundRow, RowKind } from './answer.ts';
import type { EvenRatio } from './even-rows.ts';
import type { WheelSets } from './wheel-sets.ts';
import { pairStage, type Workbench } from './kit.ts';
import { ownOf, toothed, type FixedPart } from './parts.ts';
import { bestTrain, trainLargest, trainTeeth, type FoundTrain } from './trains.ts';

/** What is known of a train beside its wheels. */
export interface RowFacts {
  readonly kind: RowKind;
  readonly ratio: Rational;
  readonly error?: Rational;
  readonly steps?: string | null;
  readonly mode?: number | null;
  readonly misses?: readonly bigint[];
  readonly intervalTicks?: number;
  readonly idleOf?: number | null;
}

/** A train and what is known of it, as plain data. */
export function rowOf(bench: Workbench, train: FoundTrain, facts: RowFacts): FoundRow {
  const { shape, pairs } = train;
  const parts = shape.parts.map((p) => toothed(p.stage));
  const wheels = 2 * shape.pairCount + shape.parts.length;
  return {
    kind: facts.kind,
    ratio: toText(facts.ratio),
    stages: shape.stages,
    driven: [...pairs.driven.map((w) => w.teeth), ...parts.flatMap((p) => p.driven)],
    drivers: [...pairs.drivers.map((w) => w.teeth), ...parts.flatMap((p) => p.drivers)],
    train: stagesOf(bench, train),
    teeth: trainTeeth(train),
    largest: trainLargest(train),
    owned: wheels - pairs.bought - notOwned(shape.parts),
    cost: pairs.cost,
    wheels,
    error: facts.error ? toText(facts.error) : null,
    steps: facts.steps ?? null,
    mode: facts.mode ?? null,
    misses: (facts.misses ?? []).map(String),
    intervalTicks: facts.intervalTicks ?? null,
    idleOf: facts.idleOf ?? null,
  };
}

/** How many parts of a train are not owned. */
function notOwned(parts: readonly FixedPart[]): number {
  let out = 0;
  for (const part of new Set(parts)) out += Math.max(0, parts.filter((p) => p === part).length - ownOf(part));
  return out;
}

function stagesOf(bench: Workbench, { shape, pairs }: FoundTrain): readonly Stage[] {
  const { first, last } = bench.kept;
  return [
    ...first,
    ...pairs.driven.map((driven, i) =>
      pairStage(bench.kit.families[driven.family]!, pairs.drivers[i]!.teeth, driven.teeth),
    ),
    ...shape.parts.filter((p) => !bench.keeps(p)).map((p) => p.stage),
    ...last,
  ];
}

/** The row of a ratio that comes out even, or misses some; none when no wheels make it. */
export function evenRow(bench: Workbench, sets: WheelSets, row: EvenRatio): readonly FoundRow[] {
  const train = bestTrain(bench, sets, row.ratio, row.stages);
  if (!train) return [];
  let idleOf: number | null = null;
  for (let fewer = 1; fewer < row.stages && idleOf === null; fewer++)
    if (bestTrain(bench, sets, row.ratio, fewer)) idleOf = fewer;
  return [
    rowOf(bench, train, {
      kind: row.misses.length > 0 ? 'misses' : 'even',
      ratio: row.ratio,
      steps: String(row.steps),
      mode: row.mode,
      misses: row.misses,
      idleOf,
    }),
  ];
}
