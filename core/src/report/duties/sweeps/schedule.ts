import type { Sweep } from '../../../drive/index.ts';
import { framesIn, type Schedule } from '../../../travel/index.ts';
import { grouped, measured, timeText } from '../../../words/index.ts';
import { figureOf, line, worked, type DutyLine } from '../duty.ts';

const PARTS: Readonly<Record<Schedule['longest'], string>> = {
  exposure: 'exposure',
  write: 'writing',
  move: 'moving',
  settle: 'settling',
  margin: 'margin',
};

/** What is left of each interval, and how long all takes. (handbook: travel) */
export function scheduleLines(sweep: Sweep, key: string, schedule: Schedule | null): readonly DutyLine[] {
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

/** What breaks an interval that is too short, and one that is long enough. */
export function scheduleMessage(schedule: Schedule): readonly string[] {
  if (schedule.slack >= 0) return [];
  const others = schedule.parts.filter((p) => p.id !== schedule.longest && p.seconds > 0);
  return [
    `The interval is ${measured(-schedule.slack)} s too short: ${PARTS[schedule.longest]} breaks it first${others.length > 0 ? `, with ${others.map((p) => PARTS[p.id]).join(', ')} beside it` : ''}. Take an interval of ${measured(schedule.interval - schedule.slack)} s or more.`,
  ];
}
