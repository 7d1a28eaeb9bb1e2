import { tickHz } from '../../../drive/index.ts';
import { toNumber } from '../../../numbers/index.ts';
import type { Drive } from '../../../drive/index.ts';
import { gradeWithin } from '../../../motion/index.ts';

import {
  LONGEST_TABLE,
  rampLength,
  rampTable,
  speedOf,
  tableBytes,
  type RampShape,
} from '../../../travel/index.ts';
import { lazy } from '../../lazy.ts';
import { grouped, measured } from '../../../words/index.ts';
import { figureOf, line, worked, type DutyReport } from '../duty.ts';
import { only, type DutyKind } from '../kind.ts';

const WORDS: Readonly<Record<RampShape, string>> = {
  constant: 'constant acceleration',
  sCurve: 'S-curve',
};

/** Tables of intervals that speed the motor up to the sweep's top speed, whole, and the room they take; or why they are not made. */
function rampReport(drive: Drive): DutyReport | null {
  const [sweep] = (drive.job.sweeps ?? []).filter(
    (s) => s.topStepRate !== undefined && s.stepAccel !== undefined,
  );
  const { timer } = drive;
  if (!sweep || !timer) return null;
  const hz = toNumber(tickHz(timer));
  const { top, accel } = speedOf(sweep, timer);
  const ramps = (['constant', 'sCurve'] as const).map((shape) => ({
    shape,
    topRate: top,
    accel,
    tickHz: hz,
  }));
  const longest = Math.max(...ramps.map(rampLength));
  if (longest > LONGEST_TABLE)
    return {
      key: 'ramp',
      title: 'Tables of intervals',
      graded: { grade: 'misses', word: 'Too long' },
      lines: [],
      message: [
        `A table up to ${measured(top)} steps/s at ${measured(accel)} steps/s² has ${grouped(String(longest))} intervals, ${grouped(String(longest * 2))} bytes or more: at most ${grouped(String(LONGEST_TABLE))} are made. Take a lower top speed, or more acceleration.`,
      ],
      charts: [],
      table: null,
    };
  const shapes = ramps.map((ramp) => {
    const table = rampTable(ramp);
    return { shape: ramp.shape, table, bytes: tableBytes(table) };
  });
  const memory = timer.memoryBytes;
  const rows = lazy(() => ({
    title: 'Intervals, constant acceleration',
    head: ['step', 'ticks'],
    rows: shapes[0]!.table.map((n, i) => [String(i + 1), String(n)]),
  }));
  return {
    key: 'ramp',
    title: 'Tables of intervals',
    graded: null,
    lines: shapes.map(({ shape, table, bytes }) =>
      line(
        figureOf({
          key: `ramp.${shape}`,
          label: `${WORDS[shape]}, ${grouped(String(table.length))} steps`,
          value: bytes.plain,
          text: [grouped(String(bytes.plain)), { unit: 'bytes' }],
          exact: true,
          from: [
            worked('up to', `${measured(top)} steps/s at ${measured(accel)} steps/s²`),
            worked('ticks a second', grouped(String(hz)), true),
            worked('an entry', `${bytes.bits} bits`, true),
          ],
        }),
        `coded by runs ${grouped(String(bytes.runs))} bytes`,
        memory === undefined
          ? null
          : gradeWithin(Math.min(bytes.plain, bytes.runs), memory) === 'passes'
            ? { grade: 'passes', word: 'Fits' }
            : {
                grade: 'misses',
                word: `Short by ${grouped(String(Math.min(bytes.plain, bytes.runs) - memory))} bytes`,
              },
      ),
    ),
    message: memory === undefined ? ['Give the controller’s memory in the Train, and it is compared.'] : [],
    charts: [],
    get table() {
      return rows();
    },
  };
}

/** Tables of intervals, which follow from the first sweep that says how fast. */
export const ramp: DutyKind = {
  group: { id: 'sweep', title: 'Sweep' },
  asked: () => false,
  many: false,
  reports: ({ drive }) => only(rampReport(drive)),
  rests: () => false,
};
