import { abs, exactly, sub, toNumber, toText } from '../../numbers/index.ts';
import type { Drive, Easing, Kinematics, Sweep } from '../../drive/index.ts';
import {
  framesIn,
  planSweep,
  scheduleOf,
  SEEN_RIPPLE,
  stepsOfSweep,
  type Schedule,
  type SweepPlan,
} from '../../travel/index.ts';
import type { Graded } from '../figure.ts';
import { lazy } from '../lazy.ts';
import { stepsFigure } from '../train.ts';
import { grouped, measured, mixed, timeText } from '../text.ts';
import { figureOf, line, worked, type DutyChart, type DutyLine, type DutyReport } from './duty.ts';

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

/** The sweeps of the job, each with its frames, its ripple and its schedule. (handbook: travel) */
export const sweepReports = (drive: Drive, k: Kinematics): readonly DutyReport[] =>
  (drive.job.sweeps ?? []).map((sweep, at) => sweepReport(drive, k, sweep, at));

function sweepReport(drive: Drive, k: Kinematics, sweep: Sweep, at: number): DutyReport {
  const key = `sweep.${at}`;
  const title = sweepName(sweep, at);
  const steps = stepsOfSweep(sweep, k);
  const empty = { key, title, lines: [], charts: [], table: null };
  if (!steps)
    return {
      ...empty,
      graded: { grade: 'unknown', word: 'Unknown' },
      says: [
        sweep.unit === 'mm' && !k.travel
          ? 'The work turns: write the sweep in degrees or turns, or give the train a straight output.'
          : 'This source has no steps.',
      ],
    };
  if (steps.n === 0n)
    return {
      ...empty,
      graded: { grade: 'unknown', word: 'Goes nowhere' },
      says: ['It ends where it begins.'],
    };
  const plan = planSweep(sweep, steps);
  const schedule = scheduleOf(sweep, plan.most);
  const table = lazy(() => targetsTable(sweep, plan));
  return {
    key,
    title,
    graded: gradeOf(plan, schedule),
    lines: [...lines(drive, k, sweep, key, plan), ...scheduleLines(sweep, key, schedule)],
    says: [...sentences(sweep, plan, k), ...(schedule ? scheduleSays(schedule) : [])],
    charts: [chart(sweep, key, plan)],
    get table() {
      return table();
    },
  };
}

function gradeOf(plan: SweepPlan, schedule: Schedule | null): Graded {
  if (schedule && schedule.slack < 0)
    return { grade: 'misses', word: `Short by ${measured(-schedule.slack)} s` };
  if (plan.least === plan.most) return { grade: 'even', word: 'Even' };
  if (plan.ripple > SEEN_RIPPLE) return { grade: 'misses', word: `Ripple ${measured(plan.ripple)} %` };
  return { grade: 'rounded', word: `Ripple ${measured(plan.ripple)} %` };
}

function lines(drive: Drive, k: Kinematics, sweep: Sweep, key: string, plan: SweepPlan): readonly DutyLine[] {
  const unit = UNITS[sweep.unit];
  const way = abs(sub(exactly(sweep.to), exactly(sweep.from)));
  const whole = worked('the way', [...mixed(way), unit === '°' ? '°' : ` ${unit}`], true);
  const per =
    sweep.stepsPerUnit === undefined
      ? worked('steps a turn', stepsFigure(drive, k).text, true)
      : worked('steps a unit', [...mixed(exactly(sweep.stepsPerUnit))], true);
  const exact = k.travel === null || k.travel.piPower === 0 || sweep.unit !== 'mm';
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
        value: toText(plan.steps),
        text: mixed(plan.steps),
        exact,
        from: base,
      }),
    ),
    line(
      figureOf({
        key: `${key}.mean`,
        label: 'microsteps a frame, mean',
        value: toText(plan.mean),
        text: mixed(plan.mean),
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
        : { grade: 'even', word: 'Fits' },
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

function scheduleSays(schedule: Schedule): readonly string[] {
  if (schedule.slack >= 0) return [];
  const others = schedule.parts.filter((p) => p.id !== schedule.longest && p.seconds > 0);
  return [
    `The interval is ${measured(-schedule.slack)} s too short: ${PARTS[schedule.longest]} breaks it first${others.length > 0 ? `, with ${others.map((p) => PARTS[p.id]).join(', ')} beside it` : ''}. Take an interval of ${measured(schedule.interval - schedule.slack)} s or more.`,
  ];
}

/** What cures an uneven sweep: a finer mode, or more reduction. */
function sentences(sweep: Sweep, plan: SweepPlan, k: Kinematics): readonly string[] {
  const out: string[] = [];
  if (plan.ripple > SEEN_RIPPLE) {
    const finer = k.modes.filter((m) => m > k.mode).find((m) => (plan.ripple * k.mode) / m <= SEEN_RIPPLE);
    const factor = Math.ceil(plan.ripple / SEEN_RIPPLE);
    out.push(
      finer !== undefined && sweep.stepsPerUnit === undefined
        ? `Uneven: microsteps of 1/${finer} bring the ripple under ${SEEN_RIPPLE} %.`
        : `Uneven: ${factor} times the reduction, or as much finer a mode, brings the ripple under ${SEEN_RIPPLE} %.`,
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
    says: `${plan.least} to ${plan.most} microsteps a frame.`,
  };
}

const targetsTable = (sweep: Sweep, plan: SweepPlan): DutyReport['table'] => ({
  title: 'Frames',
  head: ['frame', 'second', 'microsteps', 'target'],
  rows: plan.targets.map((t, i) => [
    String(i + 1),
    sweep.intervalSeconds === undefined ? '' : String(Number((i * sweep.intervalSeconds).toFixed(6))),
    i === 0 ? '0' : String(t - plan.targets[i - 1]!),
    String(t),
  ]),
});

/** Several sweeps on one clock: the longest decides; null for fewer than two. */
export function togetherSays(drive: Drive, k: Kinematics): string | null {
  const sweeps = drive.job.sweeps ?? [];
  if (sweeps.length < 2) return null;
  const all = sweeps.flatMap((sweep, at) => {
    const steps = stepsOfSweep(sweep, k);
    if (!steps || steps.n === 0n) return [];
    const schedule = scheduleOf(sweep, planSweep(sweep, steps).most);
    return [{ name: sweepName(sweep, at), frames: sweep.frames, schedule }];
  });
  const timed = all.flatMap((a) =>
    a.schedule ? [{ ...a, needs: a.schedule.interval - a.schedule.slack }] : [],
  );
  if (timed.length === 0)
    return `${all.length} axes go frame by frame together; give an interval, and the clock they share is reckoned.`;
  const longest = timed.reduce((a, b) => (b.needs > a.needs ? b : a));
  const uneven = new Set(all.map((a) => a.frames)).size > 1;
  return `On one clock ${longest.name} decides: it needs ${measured(longest.needs)} s a frame.${uneven ? ' Their frames differ: give all the same number.' : ''}`;
}
