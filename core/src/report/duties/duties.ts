import type { Figure } from '../../words/index.ts';
import type { Drive, Kinematics } from '../../drive/index.ts';
import { fails } from '../../motion/index.ts';
import { lazy } from '../lazy.ts';
import type { DutyReport } from './duty.ts';
import { rateReports } from './rates/rates.ts';
import type { RateReport } from './rates/way.ts';
import type { CellId, VerdictCell } from '../cell.ts';
import { forceReport, type ForceReport } from '../force/report.ts';
import type { DutyAsks, DutyContext } from './kind.ts';
import { asksDuties, dutyKindIds, kindOfDuty, type DutyKindId } from './kinds.ts';
import { togetherMessage } from './sweeps/together.ts';

/** Every duty besides dividing, each judged when it is first asked for. */
export interface DutiesReport {
  readonly rates: readonly RateReport[];
  /** of one kind, one after the other */
  readonly of: (kind: DutyKindId) => readonly DutyReport[];
  /** of a kind of which there is one; null when it is not asked */
  readonly one: (kind: DutyKindId) => DutyReport | null;
  /** why the sweeps are no shot together; null when they are */
  readonly together: string | null;
  /** of all kinds, one after the other */
  readonly all: readonly DutyReport[];
  /** something besides dividing is asked of the drive */
  readonly asked: boolean;
  /** null while no load is given */
  readonly force: ForceReport | null;
  /** what each of a kind asks of the train */
  readonly asks: readonly DutyAsks[];
  /** a cell of the strip; null when no duty has anything to say there */
  readonly cell: (id: CellId) => VerdictCell | null;
  /** the first that misses, in words; null when none does */
  readonly attention: string | null;
}

/** The first figures of a report: what it asks of the train. */
const asksFirst = (d: DutyReport): DutyAsks => ({
  key: d.key,
  title: d.title,
  figures: d.lines.slice(0, 2).map((l) => l.figure),
});

/** Computed when first asked for. */
export function dutiesReport(drive: Drive, k: Kinematics): DutiesReport {
  const rates = lazy(() => rateReports(drive, k));
  const force = lazy(() => forceReport(drive, k, rates()));
  const context: DutyContext = { drive, k, rates, force };
  const made = new Map<DutyKindId, readonly DutyReport[]>();
  const of = (id: DutyKindId): readonly DutyReport[] => {
    const known = made.get(id) ?? kindOfDuty(id).reports(context);
    made.set(id, known);
    return known;
  };
  const together = lazy(() => togetherMessage(drive));
  const all = lazy(() => dutyKindIds.flatMap(of));
  return {
    get rates() {
      return rates();
    },
    asked: asksDuties(drive),
    of,
    one: (id) => of(id)[0] ?? null,
    get together() {
      return together();
    },
    get all() {
      return all();
    },
    get force() {
      return force();
    },
    get asks() {
      return dutyKindIds.flatMap((id) => {
        const kind = kindOfDuty(id);
        return kind.asks?.(context) ?? (kind.job ? of(id).map(asksFirst) : []);
      });
    },
    cell: (cell) => {
      for (const id of dutyKindIds) {
        const told = kindOfDuty(id).cells?.[cell]?.(context, of(id));
        if (told) return told;
      }
      return null;
    },
    get attention() {
      const rate = rates().find((r) => fails(r.graded.grade));
      if (rate) return `${rate.name}: ${rate.graded.word.toLowerCase()}`;
      const duty = all().find((d) => d.graded && fails(d.graded.grade));
      return duty ? `${duty.title}: ${duty.graded!.word.toLowerCase()}` : null;
    },
  };
}

/** A figure of a duty by its key: "rate.0.ticks", "camera.longest". */
export const dutyFigure = (duties: DutiesReport, key: string): Figure | null =>
  [
    ...duties.rates.flatMap((r) => [...r.figures, ...r.causes.map((c) => c.figure)]),
    ...duties.all.flatMap((d) => d.lines.map((l) => l.figure)),
  ].find((f) => f.key === key) ?? null;
