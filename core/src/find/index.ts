export {
  labelInterval,
  middleOf,
  ratioInterval,
  simplestIn,
  type Interval,
  type TurnCount,
} from './true-ratio.ts';
export { MAX_WHEEL_SETS, pairTrains, wheelSets, type PairTrain, type Teeth } from './wheel-pairs.ts';
export type { FindAnswer, FoundRow, Gone, Reason, RowKind } from './answer.ts';
export { findAfter } from './after.ts';
export { find } from './find.ts';
export { compareFound, joined, unbeaten } from './join.ts';
export type { Family, Kit, PairLimits, PoolWheel } from './kit.ts';
export { ownOf, stageWheels, type FixedPart } from './parts.ts';
export {
  MAX_FIND_COUNT,
  MAX_FIND_STAGES,
  stagesRefused,
  type Asked,
  type Between,
  type FindRequest,
  type Rank,
} from './request.ts';
export { run, runNow, type Progress, type Search, type Signal } from './search.ts';
export { capOf, findShare } from './share.ts';
export type { Share } from './ratio-question.ts';
export { findForm, type FindForm } from './form.ts';
export { branchesAsked, requestFor } from './for-drive.ts';
export { kitOf, type Pool } from './pool.ts';
export { findOthers } from './others.ts';
export { twoBranches, type TwoAsked, type TwoBranches, type TwoPair } from './two-branches.ts';
export { workersFor } from './workers.ts';
