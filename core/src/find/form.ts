import { abs, decimal, div, exactly, nearPi, toNumber, toText, type Rational } from '../numbers/index.ts';
import {
  searchedKinds,
  FIND_STAGES,
  FIND_STEPS,
  FIND_WHEELS,
  counterBits,
  kinematics,
  periodOf,
  sourceKindOf,
  tickHz,
  type Drive,
  type StageKindId,
  type FindSettings,
} from '../drive/index.ts';
import { partKindOf, type ShelfPart } from '../shelf/index.ts';
import { stepsBy, usualSteps, type StepBound } from './rate-steps.ts';

/** A controller until somebody gives one: the same that Check would add. */
const USUAL_TIMER = { tickHz: '1000000' };

/** Figures of the time of a turn of a screw, which holds π. */
const SCREW_FIGURES = 13;

/** A search as it stands for a drive: every field as it is in force, and which of them come from elsewhere. */
export interface FindForm {
  readonly question: NonNullable<FindSettings['question']>;
  readonly divisions: string;
  readonly target: string;
  readonly target2: string;
  readonly periodSeconds: string;
  /** what turns once in that time: an arm is opened by its screw, as it starts */
  readonly turns: 'work' | 'screw';
  readonly tickHz: string;
  readonly bits: number;
  readonly fullSteps: number;
  readonly modes: readonly number[];
  readonly finest: number;
  readonly steps: string;
  /** what set their ends, the lower first; none where somebody typed them */
  readonly stepsBy: readonly Exclude<StepBound['why'], 'field'>[];
  readonly between: string;
  readonly made: NonNullable<FindSettings['made']>;
  readonly wheels: string;
  readonly kinds: readonly StageKindId[];
  readonly maxStages: number;
}

/** The fields of a drive's search with what the job, the train and custom say where nobody said otherwise. */
export function findForm(drive: Drive, shelf: readonly ShelfPart[] = []): FindForm {
  const set = drive.find ?? {};
  const made = set.made ?? 'ranges';
  const { source } = drive.train;
  const kind = sourceKindOf(source);
  const modes = kind.modes(source);
  const [rate] = drive.job.rates ?? [];
  const { timer } = drive;
  const question = set.question ?? (rate && drive.job.divisions.trim() === '' ? 'rate' : 'divisions');
  const { hinge } = kinematics(drive.train);
  const period = rate ? periodOf(rate) : exactly('86164.0905');
  const periodSeconds =
    set.periodSeconds ??
    (hinge
      ? String(Number(toNumber(div(period, nearPi(hinge))).toPrecision(SCREW_FIGURES)))
      : asWritten(period));
  const tick = set.tickHz ?? asWritten(tickHz(timer ?? USUAL_TIMER));
  const bits = set.bits ?? counterBits(timer ?? USUAL_TIMER);
  return {
    question,
    divisions: set.divisions ?? drive.job.divisions,
    target: set.target ?? asWritten(abs(kinematics(drive.train).reduction)),
    target2: set.target2 ?? '',
    periodSeconds,
    turns: hinge ? 'screw' : 'work',
    tickHz: tick,
    bits,
    fullSteps: set.fullSteps ?? kind.fullSteps(source) ?? 200,
    modes,
    finest: set.finest ?? Math.max(...modes),
    steps: set.steps ?? (question === 'rate' ? usualSteps(drive, periodSeconds, tick, bits) : FIND_STEPS),
    stepsBy: set.steps === undefined && question === 'rate' ? stepsBy(drive, periodSeconds, tick, bits) : [],
    between: set.between ?? '',
    made,
    wheels: set.wheels ?? FIND_WHEELS,
    kinds: set.kinds ?? (made === 'ranges' ? ['spur'] : kindsOf(shelf)),
    maxStages: set.maxStages ?? FIND_STAGES,
  };
}

/** The kinds of stage that a shelf can make: what a search of it begins with. */
function kindsOf(shelf: readonly ShelfPart[]): readonly StageKindId[] {
  const there = new Set(
    shelf.flatMap((p) => partKindOf(p).wheel?.(p).pair ?? partKindOf(p).stage?.(p).kind ?? []),
  );
  const kinds = searchedKinds.filter((k) => there.has(k));
  return kinds.length > 0 ? kinds : ['spur'];
}

/** A number as people write it: a decimal where it ends. */
function asWritten(r: Rational): string {
  for (let places = 0; places <= 12; places++)
    if (10n ** BigInt(places) % r.d === 0n) return decimal(r, places);
  return toText(r);
}
