import type { LogEntry } from '../../drive/index.ts';
import { wilson } from '../../measure/index.ts';
import { momentText } from '../../log/index.ts';
import {
  followedSeconds,
  followingLeft,
  frameNow,
  framesLeft,
  framesOf,
  shotLength,
  slackOf,
  type FollowingState,
  type FramePhase,
  type FramesState,
} from '../../run/index.ts';
import { clockOf, clockText, type Graded, measured, whole } from '../../words/index.ts';
import { shareText } from '../log/log.ts';
import { timeLeft } from '../../plans/index.ts';

const PHASES: Readonly<Record<FramePhase, string>> = {
  waits: 'Waiting',
  move: 'Moves',
  settle: 'Comes to rest',
  countdown: 'Shutter opens in',
  expose: 'Exposing',
  write: 'Writing',
  over: 'Next',
  hand: 'By hand',
};

/** What the bench shows of a shot at a moment. (handbook: run, shoot, move, shoot) */
export interface FramesReport {
  readonly title: string;
  readonly phase: string;
  readonly is: FramePhase;
  /** the large figure: what is counted down, or the frame */
  readonly big: { readonly figure: string; readonly unit: string };
  readonly message: string;
  readonly axes: readonly { readonly name: string; readonly target: string; readonly place: string }[];
  /** what is left of the interval that begins with this frame; graded Late where the next will be */
  readonly slack: { readonly text: string; readonly graded: Graded } | null;
  readonly left: string;
  readonly battery: string | null;
  readonly last: readonly { readonly at: number; readonly frame: number; readonly message: string }[];
  readonly go: string;
}

const LAST = 6;

export function framesReport(state: FramesState, now: number): FramesReport {
  const { plan, frame, finished, paused } = state;
  const all = framesOf(plan);
  const { phase, left } = frameNow(state, now);
  const slack = slackOf(state);
  const rest = all - (finished ? all : frame - 1);
  // while it waits, as long as the rest takes from its first mark
  const seconds = framesLeft(state, now) ?? shotLength(plan, rest);
  const timed = plan.interval !== null;
  return {
    title: finished ? 'All exposed' : `Frame ${frame}`,
    phase: finished ? 'Done' : PHASES[phase],
    is: phase,
    big:
      phase === 'waits' || phase === 'hand'
        ? { figure: `${finished ? all : frame}`, unit: '' }
        : clockOf(left),
    message: framesMessage(state, phase),
    axes: plan.axes.map((a) => ({
      name: a.name,
      target: whole(BigInt(a.targets[frame - 1]!)),
      place: a.places[frame - 1]!,
    })),
    slack: slack === null ? null : slackText(slack),
    left:
      finished || rest === 0 ? 'all done' : [`${rest} to go`, timeLeft(seconds)].filter(Boolean).join(', '),
    battery: batteryText(plan.batterySeconds, (now - state.startedAt) / 1000),
    last: state.shots
      .slice(-LAST)
      .reverse()
      .map((s) => ({
        at: s.at,
        frame: s.frame,
        message: s.late ? `late by ${measured(s.late)} s` : timed ? 'on its mark' : 'exposed',
      })),
    go: finished
      ? 'Done'
      : paused
        ? state.shots.length === 0
          ? 'Start'
          : 'Go on'
        : timed
          ? 'Running'
          : 'Exposed, go on',
  };
}

const slackText = (slack: number): NonNullable<FramesReport['slack']> =>
  slack < 0
    ? {
        text: `${measured(-slack)} s too short: the next frame will be late`,
        graded: { grade: 'misses', word: 'Late' },
      }
    : {
        text: `${measured(slack)} s of the interval left after the next move`,
        graded: { grade: 'even', word: 'In time' },
      };

function framesMessage({ plan, paused, finished, frame }: FramesState, phase: FramePhase): string {
  if (finished) return `${framesOf(plan)} frames are exposed. Back takes you to the last one.`;
  const to = plan.axes.map((a) => `${a.name} to ${a.places[frame - 1]!}`).join(', ');
  if (paused)
    return plan.interval === null
      ? `${to}. Start, then Space after each exposure.`
      : `${to}. Check the mark, then start.`;
  switch (phase) {
    case 'hand':
      return `${to}; expose, then go on.`;
    case 'move':
      return `${to}: hands off.`;
    case 'settle':
      return 'Nobody walks about: it comes to rest.';
    case 'countdown':
      return `${to}; the shutter opens on the mark.`;
    case 'expose':
      return `${measured(plan.exposure)} s: do not touch it.`;
    default:
      return 'The picture is written.';
  }
}

function batteryText(seconds: number | undefined, used: number): string | null {
  if (seconds === undefined) return null;
  const left = seconds - Math.max(0, used);
  return left <= 0 ? 'by reckoning it is empty' : `${timeLeft(left)} left by reckoning`;
}

/** What the bench shows of a night of following at a moment. (handbook: run, field mode) */
export interface FollowingReport {
  readonly title: string;
  /** the large figure: how long it has followed since it was rewound */
  readonly big: { readonly figure: string; readonly unit: string };
  readonly message: string;
  /** until it must be rewound; `soon` within one exposure, or ten minutes */
  readonly ends: { readonly text: string; readonly graded: Graded; readonly soon: boolean } | null;
  readonly kept: string;
  readonly checks: readonly { readonly name: string; readonly at: number | null }[];
  /** the first check that is not ticked; null when all are */
  readonly next: string | null;
  readonly battery: string | null;
  readonly go: string;
}

/** A warning comes so long before the end, s, at least. */
const SOON = 600;

export function followingReport(state: FollowingState, now: number): FollowingReport {
  const { plan, since, finished, exposures } = state;
  const left = followingLeft(state, now);
  const soon = Math.max(SOON, plan.exposure?.seconds ?? 0);
  const kept = exposures.filter((e) => e.kept).length;
  const next = state.checks.find((c) => c.at === undefined)?.name ?? null;
  return {
    title: finished ? 'Ended' : since === null ? 'Stands still' : `Follows ${plan.rate}`,
    big: clockOf(followedSeconds(state, now), 0),
    message: finished
      ? 'Start follows on from here.'
      : since === null
        ? next === null
          ? 'All is checked: start the drive, then press Start.'
          : `${next} first, and tick it.`
        : left !== null && left <= 0
          ? 'It is past its end: rewind it, then press Rewound.'
          : plan.constants,
    ends: left === null ? null : endsText(left, plan.ends!.why, left < soon),
    kept:
      exposures.length === 0
        ? 'none yet'
        : shareText({ kept, taken: exposures.length, ...wilson(kept, exposures.length) }),
    checks: state.checks.map((c) => ({ name: c.name, at: c.at ?? null })),
    next,
    battery: batteryText(plan.batterySeconds, (now - state.startedAt) / 1000),
    go: since === null ? (state.before > 0 ? 'Follow again' : 'Start') : 'Stand still',
  };
}

const endsText = (left: number, why: string, soon: boolean): NonNullable<FollowingReport['ends']> =>
  left <= 0
    ? { text: `past its end: ${why}`, graded: { grade: 'misses', word: 'Rewind' }, soon: true }
    : {
        text: `${clockText(left)} until ${why}`,
        graded: soon ? { grade: 'rounded', word: 'Soon' } : { grade: 'even', word: 'Follows' },
        soon,
      };

/** The exposures that are not in the log yet as an entry of it; null where there are none, or the job names no lens. */
export function exposureEntry(state: FollowingState, id: string, offset = 0): LogEntry | null {
  const { plan } = state;
  const exposures = state.exposures.slice(state.logged ?? 0);
  if (exposures.length === 0 || !plan.exposure) return null;
  return {
    id,
    kind: 'exposure',
    at: momentText(exposures.at(-1)!.at, offset),
    words: `followed ${plan.rate} for ${clockText(followedSeconds(state, exposures.at(-1)!.at))}`,
    exposure: {
      focalMm: plan.exposure.focalMm,
      seconds: plan.exposure.seconds,
      kept: exposures.filter((e) => e.kept).length,
      taken: exposures.length,
    },
  };
}
