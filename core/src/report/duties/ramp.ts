import { toNumber } from '../../numbers/index.ts';
import type { Drive } from '../../drive/index.ts';
import { tickHz } from '../../follow/index.ts';
import { rampTable, tableBytes } from '../../travel/index.ts';
import { grouped, measured } from '../text.ts';
import { figureOf, line, worked, type DutyReport } from './duty.ts';

/** A table of intervals that speeds the motor up to the sweep's top speed, and the room it takes. */
export function rampReport(drive: Drive): DutyReport | null {
  const [sweep] = (drive.job.sweeps ?? []).filter(
    (s) => s.topStepRate !== undefined && s.stepAccel !== undefined,
  );
  const { timer } = drive;
  if (!sweep || !timer) return null;
  const hz = toNumber(tickHz(timer));
  const shapes = (['constant', 'sCurve'] as const).map((shape) => {
    const table = rampTable(
      { shape, topRate: sweep.topStepRate!, accel: sweep.stepAccel!, tickHz: hz },
      20_000,
    );
    return { shape, table, bytes: tableBytes(table) };
  });
  const memory = timer.memoryBytes;
  const words = { constant: 'constant acceleration', sCurve: 'S-curve' } as const;
  const [first] = shapes;
  return {
    key: 'ramp',
    title: 'Tables of intervals',
    graded: null,
    lines: shapes.map(({ shape, table, bytes }) =>
      line(
        figureOf({
          key: `ramp.${shape}`,
          label: `${words[shape]}, ${grouped(String(table.length))} steps`,
          value: bytes.plain,
          text: [grouped(String(bytes.plain)), { unit: 'bytes' }],
          exact: true,
          from: [
            worked(
              'up to',
              `${measured(sweep.topStepRate!)} steps/s at ${measured(sweep.stepAccel!)} steps/s²`,
            ),
            worked('ticks a second', grouped(String(hz)), true),
            worked('an entry', `${bytes.bits} bits`, true),
          ],
        }),
        `coded by runs ${grouped(String(bytes.runs))} bytes`,
        memory === undefined
          ? null
          : Math.min(bytes.plain, bytes.runs) <= memory
            ? { grade: 'even', word: 'Fits' }
            : {
                grade: 'misses',
                word: `Short by ${grouped(String(Math.min(bytes.plain, bytes.runs) - memory))} bytes`,
              },
      ),
    ),
    says: memory === undefined ? ['Give the controller’s memory with the timer, and it is compared.'] : [],
    charts: [],
    get table() {
      return {
        title: 'Intervals, constant acceleration',
        head: ['step', 'ticks'],
        rows: first!.table.map((n, i) => [String(i + 1), String(n)]),
      };
    },
  };
}
