export { exportOptions, type ExportFormat, type ExportOptions, type Offer } from './export.ts';
export {
  exportDrive,
  exportFormats,
  isExportId,
  offersOf,
  readExportOptions,
  type ExportId,
} from './formats.ts';
export { divisionsCsv, sheetCsv } from './dividing.ts';
export { packFiles, type PackFile } from './pack.ts';
export { packBody } from './pack-page.ts';
export { tablesOf, type NamedTable } from './tables.ts';
