export { report, type Report } from './report.ts';
export { plainText, THIN, type Piece, type Rich } from './rich.ts';
export { workingAsText, type Figure, type Graded, type WorkingLine } from './figure.ts';
export { divisionRow, type DivisionRow, type ErrorChart, type OpenedDivision } from './divide.ts';
export { gradeWords } from './grades.ts';
export { leftOutSays, piecesReport, type AsksReport, type PieceReport, type ToleranceReport } from './job.ts';
export type { Dots, LedgerReport, OwesReport } from './ledger.ts';
export { markWords, type Mark } from './marks.ts';
export { smallPicture, type Label, type Picture } from './picture.ts';
export { errorScale, type ErrorScale } from './scale.ts';
export { sheet, timeLeft, type Sheet, type SheetRow } from './sheet.ts';
export type { ShaftReport, StageReport } from './train.ts';
export { CELLS, cellLabels, type CellId, type Place, type VerdictCell } from './verdict.ts';
export {
  angle,
  angleText,
  counted,
  dmsText,
  grouped,
  inWords,
  limitText,
  listed,
  measured,
  signedAngle,
  whole,
} from './text.ts';
