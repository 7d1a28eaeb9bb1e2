import {
  abs,
  decimal,
  exactly,
  rational,
  sub,
  toNumber,
  toText,
  type Rational,
} from '../../numbers/index.ts';
import { doubtOf, gradeFrames, isSure, SURE } from '../../motion/index.ts';
import type { Drive, Easing, Kinematics, Sweep } from '../../drive/index.ts';
import {
  curedBy,
  framesIn,
  planSweep,
  scheduleOf,
  SEEN_RIPPLE,
  stepsOfSweep,
  type Schedule,
  type SweepPlan,
} from '../../travel/index.ts';
import { doubtful, doubtText } from '../doubt-words.ts';
import type { Graded } from '../figure.ts';
import type { Rich } from '../rich.ts';
import { lazy } from '../lazy.ts';
import { stepsFigure } from '../train.ts';
import { grouped, measured, mixed, timeText, trimmed } from '../text.ts';
import { figureOf, line, worked, type DutyChart, type DutyLine, type DutyReport } from './duty.ts';
import type { DutyKind } from './kind.ts';

const UNITS = { deg: '°', mm: 'mm', turns: 'turns' } as const;
const EASINGS: Readonly<Record<Easing, string>> = {
  linear: 'no easing',
  cosine: '(1 − cos πu) ÷ 2',
  smoothstep: '3u² − 2u³',
  trapezoid: 'steady but for its ends',
};
const PARTS: Readonly<Record<Schedule['longest'], string>> = {
  exposure: 'exposure',
  write: 'writing',
  move: 'moving',
  settle: 'settling',
  margin: 'margin',
};

export const sweepName = (sweep: Sweep, at: number): string => sweep.name?.trim() || `Sweep ${at + 1}`;

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
  const table = lazy(() => targetsTable(sweep, plan));
  return {
    key,
    title,
    graded: doubtful(gradeOf(plan, schedule), own, 'ppm'),
    lines: [...lines(drive, k, sweep, key, plan), ...scheduleLines(sweep, key, schedule)],
    message: [
      ...sentences(sweep, plan, k),
      ...(schedule ? scheduleMessage(schedule) : []),
      ...(isSure(own) ? [] : [`It ends where it should${doubtText(own, 'ppm')}.`]),
    ],
    charts: [chart(sweep, key, plan)],
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
  const unit = UNITS[sweep.unit];
  const way = abs(sub(exactly(sweep.to), exactly(sweep.from)));
  const whole = worked('the way', [...mixed(way), unit === '°' ? '°' : ` ${unit}`], true);
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
        label: 'microsteps of the sweep',
        value: value(plan.steps),
        text: shown(plan.steps),
        exact,
        from: base,
      }),
    ),
    line(
      figureOf({
        key: `${key}.mean`,
        label: 'microsteps a frame, mean',
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
          worked('targets', 'each frame goes to its own microstep; the last is the total', true),
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
            `${measured((plan.ripple * toNumber(plan.mean)) / 100)} microsteps, of a mean frame’s ${measured(toNumber(plan.mean))}`,
          ),
        ],
      }),
      `the eye sees it above about ${SEEN_RIPPLE} %, an estimate`,
    ),
  ];
}

function scheduleLines(sweep: Sweep, key: string, schedule: Schedule | null): readonly DutyLine[] {
  if (!schedule) return [];
  const parts = schedule.parts.map((p) => worked(PARTS[p.id], `${measured(p.seconds)} s`));
  return [
    line(
      figureOf({
        key: `${key}.slack`,
        label: 'left of each interval',
        value: schedule.slack,
        text: [`${schedule.slack < 0 ? '−' : ''}${measured(Math.abs(schedule.slack))}`, { unit: 's' }],
        from: [worked('interval', `${measured(schedule.interval)} s`), ...parts],
      }),
      `${PARTS[schedule.longest]} takes most of it`,
      schedule.slack < 0
        ? { grade: 'misses', word: `Short by ${measured(-schedule.slack)} s` }
        : { grade: 'passes', word: 'Fits' },
    ),
    line(
      figureOf({
        key: `${key}.total`,
        label: 'takes',
        value: schedule.totalSeconds,
        text: [timeText(schedule.totalSeconds).join(' ')],
        from: [
          worked('moves', `${sweep.frames - 1} × ${measured(schedule.interval)} s`),
          worked('in an hour', `${grouped(String(framesIn(3600, schedule.interval)))} frames`),
        ],
      }),
      `${measured(schedule.filmSeconds)} s of film at ${sweep.fps ?? 25} frames a second`,
    ),
  ];
}

function scheduleMessage(schedule: Schedule): readonly string[] {
  if (schedule.slack >= 0) return [];
  const others = schedule.parts.filter((p) => p.id !== schedule.longest && p.seconds > 0);
  return [
    `The interval is ${measured(-schedule.slack)} s too short: ${PARTS[schedule.longest]} breaks it first${others.length > 0 ? `, with ${others.map((p) => PARTS[p.id]).join(', ')} beside it` : ''}. Take an interval of ${measured(schedule.interval - schedule.slack)} s or more.`,
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

function chart(sweep: Sweep, key: string, plan: SweepPlan): DutyChart {
  const gaps = plan.targets.slice(1).map((t, i) => [i + 1, t - plan.targets[i]!] as const);
  const thinned = gaps.length <= 1200 ? gaps : gaps.filter((_, i) => i % Math.ceil(gaps.length / 1200) === 0);
  return {
    key: `${key}.frames`,
    title: 'Microsteps in each frame',
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
    message: `${plan.least} to ${plan.most} microsteps a frame.`,
  };
}

const targetsTable = (sweep: Sweep, plan: SweepPlan): DutyReport['table'] => ({
  title: 'Frames',
  head: ['frame', 'second', 'microsteps', 'target'],
  rows: plan.targets.map((t, i) => [
    String(i + 1),
    sweep.intervalSeconds === undefined ? '' : trimmed(i * sweep.intervalSeconds, 6),
    i === 0 ? '0' : String(t - plan.targets[i - 1]!),
    String(t),
  ]),
});

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
  rests: ({ job }, at) => job.sweeps?.[at]?.stepsPerUnit === undefined,
};
