export { choose, sequences, type Chosen, type Judged, type Met } from './choose.ts';
export type { Candidate, Had } from './candidate.ts';
export { measureIds, measureOf, USUAL_MEASURES, type Measure, type MeasureId } from './measures.ts';
export { placesOf, undominated } from './better.ts';
export { poolOf, POOLS, wantedOf, type ChoosePool, type PoolAsked, type PoolFrom } from './pool.ts';
export {
  MAX_CHOOSE_STAGES,
  MAX_MEASURES,
  type ChooseRequest,
  type SourceChoice,
  type StageChoice,
  type Stock,
} from './request.ts';
export type { AskingId, Bound, Window } from './window.ts';
export {
  answerOf,
  chooseReport,
  chosenOf,
  type ChooseAnswer,
  type ChooseColumn,
  type ChooseReport,
  type ChooseRow,
} from './report.ts';
export {
  askingWords,
  chooseCertificate,
  decides,
  droppedOf,
  tellMeasure,
  type Dropped,
  type Told,
} from './words.ts';
