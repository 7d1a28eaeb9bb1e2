export { columnsSeen, isTracking, MAX_READINGS, readDivisionRecord, readTrackingRecord } from './record.ts';
export { COLUMN_HEADS, readHeads, type Heads } from './record-columns.ts';
export { driveFileName, readDrive, writeDrive } from './drive-file.ts';
export {
  readWorkshop,
  writeWorkshop,
  type KeptRun,
  type Workshop,
  type WorkshopRead,
} from './workshop-file.ts';
export { MAX_BYTES, readJson } from './json.ts';
export { decodeText } from './text.ts';
export { foundCsv, pictureCsv, writeCsv } from './csv.ts';
export { checkAnswer } from './answers.ts';
export { targetsAnswer } from './targets-answer.ts';
export { findAnswer } from './find-answer.ts';
export { readFindRequest } from './find-file.ts';
export { chooseAnswer, readChooseRequest } from './choose-file.ts';
export { readShelf, writeShelf } from './shelf-file.ts';
export { readTable, shelfCsv, TABLE_COLUMNS, type TableColumn, type TableLine } from './shelf-table.ts';
export { anglesGcode, drillingMoves, makingAnswer, makingCsv, platesAnswer } from './plates-answer.ts';
