import {
  abs,
  at,
  div,
  exactly,
  isZero,
  mul,
  rational,
  readDivisions,
  error,
  ok,
  type Rational,
  type Result,
} from '../numbers/index.ts';
import {
  readBetween,
  readWheels,
  sourceKindOf,
  type Drive,
  type FindSettings,
  type Stage,
} from '../drive/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import { kitOf } from './pool.ts';
import { findForm, type FindForm } from './form.ts';
import { stagesRefused, type Asked, type FindRequest } from './request.ts';
import type { TwoAsked } from './two-branches.ts';

/** Pairs of branches that are kept. */
const BRANCH_ROWS = 30;

/** Rows of one number of stages that are kept. */
const ROWS = 24;

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
  const request: FindRequest = {
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
  };
  const refused = stagesRefused(request);
  return refused ? { ok: false, refusal: refused } : ok(request);
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

/** Ticks between two steps at the controller's fastest, and what its counter holds. */
function shortest({ timer }: Drive, form: FindForm): FindRequest['interval'] {
  if (timer?.maxStepsPerSecond === undefined || form.question !== 'rate') return null;
  const ticks = div(exactly(form.tickHz), exactly(timer.maxStepsPerSecond));
  const least = Number((ticks.n + ticks.d - 1n) / ticks.d);
  return [Math.max(1, least), Math.max(least, 2 ** form.bits - 1)];
}

function askedOf(form: FindForm): Result<Asked> {
  // two branches and whole drives are other searches
  if (form.question === 'branches' || form.question === 'drives')
    return error('empty', '', { path: 'question', example: 'ratio' });
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
