import { boreClashes, kindOf, sourceKindOf, type Drive, type Source, type Stage } from '../drive/index.ts';
import { contextOf, lazy, report, type Context, type Report } from '../report/index.ts';
import type { Had, SourceChoice } from './stock.ts';

/** One drive that may do the job. */
export interface Candidate {
  readonly drive: Drive;
  readonly to: Had;
  /** what all is judged from, made when it is asked for; each concern of it likewise */
  readonly of: Context;
  /** every figure of it as it is told */
  readonly report: Report;
}

/** The stages of a drive that were chosen: those that are kept are no choice. */
export const chosenStages = ({ train }: Drive): readonly Stage[] => train.stages.filter((s) => !s.kept);

/** A source in one of its modes. */
export const inMode = ({ source }: SourceChoice, mode: number): Source =>
  sourceKindOf(source).hasModes ? ({ ...source, mode } as Source) : source;

/** "Worm 1 : 144, motor of 200 at 1/16" */
export function nameOf(source: Source, stages: readonly Stage[]): string {
  const kind = sourceKindOf(source);
  const steps = kind.fullSteps(source);
  const by = `${kind.short}${steps === null ? '' : ` of ${steps}`}${kind.mode(source) > 1 ? ` at 1/${kind.mode(source)}` : ''}`;
  const made = stages.map((s) => `${kindOf(s).short} ${kindOf(s).label(s)}`).join(', ');
  const name = made === '' ? by : `${made}, ${by}`;
  return name.charAt(0).toUpperCase() + name.slice(1);
}

/** The drive of a source and stages before those that are kept. */
export function driveOf(wanted: Drive, source: Source, stages: readonly Stage[]): Drive {
  return {
    ...wanted,
    name: nameOf(source, stages),
    train: { ...wanted.train, source, stages: [...stages, ...wanted.train.stages] },
  };
}

/** Does something keep it from being built as it stands? */
export const misfits = ({ train }: Drive): boolean =>
  train.stages.some((s) => (kindOf(s).warns?.(s) ?? []).length > 0) || boreClashes(train).length > 0;

/** A drive as a candidate; its figures are those of any drive that was typed. */
export const candidateOf = (drive: Drive, to: Had): Candidate => {
  const of = lazy(() => contextOf(drive));
  const told = lazy(() => report(drive));
  return {
    drive,
    to,
    get of() {
      return of();
    },
    get report() {
      return told();
    },
  };
};
