import { describe, expect, test } from '@jest/globals';
import { dayAndTime, dayOfYear, hourMinute, timeOfDay, touchedAt } from './clock.ts';

const at = new Date(2026, 10, 24, 9, 4, 7);

describe('times as they are shown', () => {
  test('hours have two digits, days none before them', () => {
    expect([timeOfDay(at), hourMinute(at), dayAndTime(at), dayOfYear(at)]).toEqual([
      '09:04:07',
      '09:04',
      '24 Nov 09:04',
      '24 Nov 2026',
    ]);
    expect(timeOfDay(new Date(2026, 0, 3, 0, 0, 0))).toBe('00:00:00');
  });

  test.each([
    [new Date(2026, 10, 24, 23, 0), 'today 09:04'],
    [new Date(2026, 10, 25, 0, 1), '24 Nov 09:04'],
    [new Date(2027, 0, 1), '24 Nov 2026'],
  ])('seen at %s it was %s', (now, want) => expect(touchedAt(at.getTime(), now)).toBe(want));
});
