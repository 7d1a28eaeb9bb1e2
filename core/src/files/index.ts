export { driveFileName, readDrive, writeDrive } from './drive-file.ts';
export { readDrives, writeWorkshop, type Workshop } from './workshop-file.ts';
export { MOST_BYTES, readJson } from './json.ts';
export { divisionsCsv, foundCsv, sheetCsv, writeCsv } from './csv.ts';
export { checkAnswer, targetsAnswer } from './answers.ts';
export { findAnswer, readFindRequest } from './find-file.ts';
export { readShelf, writeShelf } from './shelf-file.ts';
export { readTable, shelfCsv, TABLE_COLUMNS, type TableColumn, type TableLine } from './shelf-table.ts';
