export type { BetweenReport } from './between.ts';
export { report, type Report } from './report.ts';
export { treeReport, type OutputReport, type ShaftPlace, type TreeReport } from './outputs.ts';
export { divisionRow, type DivisionRow, type ErrorChart, type OpenedDivision } from './divide.ts';
export { forceAnswer } from './force/answer.ts';
export { forceChart } from './duties/load.ts';
export {
  pictureChoices,
  pictureOf,
  pictureTable,
  trackingRecord,
  type ResultPicture,
} from './pictures/pictures.ts';
export { pictureCharts, pictureMessage } from './pictures/charts.ts';
export { percent, type StarPicture, type TrackingPicture } from './pictures/tracking.ts';
export type { FramesPicture, RipplePicture, WheelPicture } from './pictures/turning.ts';
export {
  faultReport,
  readOutcomes,
  withOutcome,
  type FaultReport,
  type Outcome,
  type ToldCheck,
} from './make/faults.ts';
export { fitForms } from './make/fit-forms.ts';
export {
  FIT_HEAD,
  fitReport,
  fitRows,
  PARTS_HEAD,
  partsRows,
  type FitReport,
  type PartRow,
  type ShaftFitReport,
} from './make/fits.ts';
export {
  clearComponents,
  componentRows,
  recordSentences,
  recordValues,
  readableRate,
  recordChart,
  takenFrom,
  type ComponentRow,
  type Readable,
  type Taken,
} from './measure/tracking.ts';
export { bumpGiven, measureForms } from './measure/forms.ts';
export { dividedBy, divisionRecordReport, type ShapeReport } from './measure/dividing.ts';
export {
  backWarning,
  compareRevisions,
  figuresText,
  LOG_HEAD,
  logKindChoices,
  logKindWords,
  logReport,
  logRows,
  seriesChart,
  sharesChart,
  shareText,
  timeLine,
  type LogReport,
  type LogRow,
  type TimeLine,
} from './log.ts';
export {
  drivenReport,
  goneMessage,
  shakeMessage,
  standsAt,
  toldMessage,
  windowMeaning,
  type DrivenReport,
  type PhaseReport,
} from './driven.ts';
export { drawingChoices, type DrawingChoice } from './make/drawing-choices.ts';
export { BUILD_HEAD, buildRows } from './make/build.ts';
export { adjustersFor, readAdjusters, type Adjuster } from './make/adjusters.ts';
export { feelWords, meshChoices, meshReport, type MeshChoice, type MeshReport } from './make/mesh.ts';
export { BELT_HEAD, beltReports, beltRows, type BeltLine, type BeltReport } from './make/belts.ts';
export { WHEEL_HEAD, WORK_HEAD, workRows, wheelRows } from './make/cut-list.ts';
export {
  wheelReports,
  workReport,
  type PassRow,
  type SizeRow,
  type WheelEntry,
  type WheelReport,
} from './make/wheels.ts';
export {
  whatIf,
  type WhatIf,
  type WhatIfOf,
  type WhatIfOutcome,
  type WhatIfPlace,
  type WhatIfSlider,
} from './what-if.ts';
export { forceCures, type ForceCure } from './force/cures.ts';
export type { BenchForm } from './force/bench-form.ts';
export { benchForms } from './force/forms.ts';
export type { ForceReport } from './force/report.ts';
export { errorsAnswer } from './errors/answer.ts';
export type { ErrorCure } from './errors/cures.ts';
export type { Samples } from './errors/matrix.ts';
export { SEED, type BudgetReport, type ErrorsReport } from './errors/report.ts';
export type { ErrorRow, RowField, RowTaker } from './errors/rows.ts';
export {
  leftOutMessage,
  piecesReport,
  type AsksReport,
  type PieceReport,
  type ToleranceReport,
} from './job.ts';
export type { Dots, LedgerReport, OwesReport } from './ledger.ts';
export { markWords, shelfMark, type Mark } from './marks.ts';
export {
  shelfReport,
  usedMessage,
  type ShelfReport,
  type ShelfRow,
  type ShelfSection,
  type ShelfSort,
  type ShelfView,
} from './shelf.ts';
export { arborsReport, type ArborRow, type ArborsReport, type PlanCure, type PlanTrouble } from './arbors.ts';
export { planPicture, type DrawnArbor, type DrawnPlanWheel, type PlanPicture } from './plan-picture.ts';
export type { LayersPicture } from './layers-picture.ts';
export { treePicture, type TreePicture, type TreeRow } from './tree-picture.ts';
export { smallPicture, type Label, type Picture } from './picture.ts';
export {
  exposureEntry,
  followingReport,
  framesReport,
  type FollowingReport,
  type FramesReport,
} from './sessions.ts';
export { planFollowing, planFrames, sessionDiffers } from './session-plan.ts';
export { benchError, type BenchError } from './bench-error.ts';
export { benchReport, type BenchReport } from './bench.ts';
export type { StageReport } from './train.ts';
export type { ShaftReport } from './shafts.ts';
export type { WorkReport } from './work.ts';
export type { MoveReport } from './moves.ts';
export type { EncoderReport } from './encoder.ts';
export type { CureBlock, CureReport } from './cures.ts';
export { compareReports, type CompareRow } from './compare.ts';
export type { StripReport } from './strip.ts';
export { findCertificate, pairsText, ppmText, reasonMessage, ticksMustHold, turnErrorText } from './find.ts';
export { foundTrain, withFound } from './found-train.ts';
export { foundAtWork, periodicText, stepText, type FoundAtWork } from './found-at-work.ts';
export {
  creepMessage,
  FIND_ORDERS,
  findReport,
  foundMessage,
  searchMessage,
  type FindGroup,
  type FindOrder,
  type FindPoint,
  type FindReport,
  type FindRow,
} from './find-list.ts';
export {
  figuresTable,
  tableKey,
  type DutyChart,
  type DutyLine,
  type DutyReport,
  type DutySeries,
  type DutyTable,
} from './duties/duty.ts';
export type { RateReport, RateWay } from './duties/rate-way.ts';
export type { DutiesReport } from './duties/duties.ts';
export { asking, dutyGroups, dutyKinds, type DutyKindId } from './duties/kinds.ts';
export type { DutyAsk, DutyKind } from './duties/kind.ts';
export { CHART_TO, type OpenedPlate, type PlateRow, type PlatesReport } from './duties/plates.ts';
export { makingReport, type MakingReport } from './duties/making.ts';
export type { PlateHole, PlatePicture } from './duties/plate-picture.ts';
export { CELLS, cellLabels, type CellId, type Concern, type VerdictCell } from './verdict-cell.ts';
