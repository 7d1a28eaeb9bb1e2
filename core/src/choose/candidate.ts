import { add, exactly, mul, ONE, rational, ZERO, type Rational } from '../numbers/index.ts';
import { boreClashes, kindOf, sourceKindOf, type Drive, type Source, type Stage } from '../drive/index.ts';
import { report, type Report } from '../report/index.ts';
import type { ChooseRequest, SourceChoice, StageChoice, Stock } from './request.ts';

/** One drive that may do the job. */
export interface Candidate {
  readonly drive: Drive;
  readonly to: Had;
  /** every figure of it, made when it is asked for */
  readonly report: Report;
}

/** The stages of a drive that were chosen: those that are kept are no choice. */
export const chosenStages = ({ train }: Drive): readonly Stage[] => train.stages.filter((s) => !s.kept);

/** What must be had beside what is owned. */
export interface Had {
  /** money; null where something that must be bought has no price */
  readonly buy: Rational | null;
  /** wheels to cut or print */
  readonly make: number;
}

const NOTHING: Had = { buy: ZERO, make: 0 };
const both = (a: Had, b: Had): Had => ({ buy: a.buy && b.buy && add(a.buy, b.buy), make: a.make + b.make });

/** What `count` of one thing want beside those that are owned: bought where they have a price, else made where they can be. */
function hadOf({ own, price, wheels }: Pick<Stock, 'own' | 'price' | 'wheels'>, count: number): Had {
  const lacking = Math.max(0, count - own);
  if (lacking === 0) return NOTHING;
  if (price !== undefined) return { buy: mul(rational(lacking), exactly(price)), make: 0 };
  return wheels > 0 ? { buy: ZERO, make: lacking * wheels } : { buy: null, make: 0 };
}

/** How many of each thing stages take together; null when there are not so many. */
export function takenBy(
  stages: readonly StageChoice[],
  stock: ChooseRequest['stock'],
): ReadonlyMap<string, number> | null {
  const taken = new Map<string, number>();
  for (const key of stages.flatMap((s) => s.takes)) {
    const count = (taken.get(key) ?? 0) + 1;
    if (count > (stock.get(key)?.quantity ?? 0)) return null;
    taken.set(key, count);
  }
  return taken;
}

/** What the stages alone want beside what is owned. */
export const stagesHad = (taken: ReadonlyMap<string, number>, stock: ChooseRequest['stock']): Had =>
  [...taken].reduce((sum, [key, count]) => both(sum, hadOf(stock.get(key)!, count)), NOTHING);

/** And with the source: it is owned or bought, nobody makes a motor. */
export const withSource = (stages: Had, { own, price }: SourceChoice): Had =>
  both(stages, hadOf({ own, ...(price !== undefined && { price }), wheels: 0 }, 1));

/** A source in one of its modes. */
export const inMode = ({ source, modes }: SourceChoice, mode: number): Source =>
  sourceKindOf(source).hasModes ? ({ ...source, modes, mode } as Source) : source;

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
  const made = lazily(() => report(drive));
  return {
    drive,
    to,
    get report() {
      return made();
    },
  };
};

function lazily<T>(make: () => T): () => T {
  let made: T | null = null;
  return () => (made ??= make());
}
