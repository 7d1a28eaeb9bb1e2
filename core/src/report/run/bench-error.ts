import { exactly, toNumber } from '../../numbers/index.ts';
import { gradeWithin, toleranceArcsec, toleranceOf, type Grade } from '../../motion/index.ts';
import { stopsOfPlan, type RunState } from '../../run/index.ts';
import type { DrivenReport } from './driven.ts';
import { angleText, type ErrorUnit, type Graded, gradeWords, limitText } from '../../words/index.ts';
import type { Report } from '../report.ts';
import { atWork, sheet, type SheetRow, sizeText } from '../../plans/index.ts';

/** How far off the work stands at a place, on the scale of what is allowed: ″, or mm along a slide. */
export interface BenchError {
  readonly text: string;
  readonly size: number;
  readonly unit: ErrorUnit;
  readonly limit: number;
  /** "tolerance ±5″", "half a microstep ±0.2 µm" */
  readonly allowed: string;
  /** of this place, whatever the others are */
  readonly graded: Graded;
}

/** The rounding of the place, and with a controller where it came to rest. (handbook: run) */
export function benchError(
  report: Report,
  { plan }: RunState,
  row: SheetRow,
  driven: DrivenReport | null,
): BenchError {
  const [text, size] = driven?.error ? [driven.error.total, driven.error.size] : [row.error, row.off];
  // a run keeps the numbers it began with, whatever its drive became
  const halfStop = atWork(plan, 0.5 / toNumber(stopsOfPlan(plan).perTurn));
  const half = `half a ${sheet(plan).unit.replace(/s$/, '')}`;
  const graded = (tolerance: number | null): Graded => {
    const grade: Grade =
      size === 0 ? 'even' : gradeWithin(size, tolerance) === 'misses' ? 'misses' : 'rounded';
    // the first place is where it stands: it rests on nothing
    if (plan.doubt && row.gap > 1) return { grade, word: `${gradeWords[grade]} ${plan.doubt}`, doubt: true };
    return { grade, word: size === 0 ? 'Exact' : gradeWords[grade] };
  };
  if (plan.scale) {
    const { toleranceMm } = report.drive.job;
    const tolerance = toleranceMm === undefined ? null : toNumber(exactly(toleranceMm));
    const limit = tolerance ?? halfStop;
    return {
      text,
      size,
      unit: 'mm',
      limit,
      allowed: `${tolerance === null ? half : 'tolerance'} ±${sizeText(plan, limit)}`,
      graded: graded(tolerance),
    };
  }
  const allowed = toleranceOf(report.drive.job);
  const tolerance = allowed && toleranceArcsec(allowed);
  const limit = tolerance ?? halfStop;
  return {
    text,
    size,
    unit: 'arcsec',
    limit,
    allowed: tolerance === null ? `${half} ±${angleText(limit)}` : `tolerance ±${limitText(limit)}`,
    graded: graded(tolerance),
  };
}
