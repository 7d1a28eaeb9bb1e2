import {
  abs,
  decimal,
  exactly,
  rational,
  sub,
  toNumber,
  toText,
  type Rational,
} from '../../../numbers/index.ts';
import { doubtOf, gradeFrames, isSure, SURE } from '../../../motion/index.ts';
import type { Drive, Easing, Kinematics, Sweep } from '../../../drive/index.ts';
import {
  curedBy,
  planSweep,
  scheduleOf,
  SEEN_RIPPLE,
  stepsOfSweep,
  type Schedule,
  type SweepPlan,
} from '../../../travel/index.ts';
import {
  counted,
  doubtful,
  doubtText,
  type Graded,
  grouped,
  inWords,
  measured,
  mixed,
  type Rich,
  trimmed,
} from '../../../words/index.ts';
import { lazy } from '../../lazy.ts';
import { stepsFigure, stepUnit } from '../../train/train.ts';
import { figureOf, line, worked, type DutyChart, type DutyLine, type DutyReport } from '../duty.ts';
import { sweepName } from '../../../plans/index.ts';
import type { DutyKind } from '../kind.ts';
import { scheduleLines, scheduleMessage } from './schedule.ts';

const UNITS = { deg: '°', mm: 'mm', turns: 'turns' } as const;
const EASINGS: Readonly<Record<Easing, string>> = {
  linear: 'no easing',
  cosine: '(1 − cos πu) ÷ 2',
  smoothstep: '3u² − 2u³',
  trapezoid: 'steady but for its ends',
};

/** What a sweep goes by, in a word: of steps that the maker counts himself nobody knows how fine they are. */
const unitOf = (drive: Drive, k: Kinematics, sweep: Sweep): string =>
  sweep.stepsPerUnit === undefined ? stepUnit(drive, k) : 'step';

function sweepReport(drive: Drive, k: Kinematics, sweep: Sweep, at: number): DutyReport {
  const key = `sweep.${at}`;
  const title = sweepName(sweep, at);
  const steps = stepsOfSweep(sweep, k);
  const empty = { key, title, lines: [], charts: [], table: null };
  if (!steps && k.lock)
    return {
      ...empty,
      graded: { grade: 'misses', word: 'Stands still' },
      message: [
        'A Geneva does not keep a sweep: the work stands still while it is locked, for most of each turn of its crank, and jumps between.',
      ],
    };
  if (!steps)
    return {
      ...empty,
      graded: { grade: 'unknown', word: 'Unknown' },
      message: [
        sweep.unit === 'mm' && !k.travel
          ? 'The work turns: write the sweep in degrees or turns, or give the train a straight output.'
          : k.hinge
            ? 'A tangent arm follows a rate: it is not swept in frames.'
            : 'This source has no steps.',
      ],
    };
  if (steps.n === 0n)
    return {
      ...empty,
      graded: { grade: 'unknown', word: 'Goes nowhere' },
      message: ['It ends where it begins.'],
    };
  const plan = planSweep(sweep, steps);
  const schedule = scheduleOf(sweep, plan.most, drive.timer);
  const own = sweep.stepsPerUnit === undefined ? doubtOf(k) : SURE;
  const unit = unitOf(drive, k, sweep);
  const charts = lazy(() => [chart(sweep, key, plan, unit)]);
  const message = lazy(() => [
    ...sentences(sweep, plan, k),
    ...(schedule ? scheduleMessage(schedule) : []),
    ...(isSure(own) ? [] : [`It ends where it should${doubtText(own, 'ppm')}.`]),
  ]);
  const table = lazy(() => targetsTable(sweep, plan, unit));
  return {
    key,
    title,
    graded: doubtful(gradeOf(plan, schedule), own, 'ppm'),
    lines: [...lines(drive, k, sweep, key, plan), ...scheduleLines(sweep, key, schedule)],
    get message() {
      return message();
    },
    get charts() {
      return charts();
    },
    get table() {
      return table();
    },
  };
}

function gradeOf(plan: SweepPlan, schedule: Schedule | null): Graded {
  if (schedule && schedule.slack < 0)
    return { grade: 'misses', word: `Short by ${measured(-schedule.slack)} s` };
  const grade = gradeFrames(plan.least === plan.most, plan.ripple, SEEN_RIPPLE);
  return { grade, word: grade === 'even' ? 'Even' : `Ripple ${measured(plan.ripple)} %` };
}

function lines(drive: Drive, k: Kinematics, sweep: Sweep, key: string, plan: SweepPlan): readonly DutyLine[] {
  const unit = unitOf(drive, k, sweep);
  const way = abs(sub(exactly(sweep.to), exactly(sweep.from)));
  const whole = worked(
    'the way',
    [...mixed(way), sweep.unit === 'deg' ? '°' : ` ${UNITS[sweep.unit]}`],
    true,
  );
  const per =
    sweep.stepsPerUnit === undefined
      ? worked('steps a turn', stepsFigure(drive, k).text, true)
      : worked('steps a unit', [...mixed(exactly(sweep.stepsPerUnit))], true);
  const holdsPi = sweep.unit === 'mm' && k.travel?.piPower === 1 && sweep.stepsPerUnit === undefined;
  const exact = !holdsPi && (sweep.stepsPerUnit !== undefined || isSure(doubtOf(k)));
  const shown = (r: Rational): Rich => (holdsPi ? [`${grouped(decimal(r, 3))}…`] : mixed(r));
  const value = (r: Rational): string | number => (holdsPi ? toNumber(r) : toText(r));
  const base = [whole, per];
  const frames = worked(
    'frames',
    `${grouped(String(sweep.frames))}, so ${grouped(String(sweep.frames - 1))} moves`,
    true,
  );
  return [
    line(
      figureOf({
        key: `${key}.steps`,
        label: `${unit}s of the sweep`,
        value: value(plan.steps),
        text: shown(plan.steps),
        exact,
        from: base,
      }),
    ),
    line(
      figureOf({
        key: `${key}.mean`,
        label: `${unit}s a frame, mean`,
        value: value(plan.mean),
        text: shown(plan.mean),
        exact,
        from: [...base, frames],
      }),
    ),
    line(
      figureOf({
        key: `${key}.range`,
        label: 'least and most in one frame',
        value: plan.most,
        text: [`${grouped(String(plan.least))} to ${grouped(String(plan.most))}`],
        exact: true,
        from: [
          ...base,
          frames,
          worked('easing', EASINGS[sweep.easing], true),
          worked('targets', `each frame goes to its own ${unit}; the last is the total`, true),
        ],
      }),
      plan.still > 0 ? `${grouped(String(plan.still))} frames do not move` : '',
    ),
    line(
      figureOf({
        key: `${key}.ripple`,
        label: 'ripple',
        value: plan.ripple,
        text: [measured(plan.ripple), { unit: '%' }],
        from: [
          ...base,
          frames,
          worked(
            'greatest |moved − ideal|',
            `${measured((plan.ripple * toNumber(plan.mean)) / 100)} ${unit}s, of a mean frame’s ${measured(toNumber(plan.mean))}`,
          ),
        ],
      }),
      `the eye sees it above about ${SEEN_RIPPLE} %, an estimate`,
    ),
  ];
}

/** Reductions that are tried, each frame by frame. */
const FACTORS = Array.from({ length: 63 }, (_, i) => rational(i + 2));

/** What cures an uneven sweep: a finer mode, or more reduction. */
function sentences(sweep: Sweep, plan: SweepPlan, k: Kinematics): readonly string[] {
  const out: string[] = [];
  if (plan.ripple > SEEN_RIPPLE) {
    const finer =
      sweep.stepsPerUnit === undefined
        ? k.modes.filter((m) => m > k.mode).find((m) => curedBy(sweep, plan.steps, [rational(m, k.mode)]))
        : undefined;
    const factor = finer === undefined ? curedBy(sweep, plan.steps, FACTORS) : null;
    out.push(
      finer !== undefined
        ? `Uneven: microsteps of 1/${finer} bring the ripple under ${SEEN_RIPPLE} %.`
        : factor
          ? `Uneven: ${factor.n} times the reduction, or as much finer a mode, brings the ripple under ${SEEN_RIPPLE} %.`
          : `Uneven: more than ${FACTORS.length + 1} times the reduction would be wanted to bring the ripple under ${SEEN_RIPPLE} %.`,
    );
  }
  if (plan.still > 0)
    out.push(`${grouped(String(plan.still))} of ${grouped(String(sweep.frames - 1))} moves are none at all.`);
  return out;
}

function chart(sweep: Sweep, key: string, plan: SweepPlan, unit: string): DutyChart {
  const gaps = plan.targets.slice(1).map((t, i) => [i + 1, t - plan.targets[i]!] as const);
  const thinned = gaps.length <= 1200 ? gaps : gaps.filter((_, i) => i % Math.ceil(gaps.length / 1200) === 0);
  return {
    key: `${key}.frames`,
    title: `${unit[0]!.toUpperCase()}${unit.slice(1)}s in each frame`,
    x: 'frame',
    y: '',
    series: [
      { name: EASINGS[sweep.easing], points: thinned, look: 'main' },
      {
        name: 'mean',
        points: [
          [1, toNumber(plan.mean)],
          [sweep.frames - 1, toNumber(plan.mean)],
        ],
        look: 'limit',
      },
    ],
    message: `${plan.least} to ${plan.most} ${unit}s a frame.`,
  };
}

const targetsTable = (sweep: Sweep, plan: SweepPlan, unit: string): DutyReport['table'] => ({
  title: 'Frames',
  head: ['frame', 'second', `${unit}s`, 'target'],
  rows: plan.targets.map((t, i) => [
    String(i + 1),
    sweep.intervalSeconds === undefined ? '' : trimmed(i * sweep.intervalSeconds, 6),
    i === 0 ? '0' : String(t - plan.targets[i - 1]!),
    String(t),
  ]),
});

const UNIT = { deg: '°', mm: ' mm', turns: ' turns' } as const;

/** "sweeps 0 to 90° in 240 frames", for the title. */
function sweepsSay({ job: { sweeps = [] } }: Drive): string | null {
  const [sweep] = sweeps;
  if (!sweep) return null;
  const what =
    sweeps.length > 1 ? `${inWords(sweeps.length)} axes` : `${sweep.from} to ${sweep.to}${UNIT[sweep.unit]}`;
  return `sweeps ${what} in ${counted(sweep.frames, 'frame')}`;
}

/** The sweeps of the job, each with its frames, its ripple and its schedule. (handbook: travel) */
export const sweeps: DutyKind = {
  group: { id: 'sweep', title: 'Sweep' },
  ask: {
    title: 'Sweep',
    purpose: 'a camera slide or a turn, frame by frame',
    edit: { do: 'addDuty', duty: 'sweeps' },
    empty: {
      title: 'No sweep yet',
      message: 'From one place to another in so many frames: what each move is, and whether it is even.',
      add: 'Add a sweep',
    },
  },
  asked: ({ job }) => (job.sweeps ?? []).length > 0,
  many: true,
  reports: ({ drive, k }) => (drive.job.sweeps ?? []).map((s, at) => sweepReport(drive, k, s, at)),
  says: sweepsSay,
  job: { word: '', inputs: ['from', 'to', 'unit', 'frames', 'easing'] },
  rests: ({ job }, at) => job.sweeps?.[at]?.stepsPerUnit === undefined,
};
