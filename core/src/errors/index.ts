export { ARCSEC_PER_RADIAN } from './term.ts';
export {
  budget,
  cancels,
  errorTerms,
  perPlace,
  preloadHolds,
  type Budget,
  type BudgetRow,
  type Taker,
} from './budget.ts';
export { reachOf, resolutionOf, worstAt, type Reach, type Resolution } from './reach.ts';
export { sampleOf, turningParts, type Sample, type Turning } from './samples.ts';
export type { ErrorTerm, KnownFrom, TermField, TermKind, TermValue } from './term.ts';
export { movedIn, movingOf, type Moving } from './seen.ts';
export { motionOf, runningWaves, wavesOf, type Wave } from './waves.ts';
