import type { Bench } from '../divide/divide.bench.ts';
import { readTrackingRecord } from './record.ts';
import { fitTracking, trackingSample } from '../measure/index.ts';

const record = trackingSample({
  seed: 1,
  seconds: 100_000,
  every: 0.92,
  noise: 1,
  driftPerHour: 3,
  waves: [
    { periodS: 598.36, arcsec: 8 },
    { periodS: 71.3, arcsec: 2 },
  ],
});
const text = `time_s,error_arcsec\n${Array.from(record.times, (t, i) => `${t.toFixed(3)},${record.values[i]!.toFixed(4)}`).join('\n')}\n`;
const periods = [598.36, 199.45, 86_164, 9.97, 39.9].map((periodS, i) => ({ cause: `part ${i}`, periodS }));

/** A long record, read and fitted. */
export const measureBenches: readonly Bench[] = [
  {
    name: `record of ${record.times.length} rows, read and fitted`,
    run: () => {
      const read = readTrackingRecord(text, null);
      if (!read.ok) throw new Error(read.refusal.code);
      const made = fitTracking(read.value, periods);
      while (!made.next(false).done);
    },
    wanted: 2000,
  },
];
