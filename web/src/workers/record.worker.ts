import { expose } from 'comlink';
import { dividedBy, error, readableRate, recordChart, recordSentences } from '@pendrix/core';
import { columnsSeen, isTracking, readDivisionRecord, readTrackingRecord } from '@pendrix/core/files/record';
import { fitDividing, fitTracking } from '@pendrix/core/measure/index';
import { sampleRecord } from '@pendrix/core/files/sample-record';
import type { RecordRead, RecordWork } from './record-work.ts';

const few = (given: number, limit: string): RecordRead => ({
  is: 'refused',
  refusal: error('tooFewReadings', String(given), { limit }).refusal,
});

const work: RecordWork = {
  columns: columnsSeen,
  read: (drive, text, heads, rate, told) => {
    if (!isTracking(text, heads)) {
      const record = readDivisionRecord(text, heads);
      if (!record.ok) return { is: 'refused', refusal: record.refusal };
      const fit = fitDividing(record.value, dividedBy(drive));
      return fit
        ? { is: 'dividing', fit, errors: record.value.errors }
        : few(record.value.errors.length, '6');
    }
    const by = readableRate(drive, rate);
    if (!by) return { is: 'refused', refusal: error('noRateToFollow', '').refusal };
    const record = readTrackingRecord(text, by.arcsecPerPx, heads);
    if (!record.ok) return { is: 'refused', refusal: record.refusal };
    const run = fitTracking(record.value, by.periods);
    for (;;) {
      const step = run.next(false);
      if (!step.done) {
        told(step.value);
        continue;
      }
      const fit = step.value;
      return fit
        ? {
            is: 'tracking',
            fit,
            says: recordSentences(fit, by.turnSeconds),
            chart: recordChart(record.value, fit),
            readings: record.value.times.length,
          }
        : few(record.value.times.length, '8');
    }
  },
  sample: sampleRecord,
};
expose(work);
