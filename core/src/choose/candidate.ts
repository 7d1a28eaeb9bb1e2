import {
  boreClashes,
  kindOf,
  sourceKindOf,
  type Drive,
  type Encoder,
  type Plates,
  type Source,
  type Stage,
  type Train,
} from '../drive/index.ts';
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

/** "Worm 1 : 144, motor of 200 at 1/16"; `beside` the source stands what it stops by. */
export function nameOf(source: Source, stages: readonly Stage[], beside = ''): string {
  const kind = sourceKindOf(source);
  const steps = kind.fullSteps(source);
  const by = `${kind.short}${steps === null || steps === 1 ? '' : ` of ${steps}`}${kind.mode(source) > 1 ? ` at 1/${kind.mode(source)}` : ''}${beside}`;
  const made = stages.map((s) => `${kindOf(s).short} ${kindOf(s).label(s)}`).join(', ');
  const name = made === '' ? by : `${made}, ${by}`;
  return name.charAt(0).toUpperCase() + name.slice(1);
}

/** What a drive stops by beside its source: " with an encoder of 2500 lines at the work", " with plates". */
export function besideSource({
  encoder,
  plates,
  train,
}: Pick<Drive, 'encoder' | 'plates' | 'train'>): string {
  if (encoder?.corrects) {
    const where = encoder.shaft === train.stages.length ? 'at the work' : `on shaft ${encoder.shaft}`;
    return ` with an encoder of ${encoder.lines} lines ${where}`;
  }
  return plates && stopsByPlates(train.source) ? ' with plates' : '';
}

/** A crank that goes by whole turns. */
const stopsByPlates = (source: Source): boolean =>
  !sourceKindOf(source).hasModes && sourceKindOf(source).fullSteps(source) === 1;

/** The drive of a choice in one of its modes and stages before those that are kept, with the encoder or the plates that it stops by. */
export function driveWith(
  wanted: Drive,
  choice: SourceChoice,
  mode: number,
  stages: readonly Stage[],
): Drive {
  const made = driveOf(wanted, inMode(choice, mode), stages);
  const { encoder: chosen, plates } = choice;
  if (!chosen && !plates) return made;
  const { at, ...part } = chosen ?? { at: 'work', lines: 0, decode: 4 };
  const shaft = at === 'work' ? made.train.stages.length : stages.length;
  const drive: Drive = {
    ...made,
    ...(chosen && { encoder: { ...part, shaft, corrects: true } }),
    ...(plates && { plates }),
  };
  return { ...drive, name: nameOf(drive.train.source, stages, besideSource(drive)) };
}

/**
 * What of a drive a chosen one takes the place of: source and stages, the encoder it goes by or none, the plates of a crank; limits and
 * output stay.
 */
export const takenFrom = (
  present: Drive,
  chosen: Drive,
): { readonly train: Train; readonly encoder: Encoder | null; readonly plates?: Plates } => ({
  train: { ...present.train, source: chosen.train.source, stages: chosen.train.stages },
  encoder: chosen.encoder ?? null,
  ...(chosen.plates && stopsByPlates(chosen.train.source) && { plates: chosen.plates }),
});

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
