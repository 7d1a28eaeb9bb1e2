import { describe, expect, test } from '@jest/globals';
import { rational, toText } from '../numbers/index.ts';
import { land, type Stops } from './index.ts';

describe('where the work stops', () => {
  const stops = (room: Stops['room']): Stops => ({
    by: 'step',
    perTurn: rational(100n),
    perStop: rational(1n),
    room,
  });
  const quarter = stops({ back: rational(1n, 8n), forth: rational(1n, 4n), why: '' });
  const told = (s: Stops, n: bigint, d: bigint): readonly unknown[] => {
    const { counts, error, by } = land(s, rational(n, d));
    return [counts, toText(error), by];
  };

  test('at the nearest step, halves forward', () => {
    expect(told(stops(null), 1n, 3n)).toEqual([33n, '-1/300', 'step']);
    expect(told(stops(null), 1n, 200n)).toEqual([1n, '1/200', 'step']);
  });
  test('at the last one within the limits, both ways, and at the limit itself by its step', () => {
    expect(told(quarter, 1n, 4n)).toEqual([25n, '0', 'step']);
    expect(told(quarter, 1n, 2n)).toEqual([25n, '-1/4', 'limit']);
    expect(told(quarter, -1n, 2n)).toEqual([-12n, '19/50', 'limit']);
  });
});
