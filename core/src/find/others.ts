import { exactly } from '../numbers/index.ts';
import type { FoundRow } from './answer.ts';
import { WheelSets } from './wheel-sets.ts';
import { Workbench } from './kit.ts';
import type { FindRequest } from './request.ts';
import { rowOf } from './rows.ts';
import { otherTrains } from './trains.ts';

/** Other trains of a row's ratio with as many stages, best first: a ratio can have thousands. (handbook: find) */
export function findOthers(request: FindRequest, row: FoundRow, count: number): readonly FoundRow[] {
  const bench = new Workbench(request.kit);
  const ratio = exactly(row.ratio);
  return otherTrains(bench, new WheelSets(bench), ratio, row.stages, count).map((train) => ({
    ...row,
    ...pick(rowOf(bench, train, { kind: row.kind, ratio })),
  }));
}

/** What differs between two trains of one ratio. */
const pick = ({ driven, drivers, train, teeth, largest, owned, wheels, cost }: FoundRow) => ({
  driven,
  drivers,
  train,
  teeth,
  largest,
  owned,
  wheels,
  cost,
});
