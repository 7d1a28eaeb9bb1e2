export { doubtText, doubtful } from './doubt-words.ts';
export { type Figure, type Graded, type WorkingLine, workingAsText } from './figure.ts';
export { gradeOfDivision, gradeWords } from './grades.ts';
export { type Piece, type Rich, THIN, plainText, raised, sentenceText } from './rich.ts';
export { clockOf, clockText, runDone, runName, runPlace, tallyText } from './run-words.ts';
export { type ErrorScale, type ErrorUnit, errorScale } from './scale.ts';
export { plainSigns } from './plain-signs.ts';
export {
  angle,
  angleText,
  angleUnit,
  compact,
  counted,
  dms,
  dmsText,
  fraction,
  grouped,
  inLine,
  inWords,
  lengthText,
  limitText,
  listed,
  measured,
  millimetres,
  mixed,
  powers,
  roughAngle,
  shortList,
  signed,
  signedAngle,
  stacked,
  strong,
  timeText,
  trimmed,
  whole,
} from './text.ts';
