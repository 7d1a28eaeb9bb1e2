import {
  abs,
  decimal,
  div,
  isZero,
  mul,
  nearPi,
  rational,
  scalePi,
  sub,
  type Rational,
} from '../../../numbers/index.ts';
import {
  periodOf,
  rateName,
  ratePeriods,
  type Drive,
  type Kinematics,
  type Rate,
  counterBits,
} from '../../../drive/index.ts';
import {
  doubtOf,
  doubtOfAll,
  gradeRate,
  toleranceArcsec,
  toleranceOf,
  worstGrade,
} from '../../../motion/index.ts';
import {
  armError,
  causesOf,
  largestCause,
  secondsADay,
  timingOf,
  turningArm,
  type RateAsked,
  type RateCause,
  type Timing,
} from '../../../follow/index.ts';
import {
  counted,
  doubtful,
  doubtText,
  type Graded,
  grouped,
  measured,
  mixed,
  type Rich,
  roughAngle,
  signed,
  whole,
} from '../../../words/index.ts';
import { causeLines, largestMessage, shaftLines } from './causes.ts';
import { drawn, figuresOf, sentences } from './figures.ts';
import { driftText, ppmMessage, type RateReport, type RateWay } from './way.ts';
import { empty, type VerdictCell } from '../../cell.ts';
import type { DutyContext, DutyKind } from '../kind.ts';

/** A session when none is given, minutes. */
const SESSION_MINUTES = 60;
/** What is allowed at an arm when the job names nothing, ″. */
export const ARM_ALLOWED = 20;

/** Rates of the sky: one turn of it, not of a screw. */
const ofSky = (rate: Rate): boolean => ratePeriods[rate.kind].seconds !== null && rate.kind !== 'tide';

/** How long a rate is followed at a time, s: what an arm says, else the controller, else an hour. */
export function sessionOf({ train: { output }, timer }: Drive): number {
  const own = output.kind === 'tangentArm' ? output.sessionMinutes : undefined;
  return (own ?? timer?.sessionMinutes ?? SESSION_MINUTES) * 60;
}

/** The rates of the job, as the controller and the whole train keep them. (handbook: follow) */
export const rateReports = (drive: Drive, k: Kinematics): readonly RateReport[] =>
  (drive.job.rates ?? []).map((rate, at) => rateReport(drive, k, rate, at));

/** A reason why no interval keeps it, whatever the clock; null when there is none. */
function impossible(k: Kinematics, rate: Rate): { readonly graded: Graded; readonly message: string } | null {
  if (k.lock)
    return {
      graded: { grade: 'misses', word: 'Stands still' },
      message:
        'A Geneva does not keep a rate: the work stands still while it is locked, for most of each turn of its crank, and moves by jerks between.',
    };
  if (k.travel && ofSky(rate))
    return {
      graded: { grade: 'unknown', word: 'A screw is no sky' },
      message:
        'The sky turns, and this work travels: make the output a tangent arm, or write the time of one turn of the last shaft.',
    };
  return null;
}

function rateReport(drive: Drive, k: Kinematics, rate: Rate, at: number): RateReport {
  const { timer } = drive;
  const period = periodOf(rate);
  const N = k.stepsPerWorkTurn;
  const cannot = impossible(k, rate);
  const timing = N && timer && !cannot ? timingOf(N, period, timer) : null;
  const arm = drive.train.output.kind === 'tangentArm' ? turningArm(drive.train.output, period) : null;
  const asked: RateAsked = {
    timer,
    k,
    period,
    arm,
    session: sessionOf(drive),
    polarArcmin: ofSky(rate) ? (drive.job.camera?.polarArcmin ?? 0) : 0,
  };
  const ways = cannot ? [] : timing ? waysOf(drive, timing, asked) : N ? [] : runs(drive, asked);
  const wanted = timer?.how === 'fixed' ? 'fixed' : 'spread';
  const chosen = ways.find((w) => w.how === wanted) ?? ways[0] ?? null;
  const key = `rate.${at}`;
  const doubt = N ? doubtOf(k) : doubtOfAll(k);
  return {
    key,
    rate,
    name: rateName(rate),
    sense: rate.reverse ? 'back' : 'forward',
    period,
    timing,
    ways,
    chosen,
    // the timer only adds its own share
    kept: chosen?.causes ?? (cannot ? [] : causesOf(asked, rational(0), 'rounding').slice(1)),
    follows: cannot === null,
    graded: cannot?.graded ?? chosen?.graded ?? { grade: 'unknown', word: N ? 'No timer given' : 'Unknown' },
    figures: figuresOf(drive, k, { key, rate, period, timing, chosen }),
    causes: chosen ? causeLines(key, chosen.causes, period, k, asked.session) : [],
    get shafts() {
      return cannot ? [] : shaftLines(key, drive, k, period);
    },
    largest: chosen ? largestMessage(chosen, timer, k) : '',
    message: cannot ? [cannot.message] : sentences(timer, timing, period, N !== null),
    drift: chosen && drawn(ways, chosen, timer, period, key, k),
    arm,
    doubt: doubtText(doubt, 'ppm').replace(/^,? /, ''),
  };
}

function waysOf(drive: Drive, timing: Timing, asked: RateAsked): readonly RateWay[] {
  const { spread, fixed, beside, even } = timing;
  const q = whole(spread.q);
  const way = (how: RateWay['how'], title: string, ticks: Rich, off: Rational): RateWay =>
    wayOf(drive, asked, timing, { how, title, ticks, off });
  const alternate = `Alternate ${q} and ${whole(spread.q + 1n)}`;
  const shared = way('spread', even ? `One interval, ${q}` : alternate, ticksOf(timing), timing.spreadOff);
  if (even) return [shared];
  const always = (how: 'fixed' | 'beside', f: typeof fixed): readonly RateWay[] =>
    f ? [way(how, `One interval, ${whole(f.ticks)}`, [whole(f.ticks)], f.off)] : [];
  return [shared, ...always('fixed', fixed), ...always('beside', beside)];
}

/** Ticks between two steps: exact, or with the first figures where π is in it. */
export const ticksOf = ({ interval, holdsPi }: Timing): Rich =>
  holdsPi ? [`${grouped(decimal(interval, 4))}…`] : mixed(interval);

function wayOf(
  drive: Drive,
  asked: RateAsked,
  timing: Timing | null,
  { how, title, ticks, off }: Pick<RateWay, 'how' | 'title' | 'ticks' | 'off'>,
): RateWay {
  const { k, period } = asked;
  const causes = causesOf(asked, off, how === 'runs' ? 'speed' : 'rounding');
  return {
    how,
    title,
    ticks,
    off,
    ppm: ppmMessage(off),
    fiveMinutes: driftText(k, off, period, 300),
    hour: driftText(k, off, period, 3600),
    day: signed(measured(secondsADay(off)), secondsADay(off)),
    causes,
    graded: doubtful(
      gradeOf(drive, asked, timing, how, off, causes),
      k.stepsPerTurn ? doubtOf(k) : doubtOfAll(k),
      'ppm',
    ),
  };
}

/** One grade for the interface and for the terminal: every cause against what is allowed. (handbook: follow) */
function gradeOf(
  drive: Drive,
  asked: RateAsked,
  timing: Timing | null,
  how: RateWay['how'],
  off: Rational,
  causes: readonly RateCause[],
): Graded {
  const { timer } = asked;
  const largest = Math.abs(largestCause(causes).ppm);
  const allowed = timer?.withinPpm ?? null;
  const grade = gradeRate(
    how === 'spread' || isZero(off),
    timing === null || (timing.fits && !timing.tooFast),
    largest,
    allowed,
  );
  const { misses: runsAway, off: armOff } = armMisses(drive, asked);
  if (timing && !timing.fits)
    return { grade, word: timing.fixed ? `Over ${counterBits(timer!)} bits` : 'Too fast' };
  if (timing?.tooFast) return { grade, word: `Over ${timer!.maxStepsPerSecond} steps/s` };
  if (grade === 'misses') return { grade, word: `Misses by ${measured(largest - (allowed ?? 0))} ppm` };
  if (runsAway > 0)
    return { grade: worstGrade([grade, 'misses']), word: `Misses by ${roughAngle(runsAway)}` };
  // nobody has said what may be off: what the arm leaves is told, not judged
  if (armOff !== 0) return { grade: 'rounded', word: `Off by ${roughAngle(armOff)}` };
  if (grade === 'rounded') return { grade, word: 'Rounded' };
  return { grade, word: timing === null || timing.even ? 'Even' : 'Even ±1 tick' };
}

/** What a steady screw is off at the end of the session, ″ where nobody says what is allowed; and by how much it passes what is. */
function armMisses(
  drive: Drive,
  { arm, session }: RateAsked,
): { readonly misses: number; readonly off: number } {
  const off = arm && arm.kind !== 'curved' ? Math.abs(armError(arm, session)) : 0;
  const tolerance = toleranceOf(drive.job);
  return tolerance ? { misses: Math.max(0, off - toleranceArcsec(tolerance)), off: 0 } : { misses: 0, off };
}

/** A source that runs by itself: its own speed against the one that is wanted. */
function runs(drive: Drive, asked: RateAsked): readonly RateWay[] {
  const { k, period } = asked;
  if (k.speed.estimate) return [];
  const shaft = div(mul(rational(60), abs(k.reduction)), k.speed.rpm);
  const made = k.hinge ? nearPi(scalePi(k.hinge, shaft)) : shaft;
  const off = sub(div(period, made), rational(1));
  return [
    wayOf(drive, asked, null, {
      how: 'runs',
      title: `One turn in ${grouped(decimal(made, 4))} s`,
      ticks: k.hinge ? [grouped(decimal(made, 6))] : mixed(made),
      off,
    }),
  ];
}

/** The rate that is kept worst; null for none. */
function worstRate(rates: readonly RateReport[]): RateReport | null {
  const size = (r: RateReport): number => (r.chosen ? Math.abs(largestCause(r.chosen.causes).ppm) : 0);
  return rates.reduce<RateReport | null>((worst, r) => {
    if (!worst) return r;
    if (r.graded.grade !== worst.graded.grade)
      return worstGrade([r.graded.grade, worst.graded.grade]) === r.graded.grade ? r : worst;
    return size(r) > size(worst) ? r : worst;
  }, null);
}

/** "follows the stars and two more", for the title. */
function follows({ job: { rates = [] } }: Drive): string | null {
  const [first] = rates;
  if (!first) return null;
  const the = first.name || first.kind === 'period' ? rateName(first) : `the ${rateName(first)}`;
  return `follows ${the.replace('the half ', 'half the ')}${rates.length > 1 ? ` and ${counted(rates.length - 1, 'more', 'more')}` : ''}`;
}

/** The rate that is kept worst. */
function rateCell({ rates }: DutyContext): VerdictCell | null {
  const worst = worstRate(rates());
  if (!worst) return null;
  // a rate that its steps keep shows what they leave; what a clock or a ratio brings on top stands in the working
  const kept =
    worst.graded.grade === 'even' ? worst.figures.find((f) => f.key === `${worst.key}.mean`) : null;
  const figure = kept ?? worst.figures.find((f) => f.key === `${worst.key}.off`) ?? null;
  return {
    ...empty('rate', 'judged', worst.graded.word.toLowerCase()),
    group: 'rate',
    figure,
    graded: figure && worst.graded,
  };
}

/** Rates have a report of their own, `RateReport`; what is asked of them is like any duty. */
export const rates: DutyKind = {
  group: { id: 'rate', title: 'Rate' },
  ask: {
    title: 'Rate',
    purpose: 'the stars, the sun, a tide, or one turn in 24 h: kept up by steps',
    edit: { do: 'addDuty', duty: 'rates' },
    empty: {
      title: 'No rate is asked',
      message:
        'The stars, the sun, the moon, a tide, or one turn in a time of your own: how well the steps keep it.',
      add: 'Follow a rate',
    },
  },
  asked: ({ job }) => (job.rates ?? []).length > 0,
  many: true,
  reports: () => [],
  says: follows,
  asks: ({ rates: of }) => of().map((r) => ({ key: r.key, title: r.name, figures: r.figures.slice(0, 2) })),
  cells: { rate: rateCell },
};
