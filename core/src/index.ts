export * from './numbers/index.ts';
export * from './drive/index.ts';
export {
  cutRule,
  cutWheel,
  shaftAngles,
  treeAngles,
  type CutWheel,
  type Drawing,
  type DrawnWheel,
  type Motion,
  type Stroke,
} from './drive/drawing/index.ts';
export * from './motion/index.ts';
export * from './teeth/index.ts';
export * from './turning/index.ts';
export * from './shelf/index.ts';
export * from './divide/index.ts';
export * from './follow/index.ts';
export * from './travel/index.ts';
export * from './run/index.ts';
export * from './find/index.ts';
export * from './arbors/index.ts';
export * from './make/index.ts';
export * from './errors/index.ts';
export * from './simulate/index.ts';
export * from './log/index.ts';
export * from './control/index.ts';
export type { Component, DivisionFit, TrackingFit } from './measure/index.ts';
export {
  type ErrorScale,
  type ErrorUnit,
  type Figure,
  type Graded,
  type Piece,
  type Rich,
  THIN,
  type WorkingLine,
  angle,
  angleText,
  angleUnit,
  clockText,
  counted,
  dmsText,
  doubtText,
  errorScale,
  gradeOfDivision,
  gradeWords,
  grouped,
  inWords,
  limitText,
  listed,
  measured,
  millimetres,
  plainText,
  raised,
  runDone,
  runName,
  runPlace,
  signedAngle,
  tallyText,
  whole,
  workingAsText,
} from './words/index.ts';
export {
  type DriveAxis,
  type Place,
  type Sheet,
  type SheetRow,
  byPlates,
  holeNumbers,
  movesAsked,
  noRun,
  placeSpoken,
  placeText,
  planAgain,
  planFor,
  planRun,
  plateCrank,
  plateSetup,
  sheet,
  shotAxes,
  signedCount,
  stopWords,
  timeLeft,
} from './plans/index.ts';
export * from './report/index.ts';
export * from './force/index.ts';
