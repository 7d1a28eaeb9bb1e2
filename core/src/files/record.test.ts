import { describe, expect, test } from '@jest/globals';
import { COLUMN_HEADS, columnOf } from './record-columns.ts';
import { columnsSeen, isTracking, readDivisionRecord, readTrackingRecord } from './record.ts';

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
    const remarked = readTrackingRecord('# dusk\n\ntime_s,error_arcsec\n0,1\n# cloud\n1,two\n', null);
    expect(!remarked.ok && remarked.refusal.path).toBe('line 6, column error_arcsec');
    expect(tracked('a,b\nx,y\n')).toBe('noColumn');
  });
});

describe('columns that their heads do not tell', () => {
  const text = 'frame,hours,dev x\n1,0,1\n2,0.5,3\n';
  test('are shown with what they begin with, and read as somebody says', () => {
    expect(columnsSeen(text)).toEqual({
      key: 'frame,hours,dev x',
      columns: [
        { head: 'frame', cells: ['1', '2'], guess: 'not read' },
        { head: 'hours', cells: ['0', '0.5'], guess: 'not read' },
        { head: 'dev x', cells: ['1', '3'], guess: 'not read' },
      ],
    });
    expect(isTracking(text)).toBe(false);
    const heads = ['', 'time_h', 'error_arcmin'];
    expect(isTracking(text, heads)).toBe(true);
    const read = readTrackingRecord(text, null, heads);
    expect(read.ok && [[...read.value.times], [...read.value.values]]).toEqual([
      [0, 1800],
      [60, 180],
    ]);
  });
  test('without heads they are numbered, and what is said goes before the guess', () => {
    expect(columnsSeen('0,1,9\n60,2,8\n').columns.map((c) => [c.head, c.guess])).toEqual([
      ['column 1', 'times'],
      ['column 2', 'errors'],
      ['column 3', 'not read'],
    ]);
    const read = readTrackingRecord('0,1,9\n1,2,8\n', null, ['time_min', 'other', 'error_arcsec']);
    expect(read.ok && [[...read.value.times], [...read.value.values]]).toEqual([
      [0, 60],
      [9, 8],
    ]);
  });
  test('every head that can be said is one that is read', () => {
    for (const { value } of COLUMN_HEADS)
      expect([value, columnOf(value).is]).toEqual([value, value.replace(/_.*/, '')]);
  });
});
