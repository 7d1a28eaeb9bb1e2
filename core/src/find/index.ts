export { labelInterval, ratioInterval, simplestIn, type Interval, type TurnCount } from './true-ratio.ts';
export { pairTrains, type PairTrain, type Teeth } from './wheel-pairs.ts';
