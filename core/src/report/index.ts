export { contextOf, type Context } from './context.ts';
export { lazy } from './lazy.ts';
export { report, type Report } from './report.ts';
export { treeReport, type OutputReport, type TreeReport } from './outputs.ts';
export { type DivisionRow, type ErrorChart } from './divide/divide.ts';
export { forceAnswer } from './force/answer.ts';
export { pictureOf, pictureTable, trackingRecord, type ResultPicture } from './pictures/pictures.ts';
export { pictureCharts, pictureMessage } from './pictures/charts.ts';
export { percent, type StarPicture } from './pictures/tracking.ts';
export type { FramesPicture, RipplePicture, WheelPicture } from './pictures/turning.ts';
export { readOutcomes, withOutcome, type Outcome } from './make/faults.ts';
export { fitReport } from './make/fits.ts';
export {
  clearComponents,
  componentRows,
  recordSentences,
  recordValues,
  readableRate,
  recordChart,
  takenFrom,
  type Taken,
} from './measure/tracking.ts';
export { bumpGiven } from './measure/forms.ts';
export { dividedBy, divisionRecordReport } from './measure/dividing.ts';
export {
  backWarning,
  compareRevisions,
  figuresText,
  LOG_HEAD,
  logKindChoices,
  logReport,
  logRows,
  seriesChart,
  sharesChart,
  shareText,
  timeLine,
  type LogReport,
  type LogRow,
  type TimeLine,
} from './log/log.ts';
export {
  drivenReport,
  goneMessage,
  shakeMessage,
  standsAt,
  toldMessage,
  windowMeaning,
  type DrivenReport,
} from './run/driven.ts';
export { madeTables, type MadeFrom } from './make/tables.ts';
export { adjustersFor } from './make/adjusters.ts';
export { feelWords } from './make/mesh.ts';
export { BELT_HEAD, beltRows } from './make/belts.ts';
export { WHEEL_HEAD, wheelRows } from './make/cut-list.ts';
export { workReport } from './make/wheels.ts';
export { whatIf, type WhatIf, type WhatIfOf, type WhatIfSlider } from './what-if.ts';
export type { BenchForm } from './force/bench-form.ts';
export { errorsAnswer } from './errors/answer.ts';
export { withoutUnknown } from './errors/words.ts';
export type { Samples } from './errors/matrix.ts';
export { SEED, type BudgetReport } from './errors/report.ts';
export type { ErrorRow } from './errors/rows.ts';
export { leftOutMessage, piecesReport, type AsksReport, type ToleranceReport } from './job/job.ts';
export type { Dots, LedgerReport, OwesReport } from './train/ledger.ts';
export { markWords, shelfMark, type Mark } from './marks.ts';
export {
  shelfReport,
  usedMessage,
  type ShelfReport,
  type ShelfRow,
  type ShelfSection,
  type ShelfSort,
  type ShelfView,
} from './shelf/shelf.ts';
export { arborsReport, type ArborsReport, type PlanCure, type PlanTrouble } from './arbors/arbors.ts';
export { planPicture, type DrawnArbor, type PlanPicture } from './arbors/plan-picture.ts';
export type { LayersPicture } from './arbors/layers-picture.ts';
export { treePicture, type TreePicture } from './train/tree-picture.ts';
export { smallPicture, type Label, type Picture } from './train/picture.ts';
export { exposureEntry, followingReport, framesReport, type FramesReport } from './run/sessions.ts';
export { planFollowing, planFrames, sessionDiffers } from './run/session-plan.ts';
export { benchError } from './run/bench-error.ts';
export { benchReport, type BenchReport } from './run/bench.ts';
export type { StageReport } from './train/train.ts';
export type { ShaftReport } from './train/shafts.ts';
export type { CureBlock, CureReport } from './train/cures.ts';
export { compareReports, type CompareRow } from './log/compare.ts';
export type { StripReport } from './train/strip.ts';
export { findCertificate, pairsText, ppmText, reasonMessage, turnErrorText } from './find/find.ts';
export { foundTrain, withFound } from './find/found-train.ts';
export { periodicText, stepText } from './find/found-at-work.ts';
export {
  creepMessage,
  FIND_ORDERS,
  findReport,
  foundMessage,
  searchMessage,
  type FindOrder,
  type FindPoint,
  type FindReport,
  type FindRow,
} from './find/find-list.ts';
export {
  figuresTable,
  tableKey,
  type DutyChart,
  type DutyReport,
  type DutySeries,
  type DutyTable,
} from './duties/duty.ts';
export type { RateReport, RateWay } from './duties/rates/way.ts';
export { asking, dutyGroups, dutyKindIds, kindOfDuty, type DutyKindId } from './duties/kinds.ts';
export type { DutyAsk, DutyAsks } from './duties/kind.ts';
export { type OpenedPlate, type PlateRow, type PlatesReport } from './duties/plates/plates.ts';
export { makingReport } from './duties/plates/making.ts';
export type { PlatePicture } from './duties/plates/picture.ts';
export { CELLS, cellLabels, type CellId, type Concern, type VerdictCell } from './cell.ts';
export {
  setTrueRatio,
  trueRatioAsked,
  trueRatioReport,
  wheelTrains,
  type StageToUse,
  type TrueRatioAsked,
} from './find/true-ratio.ts';
export { branchEdits, branchRows, type BranchRow } from './find/two-branches.ts';
export { madeOf, measuredOf } from './later-sections.ts';
