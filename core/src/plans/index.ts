export { byPlates, moveLabel, movesAsked, noRun, planAgain, planFor, planRun, wormOf } from './run-plan.ts';
export {
  type Place,
  type Sheet,
  type SheetRow,
  atWork,
  holeNumbers,
  offText,
  placeOf,
  placeSpoken,
  placeText,
  plateCrank,
  plateSetup,
  sheet,
  signedCount,
  sizeText,
  stopWords,
  timeLeft,
} from './sheet.ts';
export { type DriveAxis, shotAxes, sweepName } from './shot.ts';
