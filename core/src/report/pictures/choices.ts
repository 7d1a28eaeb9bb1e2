import { sweepName } from '../../plans/index.ts';
import type { Base } from '../base.ts';
import type { ErrorsReport } from '../errors/report.ts';

/** What there is to be pictured of a drive's path: its first rate, its counts, its speeds, its sweeps. */
export function pictureChoices({
  drive,
  errors,
  k: { lock },
}: Pick<Base, 'drive' | 'k'> & { readonly errors: ErrorsReport }): readonly {
  readonly key: string;
  readonly title: string;
}[] {
  const { spins = [], sweeps = [] } = drive.job;
  return [
    ...(errors.budgets.tracking ? [{ key: 'track', title: errors.budgets.tracking.title }] : []),
    ...errors.choices.filter((c) => c.key !== 'track'),
    ...spins.map((s, i) => ({ key: `spin.${i}`, title: `${s.minRpm} to ${s.maxRpm} rpm` })),
    ...(lock
      ? []
      : sweeps.flatMap((s, i) =>
          s.stepsPerUnit === undefined ? [{ key: `sweep.${i}`, title: sweepName(s, i) }] : [],
        )),
  ];
}
