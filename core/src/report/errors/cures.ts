import { errorTerms, type Budget } from '../../errors/index.ts';
import { budget } from '../../errors/index.ts';
import {
  applyEdit,
  kindOf,
  kinematicsOf,
  moduleOf,
  qualityOf,
  type Drive,
  type Edit,
} from '../../drive/index.ts';
import { angleText, type Graded } from '../../words/index.ts';
import type { Budgeted, Budgets } from './budgets.ts';
import { againstTolerance } from './words.ts';

/** A change that makes the sum less, with what it comes to. */
export interface ErrorCure {
  readonly title: string;
  readonly graded: Graded;
  readonly likely: string;
  readonly edit: Edit;
  readonly worst: number;
}

/** Modules that wheels are made in, mm. */
const MODULES = [0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8];

/** Which stage brings most of what is counted, from 0; null where none does. */
export function heaviestStage({
  budget: { rows },
}: Budgeted): { readonly stage: number; readonly arcsec: number } | null {
  const by = new Map<number, number>();
  for (const { term, counted } of rows)
    if (term.stage !== null && counted) by.set(term.stage, (by.get(term.stage) ?? 0) + counted);
  const [first] = [...by].sort(([, a], [, b]) => b - a);
  return first ? { stage: first[0], arcsec: first[1] } : null;
}

/** The budget of the drive as an edit leaves it; what the job brings stays as it is. */
export function budgetAfter(drive: Drive, edit: Edit, by: Budgeted, tolerance: number | null): Budget | null {
  const after = applyEdit(drive, edit);
  if (!after.ok) return null;
  const own = by.terms.filter((t) => t.id.startsWith('job.'));
  const terms = [...errorTerms(after.value, kinematicsOf(after.value)), ...own];
  return budget({ drive: after.value, terms, divisions: by.divisions, toleranceArcsec: tolerance });
}

/** A truer stage, or a larger one: two changes that help most where most arises. */
export function errorCures(drive: Drive, by: Budgeted, { tolerance }: Budgets): readonly ErrorCure[] {
  const heaviest = heaviestStage(by);
  if (!heaviest) return [];
  const at = heaviest.stage;
  const stage = drive.train.stages[at]!;
  const name = kindOf(stage).title.toLowerCase();
  const module = moduleOf(stage);
  const larger = module.from === 'typed' ? MODULES.find((m) => m >= module.mm * 1.2) : undefined;
  const tried: readonly (readonly [string, Edit] | null)[] = [
    qualityOf(stage) === 'precise'
      ? null
      : [`Precise ${name}`, { do: 'stage', at, key: 'quality', text: 'precise' }],
    larger === undefined
      ? null
      : [`Module ${larger} for the ${name}`, { do: 'stage', at, key: 'moduleMm', text: String(larger) }],
  ];
  return tried.flatMap((t) => {
    const after = t && budgetAfter(drive, t[1], by, tolerance);
    if (!t || !after || after.worst >= by.budget.worst * 0.999) return [];
    return [
      {
        title: t[0],
        graded: againstTolerance(after.worst, tolerance) ?? {
          grade: 'rounded' as const,
          word: `±${angleText(after.worst)}`,
        },
        likely: `likely ±${angleText(after.likely)}`,
        edit: t[1],
        worst: after.worst,
      },
    ];
  });
}
