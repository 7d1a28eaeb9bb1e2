import { efficiencyOf, kindOf, type Drive } from '../../drive/index.ts';
import { abs, toNumber } from '../../numbers/index.ts';
import { reachOf, resolutionOf, worstAt, type Reach } from '../../errors/index.ts';
import type { Base } from '../base.ts';
import { figureOf, worked, type DutyChart } from '../duties/duty.ts';
import { angleText, type Figure, type Graded, grouped, limitText, measured } from '../../words/index.ts';
import { lazy } from '../lazy.ts';
import { budgetsOf, type Budgeted, type Budgets } from './budgets.ts';
import { budgetAfter, errorCures, heaviestStage, type ErrorCure } from './cures.ts';
import { samplesOf, type Samples } from './matrix.ts';
import { errorRow, type ErrorRow } from './rows.ts';
import { roundingShare, type RoundingShare } from './share.ts';
import { againstTolerance, withoutUnknown } from './words.ts';

export interface SumReport {
  readonly figure: Figure;
  readonly graded: Graded | null;
  readonly arcsec: number;
}

/** One budget as it is shown. */
export interface BudgetReport {
  readonly key: string;
  readonly title: string;
  readonly rows: readonly ErrorRow[];
  readonly worst: SumReport;
  readonly likely: SumReport;
  /** "without 1 unknown" */
  readonly unknown: string;
  /** "3 taken out, conditions hold" */
  readonly out: string;
  readonly message: { readonly strong: string; readonly rest: string } | null;
  readonly cures: readonly ErrorCure[];
}

export interface ErrorsReport {
  readonly tolerance: number | null;
  readonly choices: readonly { readonly key: string; readonly title: string }[];
  /** the one that is worst */
  readonly first: string | null;
  of(key: string): BudgetReport | null;
  readonly samples: Samples | null;
  readonly reach: { readonly chart: DutyChart; readonly message: string } | null;
  /** which mode is the finest that friction lets be felt */
  readonly finest: string | null;
  readonly budgets: Budgets;
  /** what of the whole error of a count its rounding is; null where it lands, and for what is not asked */
  shareOf(divisions: number): RoundingShare | null;
}

const sum = (
  by: Budgeted,
  label: string,
  arcsec: number,
  rows: () => readonly ErrorRow[],
  tolerance: number | null,
): SumReport => ({
  arcsec,
  graded: againstTolerance(arcsec, tolerance),
  figure: figureOf({
    key: `errors.${by.key}.${label === 'likely' ? 'likely' : 'worst'}`,
    label: `${label === 'likely' ? 'root sum square, likely' : 'all at their worst'}, ${by.title}`,
    value: arcsec,
    text: [`±${angleText(arcsec)}`],
    from: () => [
      ...rows()
        .filter((r) => r.counts && r.figure)
        .map((r) => worked(r.cause.toLowerCase(), [...r.figure!.text, ` from ${r.where}`])),
      ...rows()
        .filter((r) => !r.counts && r.arcsec === null && !r.taker)
        .map((r) => worked(r.cause.toLowerCase(), 'not known, not in it')),
      worked(label === 'likely' ? 'square root of all squared' : 'added', `±${angleText(arcsec)}`),
    ],
  }),
});

/** How the simulation is seeded until somebody asks for another. */
export const SEED = 7;

/** One budget as it is shown; the strip wants its sum alone, so each part is made when it is asked for. */
function budgetReport(of: Base, by: Budgeted, budgets: Budgets): BudgetReport {
  const { drive } = of;
  const { budget } = by;
  const rows = lazy(() => budget.rows.map((r) => errorRow(of, r, by)));
  const message = lazy(() => heaviestMessage(drive, by, budgets));
  const cures = lazy(() => errorCures(drive, by, budgets));
  return {
    key: by.key,
    title: by.title,
    get rows() {
      return rows();
    },
    worst: sum(by, 'worst', budget.worst, rows, budgets.tolerance),
    get likely() {
      return sum(by, 'likely', budget.likely, rows, budgets.tolerance);
    },
    unknown: withoutUnknown(budget.unknown),
    get out() {
      const out = budget.rows.filter((r) => r.out).length;
      return out > 0 ? `${out} taken out` : '';
    },
    get message() {
      return message();
    },
    get cures() {
      return cures();
    },
  };
}

/** What brings most of the sum, and what more ratio, finer microsteps or a truer one would take off. */
function heaviestMessage(drive: Drive, by: Budgeted, budgets: Budgets): BudgetReport['message'] {
  const { budget } = by;
  const heaviest = heaviestStage(by);
  if (!heaviest || budget.worst <= 0) return null;
  const source = budget.rows
    .filter(({ term }) => term.id.startsWith('motor.'))
    .reduce((n, r) => n + (r.counted ?? 0), 0);
  const rounding = budget.rows.find((r) => r.term.id === 'job.rounding')?.counted ?? 0;
  const truer = budgetAfter(
    drive,
    { do: 'stage', at: heaviest.stage, key: 'quality', text: 'precise' },
    by,
    budgets.tolerance,
  );
  const gain = truer ? budget.worst - truer.worst : 0;
  const stage = drive.train.stages[heaviest.stage]!;
  // what would take off nothing is no advice
  const offers = [
    ...(source + rounding > 0 ? [`more ratio takes off at most ${angleText(source + rounding)}`] : []),
    ...(rounding > 0 ? [`finer microsteps ${angleText(rounding)}`] : []),
    ...(gain > 0 ? [`a truer one ${source + rounding > 0 ? '' : 'takes off '}${angleText(gain)}`] : []),
  ];
  return {
    strong: `The ${kindOf(stage).title.toLowerCase()} ${kindOf(stage).label(stage)} brings ${angleText(heaviest.arcsec)} of the ${angleText(budget.worst)}.`,
    rest: offers.length === 0 ? '' : `${offers.join(', ').replace(/^./, (c) => c.toUpperCase())}.`,
  };
}

/** The curve of error against ratio, for the quality that is there and for a precise one. */
function reachReport(of: Base, budgets: Budgets): ErrorsReport['reach'] {
  const by = budgets.dividing ?? budgets.tracking;
  // holes are rounded by nothing at any ratio
  const reach = by && !of.byHand && reachOf(of.drive, of.k, by.terms);
  if (!reach || !reach.from) return null;
  const ratios = Array.from({ length: 41 }, (_, i) => 20 * 100 ** (i / 40));
  const series = (r: Reach): readonly [number, number][] => ratios.map((x) => [x, worstAt(r, x)]);
  return {
    chart: {
      key: 'errors.reach',
      title: 'Error against ratio',
      log: true,
      x: 'ratio',
      y: '″',
      series: [
        { name: 'this train’s quality', points: series(reach), look: 'main' },
        ...(budgets.tolerance === null
          ? []
          : [
              {
                name: `±${limitText(budgets.tolerance)}`,
                points: [
                  [20, budgets.tolerance],
                  [2000, budgets.tolerance],
                ] as [number, number][],
                look: 'limit' as const,
              },
            ]),
      ],
      message: `All at their worst, without what cancels: this train’s ratio of ${measured(reach.ratio)} makes ±${angleText(worstAt(reach, reach.ratio))}.`,
    },
    message: `More ratio no longer helps from ${grouped(String(reach.from))} on: the source then brings under a tenth of what the stages bring. This train has ${measured(reach.ratio)}.`,
  };
}

const ordinals = new Intl.PluralRules('en', { type: 'ordinal' });
const ENDS: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd' };
const ordinal = (n: number): string => `${n}${ENDS[ordinals.select(n)] ?? 'th'}`;

function finestReport({ drive, k }: Base): string | null {
  const { load } = drive.job;
  if (load?.frictionNm === undefined || k.lock) return null;
  const efficiency = drive.train.stages.reduce((n, s) => n * efficiencyOf(s), 1);
  const r = toNumber(abs(k.reduction));
  const at = resolutionOf(drive, load.frictionNm / r / efficiency);
  if (!at) return null;
  if (at.first === null) return 'Friction is more than the motor holds: it never moves.';
  const micro = angleText(at.microstep / r);
  const dead = angleText(at.deadBand / r);
  const moves =
    at.first === 1
      ? 'every microstep moves it'
      : `it moves on the ${ordinal(at.first)} microstep, after a reversal on the ${ordinal(at.reversed ?? at.first)}`;
  return `1/${at.finest} is the finest sensible setting of this driver: a microstep of ${micro} at 1/${k.mode} against a dead band of ${dead}; ${moves}.`;
}

/** What of errors is known of a drive's path, made when it is asked for. (handbook: errors) */
export function errorsReport(of: Base): ErrorsReport {
  const budgets = budgetsOf(of);
  const shares = lazy(
    () =>
      new Map(
        budgets.all.flatMap((b) => {
          if (b.divisions === null) return [];
          const grade = of.divisions.find((d) => d.divisions === b.divisions)?.grade;
          return [[b.divisions, roundingShare(b, grade === 'misses')] as const];
        }),
      ),
  );
  const made = new Map<string, BudgetReport>();
  const worst = budgets.dividing ?? budgets.tracking;
  return {
    tolerance: budgets.tolerance,
    choices: budgets.all.map(({ key, title }) => ({ key, title })),
    first: worst?.key ?? null,
    of: (key) => {
      const by = budgets.all.find((b) => b.key === key);
      if (!by) return null;
      const known = made.get(key) ?? budgetReport(of, by, budgets);
      made.set(key, known);
      return known;
    },
    get samples() {
      return samplesOf(of);
    },
    get reach() {
      return reachReport(of, budgets);
    },
    get finest() {
      return finestReport(of);
    },
    budgets,
    shareOf: (divisions) => shares().get(divisions) ?? null,
  };
}
