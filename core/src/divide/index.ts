export { CURE_WHEELS, cures, type Cure, type Owns, type WheelRange } from './cures.ts';
export {
  counterOf,
  divide,
  dividerOf,
  microstepArcsec,
  stepsToArcsec,
  worstErrorOf,
  type Divider,
  type Division,
} from './divisions.ts';
export {
  crankTurns,
  errorSeries,
  MAX_CHARTED,
  MAX_ROWS,
  targetAt,
  worstMove,
  type Target,
} from './targets.ts';
export {
  columnsOf,
  exponentsOf,
  ledger,
  LISTED_DEMANDS,
  needOf,
  wheelsWith,
  type Exponents,
  type Ledger,
} from './ledger.ts';
export { asksOf, worthChasing, type Asks } from './asks.ts';
export { countMap } from './map.ts';
export { judgeMove, type JudgedMove } from './moves.ts';
export {
  compoundMoves,
  movementOf,
  pairsOf,
  simpleMoves,
  smallestCircle,
  sumOf,
  turnsOf,
  type CompoundMove,
  type PlateSet,
  type SimpleMove,
} from './plates/moves.ts';
export { differentials, differentialSum, wheelRatios, type Differential } from './plates/differential.ts';
export { newPlates, plateChart, type NewPlate, type NewPlates, type PlateAnswer } from './plates/chart.ts';
export { coordinates, makingList, readingError, repeatsAfter, type MakingRow } from './plates/making.ts';
