export { choose, sequences, type Chosen, type Judged, type Met } from './choose.ts';
export {
  candidateOf,
  driveOf,
  driveWith,
  inMode,
  misfits,
  nameOf,
  takenFrom,
  type Candidate,
} from './candidate.ts';
export { chooseForm, chooseRequestFor, standing, type ChooseForm } from './form.ts';
export { measureIds, measureOf, USUAL_MEASURES, type MeasureId } from './measures.ts';
export { placesOf, undominated } from './better.ts';
export { besideOf, variantsOf, type Beside, type Variant } from './beside.ts';
export { conflictMessage, turnsOf } from './turns.ts';
export { poolOf, POOLS, wantedOf, type ChoosePool, type PoolAsked, type PoolFrom } from './pool.ts';
export { MAX_CHOOSE_STAGES, MAX_MEASURES, type ChooseRequest } from './request.ts';
export {
  hadBy,
  hadTogether,
  type Had,
  type SourceChoice,
  type StageChoice,
  type Stock,
  type StockOf,
} from './stock.ts';
export { windowsOf, type AskingId, type Bound, type Window } from './window.ts';
export {
  answerOf,
  chooseReport,
  chooseTable,
  chosenOf,
  type ChooseAnswer,
  type ChooseColumn,
  type ChooseReport,
  type ChooseRow,
} from './report.ts';
export { chooseCertificate, decides, droppedOf, tellMeasure, type Dropped, type Told } from './words.ts';
