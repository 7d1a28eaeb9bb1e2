import type { Drive } from '../drive/index.ts';
import { divisionSample, noiseOf } from '../measure/index.ts';
import { dividedBy, report, trackingRecord } from '../report/index.ts';
import { writeCsv } from './csv.ts';

/** A made-up record is an hour with a reading each 10 s, seen with the noise of a guide camera, or a wheel under a dial that lost counts. */
const SECONDS = 3600;
const EVERY = 10;
const NOISE = 0.5;
const WHEEL = { fault: 'jump', arcsec: 60, noise: 4 } as const;

/** A record of stand-in instruments, so that reading one can be tried: of following where the drive follows something, else of a wheel. */
export function sampleRecord(drive: Drive, seed: number): string {
  const made = trackingRecord(drive, seed, SECONDS, EVERY);
  let step = made.next();
  while (!step.done) step = made.next();
  const values = step.value;
  if (values) {
    const noise = noiseOf(seed);
    return writeCsv(
      ['time_s', 'error_arcsec'],
      Array.from(values, (v, i) => [i * EVERY, (v + NOISE * noise()).toFixed(3)]),
    );
  }
  const divisions = Math.max(12, report(drive).counts[0] ?? 60);
  const { errors } = divisionSample({ seed, divisions, by: dividedBy(drive), ...WHEEL });
  return writeCsv(
    ['index', 'error_arcsec'],
    Array.from(errors, (e, i) => [i, e.toFixed(3)]),
  );
}
