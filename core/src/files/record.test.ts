import { describe, expect, test } from '@jest/globals';
import { isTracking, readDivisionRecord, readTrackingRecord } from './record.ts';

const tracked = (text: string, px: number | null = null): readonly (readonly number[])[] | string => {
  const read = readTrackingRecord(text, px);
  return read.ok ? [...read.value.times].map((t, i) => [t, read.value.values[i]!]) : read.refusal.code;
};

describe('records as they come', () => {
  const want = [
    [0, 1],
    [60, 2.5],
  ];
  test.each([
    ['time,error_arcsec\n0,1\n60,2.5\n'],
    ['time_min;error_arcsec\n0;1\n1;2,5\n'],
    ['time_ms,error_arcsec\n0,1\n60000,2.5\n'],
    ['Time (s),RA [arcsec]\n0,1\n60,2.5\n'],
    ['time_s,ra_arcsec\n0,1\n60,2.5\n'],
    ['# a guide camera, 20 December\ntime_s,error_arcsec\n0,1\n# cloud\n60,2.5\n'],
    ['time_s,error_arcsec\n0,1\n30,\n60,2.5\n'],
    ['0,1\n60,2.5\n'],
    ['time_s,error (")\n0,1\n60,2.5\n'],
  ])('%j', (text) => {
    expect(isTracking(text)).toBe(true);
    expect(tracked(text)).toEqual(want);
  });
  test('minutes of angle, pixels, times of the day past midnight, dates', () => {
    expect(tracked('time_s,error_arcmin\n0,1\n60,2.5\n')).toEqual([
      [0, 60],
      [60, 150],
    ]);
    expect(tracked("time_s,error_'\n0,1\n60,2.5\n")).toEqual([
      [0, 60],
      [60, 150],
    ]);
    expect(tracked('time_s,error_px\n0,1\n60,2.5\n', 2)).toEqual([
      [0, 2],
      [60, 5],
    ]);
    expect(tracked('time_s,error_px\n0,1\n', null)).toBe('noCamera');
    expect(tracked('time,error_arcsec\n23:59:30,1\n00:00:30,2.5\n')).toEqual([
      [86_370, 1],
      [86_430, 2.5],
    ]);
    expect(tracked('Date,error_arcsec\n2026-12-01 20:15:00,1\n2026-12-01 20:16:00,2.5\n')).toEqual(want);
  });
  test('a wheel has no times: one column without a head, gaps, return', () => {
    expect(isTracking('error_arcsec\n1\n2\n')).toBe(false);
    const bare = readDivisionRecord('1\n2\n3\n');
    expect(bare.ok && [...bare.value.errors]).toEqual([1, 2, 3]);
    const both = readDivisionRecord('index,error_arcsec,return_arcsec\n0,1,2\n1,3,4\n');
    expect(both.ok && [...both.value.back!]).toEqual([2, 4]);
  });
  test('what cannot be read is told by its line and column', () => {
    const read = readTrackingRecord('time_s,error_arcsec\n0,1\n1,two\n', null);
    expect(!read.ok && read.refusal.path).toBe('line 3, column error_arcsec');
    expect(tracked('a,b\nx,y\n')).toBe('noColumn');
  });
});
