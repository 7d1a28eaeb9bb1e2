import { countMap, divide, MAX_CHARTED, type Divider, type Division } from '../divide/index.ts';
import type { Drive, Kinematics } from '../drive/index.ts';
import type { Grade } from '../motion/index.ts';
import { contextOf, type Context } from './context.ts';
import { errorChart, opened, type ErrorChart, type OpenedDivision } from './divide/divide.ts';
import type { DutiesReport } from './duties/duties.ts';
import { dutiesSay } from './duties/kinds.ts';
import type { PlatesReport } from './duties/plates/plates.ts';
import { figureAt } from './figure-at.ts';
import type { Figure } from '../words/index.ts';
import { lazy } from './lazy.ts';
import { marks, type Mark } from './marks.ts';
import { picture, type Picture } from './train/picture.ts';
import { sectionsOf, type Sections } from './sections.ts';
import { purpose } from './divide/sentences.ts';
import { stepUnit } from './train/train.ts';
import { attention, platesAttention, verdict } from './verdict/verdict.ts';
import type { VerdictCell } from './cell.ts';

/**
 * Every figure of every station for one drive: its sections, and what is asked of it count by count. Sections are computed when first
 * asked for and kept; the drive never changes, so neither does its report.
 */
export interface Report extends Sections {
  /** what all of it is judged from */
  readonly of: Context;
  readonly drive: Drive;
  readonly kinematics: Kinematics;
  readonly purpose: string;
  readonly counts: readonly number[];
  readonly divider: Divider | null;
  readonly divisions: readonly Division[];
  readonly verdict: readonly VerdictCell[];
  readonly attention: string | null;
  /** `day` is that by which something falls due */
  marks(runs: number, day?: string): readonly Mark[];
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
  /** the train in columns of `column` px, `height` px high; equal stages in a row as one, unless they are to be seen each */
  picture(column: number, height: number, fold?: boolean): Picture;
  /** the figure under a key, as it is now; null when it is gone */
  figure(key: string): Figure | null;
}

/** One drive in, one report out. Pure. */
export function report(drive: Drive): Report {
  const of = contextOf(drive);
  const { k, counts, divider, duties } = of;
  const cells = lazy(() =>
    verdict({
      drive,
      k,
      divider,
      divisions: of.divisions,
      asked: counts.length,
      duties,
      plates: of.byHand,
      errors: () => of.errors,
    }),
  );
  const made: Report = {
    ...sectionsOf(of),
    of,
    drive,
    kinematics: k,
    purpose: purpose(counts, k.travel ? drive.job.moves : '', dutiesSay(drive)),
    counts,
    divider,
    get divisions() {
      return of.divisions;
    },
    get verdict() {
      return cells();
    },
    get attention() {
      const { byHand } = of;
      return (
        platesAttention(byHand) ?? (byHand ? null : attention(of.divisions, divider)) ?? duties.attention
      );
    },
    marks: (runs, day) =>
      marks({ drive, k, divider, divisions: of.divisions, duties, plates: of.byHand }, runs, day),
    duties,
    get plates() {
      return of.plates;
    },
    unit: stepUnit(drive, k),
    opened: (D) => divider && opened({ drive, k }, divider, D, of.errors.shareOf(D)),
    chart: (D) => (divider && D <= MAX_CHARTED ? errorChart(divider, divide(divider, D)) : null),
    picture: (column, height, fold) => picture(drive, k, column, height, counts[0] ?? 0, fold),
    map: (from, to) => (divider ? countMap(divider, from, to) : []),
    figure: (key) => figureAt(key, made),
  };
  return made;
}
