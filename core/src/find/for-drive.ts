import {
  ARCSEC_PER_TURN,
  abs,
  at,
  compare,
  decimal,
  div,
  exactly,
  isZero,
  mul,
  rational,
  readDivisions,
  error,
  ok,
  toText,
  type Rational,
  type Result,
} from '../numbers/index.ts';
import {
  searchedKinds,
  FIND_STAGES,
  FIND_STEPS,
  FIND_WHEELS,
  counterBits,
  kinematics,
  periodOf,
  pixelScale,
  readBetween,
  readWheels,
  sourceKindOf,
  tickHz,
  type Drive,
  type StageKindId,
  type FindSettings,
  type Stage,
} from '../drive/index.ts';
import { partKindOf, type ShelfPart } from '../shelf/index.ts';
import { kitOf } from './pool.ts';
import type { Asked, Between, FindRequest } from './request.ts';
import type { TwoAsked } from './two-branches.ts';

/** Pairs of branches that are kept. */
const BRANCH_ROWS = 30;

/** Rows of one number of stages that are kept. */
const ROWS = 24;

/** A controller until somebody gives one: the same that Check would add. */
const USUAL_TIMER = { tickHz: '1000000' };

/** A search as it stands for a drive: every field as it is in force, and which of them come from elsewhere. */
export interface FindForm {
  readonly question: NonNullable<FindSettings['question']>;
  readonly divisions: string;
  readonly target: string;
  readonly target2: string;
  readonly periodSeconds: string;
  readonly tickHz: string;
  readonly bits: number;
  readonly fullSteps: number;
  readonly modes: readonly number[];
  readonly finest: number;
  readonly steps: string;
  /** what set the lower end, where nobody typed any; null where somebody did */
  readonly stepsFrom: StepBound['why'] | null;
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
  const periodSeconds = set.periodSeconds ?? (rate ? asWritten(periodOf(rate)) : '86164.0905');
  const tick = set.tickHz ?? asWritten(tickHz(timer ?? USUAL_TIMER));
  const bits = set.bits ?? counterBits(timer ?? USUAL_TIMER);
  return {
    question,
    divisions: set.divisions ?? drive.job.divisions,
    target: set.target ?? asWritten(abs(kinematics(drive.train).reduction)),
    target2: set.target2 ?? '',
    periodSeconds,
    tickHz: tick,
    bits,
    fullSteps: set.fullSteps ?? kind.fullSteps(source) ?? 200,
    modes,
    finest: set.finest ?? Math.max(...modes),
    steps: set.steps ?? (question === 'rate' ? usualSteps(drive, periodSeconds, tick, bits) : FIND_STEPS),
    stepsFrom:
      set.steps === undefined && question === 'rate'
        ? rateSteps(drive, exactly(periodSeconds), exactly(tick), bits).least.why
        : null,
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

/**
 * What a drive's search asks of what there is. `used` tells how many of a line of the shelf other drives take.
 * Refused, with the field as its place, while a field says nothing that can be searched for. (handbook: find)
 */
export function requestFor(
  drive: Drive,
  shelf: readonly ShelfPart[],
  used: (id: string) => number,
): Result<FindRequest> {
  const form = findForm(drive, shelf);
  const set = drive.find ?? {};
  const asked = askedOf(form);
  if (!asked.ok) return asked;
  const wheels = readWheels(form.wheels);
  if (!wheels.ok) return { ok: false, refusal: at('wheels', wheels.refusal) };
  const steps = readBetween(form.steps);
  if (!steps.ok) return { ok: false, refusal: at('steps', steps.refusal) };
  const between = readBetween(form.between);
  if (!between.ok) return { ok: false, refusal: at('between', between.refusal) };
  if (form.kinds.length === 0) return error('empty', '', { path: 'kinds', example: 'spur' });
  const modes = form.modes.filter((m) => m <= form.finest);
  return ok({
    asked: asked.value,
    source: { fullSteps: form.fullSteps, modes: modes.length > 0 ? modes : [1] },
    kit: {
      ...kitOf(
        {
          made: form.made,
          wheels: wheels.value,
          kinds: form.kinds,
          noPlay: set.play === 'none',
          kept: keptOf(drive.train.stages),
        },
        shelf,
        used,
      ),
      ...pairLimits(set),
      ...(set.mostTeeth !== undefined && { mostTeeth: set.mostTeeth }),
      ...(set.mostCost !== undefined && { mostCost: hundredths(set.mostCost) }),
      ...(set.holds === 'must' && { mustHold: true }),
    },
    maxStages: form.maxStages,
    steps: steps.value,
    ratio: [between.value[0], reach(drive, set, between.value[1])],
    maxErrorPpm: errorOf(drive, form, set),
    interval: shortest(drive, form),
    rank: 'both',
    count: ROWS,
  });
}

/**
 * The stages that stay, in their places. A kept head stays at the work and what is found goes before it; where the maker has free stages behind
 * kept ones, as after a one-piece gear motor, what is found takes their place. (handbook: find)
 */
function keptOf(stages: readonly Stage[]): NonNullable<FindRequest['kit']['kept']> {
  const free = stages.findIndex((s) => !s.kept);
  const first = stages.slice(0, Math.max(0, free));
  return { first, last: stages.slice(first.length).filter((s) => s.kept) };
}

/** What bounds the steps of a turn for a rate, and by what: the job's camera, the controller's counter and its speed. */
export interface StepBound {
  readonly why: 'camera' | 'counter' | 'speed' | 'field';
  readonly steps: Rational;
}

/** A whole number, or the first figures of a greater one. */
const up = (r: Rational): Rational => rational((r.n + r.d - 1n) / r.d);

/**
 * The steps that a rate wants of a turn where nobody typed any: no fewer than let a camera see one pixel at a step, and than the counter holds
 * between two; no more than the controller makes. (handbook: follow)
 */
export function rateSteps(
  drive: Drive,
  period: Rational,
  ticks: Rational,
  bits: number,
): { readonly least: StepBound; readonly most: StepBound } {
  const { camera } = drive.job;
  const [low, high] = FIND_STEPS.split('-').map((t) => exactly(t)) as [Rational, Rational];
  const least: StepBound[] = [
    { why: 'field', steps: low },
    { why: 'counter', steps: up(div(mul(period, ticks), rational(2n ** BigInt(bits) - 1n))) },
    ...(camera
      ? [
          {
            why: 'camera' as const,
            steps: rational(Math.ceil(Number(ARCSEC_PER_TURN) / pixelScale(camera.pixelUm, camera.focalMm))),
          },
        ]
      : []),
  ];
  const first = least.reduce((a, b) => (compare(b.steps, a.steps) > 0 ? b : a));
  // as wide as the field is when nothing bounds it
  const wide = div(mul(first.steps, high), low);
  const top = drive.timer?.maxStepsPerSecond;
  const fastest = top === undefined ? null : mul(period, exactly(top));
  return {
    least: first,
    most:
      fastest && compare(fastest, wide) < 0
        ? { why: 'speed', steps: fastest }
        : { why: 'field', steps: wide },
  };
}

/** The range of steps that is searched unless somebody typed one. */
function usualSteps(drive: Drive, period: string, tick: string, bits: number): string {
  const { least, most } = rateSteps(drive, exactly(period), exactly(tick), bits);
  const whole = (r: Rational): string => String(r.n / r.d);
  return compare(least.steps, most.steps) < 0
    ? `${whole(least.steps)}-${whole(most.steps)}`
    : whole(least.steps) + '-';
}

/** A number as people write it: a decimal where it ends. */
function asWritten(r: Rational): string {
  for (let places = 0; places <= 12; places++)
    if (10n ** BigInt(places) % r.d === 0n) return decimal(r, places);
  return toText(r);
}

/** Ticks between two steps at the controller's fastest, and what its counter holds. */
function shortest({ timer }: Drive, form: FindForm): FindRequest['interval'] {
  if (timer?.maxStepsPerSecond === undefined || form.question !== 'rate') return null;
  const ticks = div(exactly(form.tickHz), exactly(timer.maxStepsPerSecond));
  const least = Number((ticks.n + ticks.d - 1n) / ticks.d);
  return [Math.max(1, least), Math.max(least, 2 ** form.bits - 1)];
}

function askedOf(form: FindForm): Result<Asked> {
  // two branches are another search
  if (form.question === 'branches') return error('empty', '', { path: 'question', example: 'ratio' });
  if (form.question === 'ratio') return ok({ question: 'ratio', target: exactly(form.target) });
  if (form.question === 'rate')
    return ok({
      question: 'rate',
      periodSeconds: exactly(form.periodSeconds),
      tickHz: exactly(form.tickHz),
      bits: form.bits,
    });
  const read = readDivisions(form.divisions);
  if (!read.ok) return { ok: false, refusal: at('divisions', read.refusal) };
  return read.value.length === 0
    ? error('empty', '', { path: 'divisions', example: '73, 97' })
    : ok({ question: 'divisions', divisions: read.value.map(BigInt) });
}

function pairLimits({ pairRatio, meet }: FindSettings): Pick<FindRequest['kit'], 'pair'> {
  const meets = meet === 'hunting' || meet === 'repeating' ? meet : undefined;
  if (pairRatio === undefined && !meets) return {};
  return {
    pair: {
      ...(pairRatio !== undefined && { mostRatio: exactly(pairRatio) }),
      ...(meets && { meet: meets }),
    },
  };
}

/** The greatest ratio: what was said, and what the motor's speed leaves when the work must reach one. */
function reach(drive: Drive, { leastRpm }: FindSettings, high: Rational | null): Rational | null {
  if (leastRpm === undefined) return high;
  const { source } = drive.train;
  const most = div(sourceKindOf(source).speed(source).rpm, exactly(leastRpm));
  return high && high.n * most.d < most.n * high.d ? high : most;
}

const hundredths = (price: string): number => {
  const r = mul(exactly(price), exactly('100'));
  return Number(r.n / r.d);
};

const ARCSEC_PER_MILLIONTH = '1.296';
/** How far off a row may be when nobody says: 1000 ppm of a ratio, and of a rate. */
const PPM = '1000';
/** A train that nearly comes out even creeps less than this each turn when the job has no tolerance. */
const CREEP_ARCSEC = '30';

/** The greatest error in parts of a million; for divisions the job's tolerance stands for the creep of one turn. */
function errorOf(drive: Drive, { question }: FindForm, { errorPpm }: FindSettings): Rational {
  if (errorPpm !== undefined) return exactly(errorPpm);
  if (question !== 'divisions') return exactly(PPM);
  return div(exactly(drive.job.toleranceArcsec ?? CREEP_ARCSEC), exactly(ARCSEC_PER_MILLIONTH));
}

/** What a drive asks of two branches at once; refused while one of the ratios is missing. */
export function branchesAsked(drive: Drive): Result<TwoAsked> {
  const form = findForm(drive);
  if (form.target2 === '') return error('empty', '', { path: 'target2', example: '12' });
  const wheels = readWheels(form.wheels);
  if (!wheels.ok) return { ok: false, refusal: at('wheels', wheels.refusal) };
  const [first, second] = [form.target, form.target2].map((t) => abs(exactly(t)));
  if (isZero(first!) || isZero(second!)) return error('zero', '0', { path: 'target2', example: '12' });
  return ok({
    wanted: [first!, second!],
    within: mul(exactly(drive.find?.errorPpm ?? '0'), rational(1, 1_000_000)),
    teeth: wheels.value,
    count: BRANCH_ROWS,
  });
}
