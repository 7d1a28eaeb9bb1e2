import { rational, readDivisions } from '../numbers/index.ts';
import {
  countMap,
  divide,
  dividerOf,
  ledger,
  MAX_CHARTED,
  needOf,
  type Divider,
  type Division,
  type Owns,
  type WheelRange,
} from '../divide/index.ts';
import { toleranceOf, type Grade } from '../motion/index.ts';
import { kinematicsOf, sourceKindOf, type Drive, type Kinematics } from '../drive/index.ts';
import { dutiesReport, dutiesSay, type DutiesReport } from './duties/duties.ts';
import { platesReport, type PlatesReport } from './duties/plates.ts';
import { byPlates } from './run-plan.ts';
import {
  divisionRow,
  errorChart,
  opened,
  type DivisionRow,
  type ErrorChart,
  type OpenedDivision,
} from './divide.ts';
import { figureAt } from './figure-at.ts';
import type { Figure, Graded } from './figure.ts';
import { asksReport, toleranceReport, type AsksReport, type ToleranceReport } from './job.ts';
import { lazy } from './lazy.ts';
import { picture, type Picture } from './picture.ts';
import { ledgerReport, owesReport, type LedgerReport, type OwesReport } from './ledger.ts';
import { marks, type Mark } from './marks.ts';
import type { Rich } from './rich.ts';
import { divisionsSay, idleSay, purpose } from './sentences.ts';
import { cureBlock, type CureBlock } from './cures.ts';
import { encoderReport, type EncoderReport } from './encoder.ts';
import { shaftReports, type ShaftReport } from './shafts.ts';
import { ratioFigure, sourceReport, stageReports, stepsFigure, stepUnit, type StageReport } from './train.ts';
import { workReport, type WorkReport } from './work.ts';
import { partsThatMatter, stripReport, STRIP, type StripReport } from './strip.ts';
import { attention, platesAttention, tally, verdict, type VerdictCell } from './verdict.ts';

/**
 * Every figure of every station for one drive. Sections are computed when first asked for and kept; the drive never changes,
 * so neither does its report.
 */
export interface Report {
  readonly drive: Drive;
  readonly kinematics: Kinematics;
  readonly purpose: string;
  readonly counts: readonly number[];
  readonly divider: Divider | null;
  readonly divisions: readonly Division[];
  readonly verdict: readonly VerdictCell[];
  readonly attention: string | null;
  marks(runs: number): readonly Mark[];
  readonly job: {
    readonly asks: AsksReport;
    readonly tolerance: ToleranceReport;
    readonly owes: OwesReport | null;
  };
  readonly train: {
    readonly ratio: Figure;
    readonly steps: Figure;
    readonly shafts: readonly ShaftReport[];
    readonly stages: readonly StageReport[];
    readonly work: WorkReport;
    readonly source: ReturnType<typeof sourceReport>;
    /** of one turn of the source; 200 for one that has none */
    readonly fullSteps: number;
    readonly ledger: LedgerReport;
    readonly encoder: EncoderReport | null;
    /** cures for the counts that lack a prime, of wheels in a range; null when none lacks it */
    cures(prime: bigint, range: WheelRange, owns?: Owns): CureBlock | null;
    /** the counts from 2 to 400 that come out even */
    readonly strip: StripReport;
  };
  readonly check: {
    readonly rows: readonly DivisionRow[];
    readonly tally: readonly Graded[];
    readonly message: Rich | null;
    readonly idle: string | null;
    /** what the divisions are counted in: "microstep", "mark", "rest" where a wheel locks */
    readonly unit: string;
  };
  /** rates, cameras, arms, sweeps, spins */
  readonly duties: DutiesReport;
  /** index plates; null when the drive has none */
  readonly plates: PlatesReport | null;
  /** what a run is counted in */
  readonly unit: string;
  /** one count opened, whether or not the job asks for it; null when the source has no steps */
  opened(divisions: number): OpenedDivision | null;
  chart(divisions: number): ErrorChart | null;
  map(from: number, to: number): readonly { readonly divisions: number; readonly grade: Grade }[];
  /** the train in columns of `column` px, `height` px high */
  /** equal stages in a row as one, unless they are to be seen each */
  picture(column: number, height: number, fold?: boolean): Picture;
  /** the figure under a key, as it is now; null when it is gone */
  figure(key: string): Figure | null;
}

/** Columns of the ledgers beside the train and beside the job. */
const LEDGER_ROOM = 8;
const OWES_ROOM = 8;
const OWES_ROWS = 8;

/** One drive in, one report out. Pure. */
export function report(drive: Drive): Report {
  const k = kinematicsOf(drive);
  const read = readDivisions(drive.job.divisions);
  const counts = read.ok ? read.value : [];
  const divider = dividerOf(drive.train, k, toleranceOf(drive.job));
  const divisions = lazy(() => (divider ? counts.map((c) => divide(divider, c)) : []));
  const duties = dutiesReport(drive, k);
  const plates = lazy(() => platesReport(drive, k, counts));
  const byHand = lazy(() => (byPlates(drive) ? (plates()?.rows ?? null) : null));
  const judged = lazy(() => ({
    drive,
    k,
    divider,
    divisions: divisions(),
    asked: counts.length,
    rates: duties.rates,
    spins: duties.of('spins'),
    plates: byHand(),
  }));
  const cells = lazy(() => verdict(judged()));
  const asks = lazy(() => asksReport(drive, k, counts));
  const tolerance = lazy(() => toleranceReport(drive));
  const owes = lazy(() => owesOf(drive, k, divisions()));
  const shafts = lazy(() => shaftReports(drive, k));
  const stages = lazy(() => stageReports(drive, k));
  const factorLedger = lazy(() =>
    ledgerReport(ledger(partsThatMatter(drive, k), divisions()), counts.length, LEDGER_ROOM),
  );
  const rows = lazy(() => (divider ? divisions().map((d) => divisionRow(d, divider)) : []));
  const work = lazy(() => workReport(drive, k, counts[0]));
  const encoder = lazy(() => encoderReport(drive, k, counts));
  const strip = lazy(() => stripReport(divider ? countMap(divider, STRIP.from, STRIP.to) : []));
  const one = (D: number): OpenedDivision | null => divider && opened(drive, k, divider, D);

  return {
    drive,
    kinematics: k,
    purpose: purpose(counts, k.travel ? drive.job.moves : '', dutiesSay(drive.job)),
    counts,
    divider,
    get divisions() {
      return divisions();
    },
    get verdict() {
      return cells();
    },
    get attention() {
      return (
        platesAttention(byHand()) ?? (byHand() ? null : attention(divisions(), divider)) ?? duties.attention
      );
    },
    marks: (runs) => marks({ drive, k, divider, divisions: divisions(), duties, plates: byHand() }, runs),
    job: {
      get asks() {
        return asks();
      },
      get tolerance() {
        return tolerance();
      },
      get owes() {
        return owes();
      },
    },
    train: {
      ratio: ratioFigure(drive, k),
      steps: stepsFigure(drive, k),
      get shafts() {
        return shafts();
      },
      get stages() {
        return stages();
      },
      get work() {
        return work();
      },
      source: sourceReport(drive, k),
      fullSteps: sourceKindOf(drive.train.source).fullSteps(drive.train.source) ?? 200,
      get encoder() {
        return encoder();
      },
      cures: (prime, range, owns) => cureBlock(drive, divisions(), prime, range, owns),
      get strip() {
        return strip();
      },
      get ledger() {
        return factorLedger();
      },
    },
    check: {
      get rows() {
        return rows();
      },
      get tally() {
        return tally(divisions());
      },
      get message() {
        return divider && divisionsSay(k, divider, divisions());
      },
      get idle() {
        return k.lock ? null : idleSay(divisions());
      },
      unit: k.lock ? 'rest' : stepUnit(drive, k),
    },
    duties,
    get plates() {
      return plates();
    },
    unit: stepUnit(drive, k),
    opened: one,
    chart: (D) => (divider && D <= MAX_CHARTED ? errorChart(divider, divide(divider, D)) : null),
    picture: (column, height, fold) => picture(drive, k, column, height, counts[0] ?? 0, fold),
    map: (from, to) => (divider ? countMap(divider, from, to) : []),
    figure: (key) =>
      figureAt(key, {
        one,
        asks,
        shafts,
        work,
        encoder,
        cells,
        duties,
        plates,
        train: () => [ratioFigure(drive, k), stepsFigure(drive, k)],
      }),
  };
}

function owesOf(drive: Drive, k: Kinematics, divisions: readonly Division[]): OwesReport | null {
  const source = sourceKindOf(drive.train.source);
  if (divisions.length === 0) return null;
  const full = source.fullSteps(drive.train.source) ?? 1;
  const label = k.mode > 1 ? `${full} × 1/${k.mode}` : `${full} steps`;
  const bare = ledger([{ label, factor: rational(BigInt(full) * BigInt(k.mode)) }], divisions);
  return owesReport(
    bare,
    needOf(divisions.map((d) => d.divisions)),
    label,
    divisions.length,
    OWES_ROOM,
    OWES_ROWS,
  );
}
