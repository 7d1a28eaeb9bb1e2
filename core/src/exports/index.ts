export { exportOptions, type ExportFormat, type ExportOptions } from './export.ts';
export { exportDrive, exportFormats, isExportId, readExportOptions, type ExportId } from './formats.ts';
export { divisionsCsv, sheetCsv } from './dividing.ts';
export { tablesOf } from './tables.ts';
