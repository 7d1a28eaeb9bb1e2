import type { Train } from './drive.ts';
import type { Stage } from './stages/index.ts';

/** So many equal stages in a row are shown as one. */
const FOLDED_FROM = 3;

/** A stage of a folded train: the first of `count` equal ones that follow one another, `at` in the whole train. */
export interface StageRun {
  readonly at: number;
  readonly count: number;
}

/** What makes stages equal: all but what they are called. */
const sameness = ({ name: _, ...stage }: Stage): string => JSON.stringify(Object.entries(stage).sort());

/** The stages of a train, long rows of equal ones as one run; every stage by itself where `fold` is false. */
export function stageRuns({ stages }: Pick<Train, 'stages'>, fold = true): readonly StageRun[] {
  const runs: StageRun[] = [];
  for (let at = 0; at < stages.length;) {
    const key = sameness(stages[at]!);
    let count = 1;
    while (at + count < stages.length && sameness(stages[at + count]!) === key) count++;
    if (fold && count >= FOLDED_FROM) runs.push({ at, count });
    else for (let i = 0; i < count; i++) runs.push({ at: at + i, count: 1 });
    at += count;
  }
  return runs;
}

/** For each shaft of a folded train the shaft of the whole one: the source's, then the one behind each run. */
export const shaftsOfRuns = (runs: readonly StageRun[]): readonly number[] => [
  0,
  ...runs.map(({ at, count }) => at + count),
];
