export {
  chosenLines,
  curesTakenBack,
  dueBy,
  freeEntryId,
  logFilters,
  logLines,
  momentText,
  openComplaints,
  revisionAt,
  seriesOf,
  sharesOf,
  type LogFilter,
  type LoggedRun,
  type LogLine,
  type Series,
  type KeptShare,
} from './log.ts';
export { readExposure, readValues, valuesText } from './values.ts';
