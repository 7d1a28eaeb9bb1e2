import { describe, expect, test } from '@jest/globals';
import { report, newDrive } from '@pendrix/core';
import { isShared, placeOf, places, stations } from './stations.ts';

describe('stations', () => {
  test('each shows a concern of its own, and every concern of a drive has a station', () => {
    expect(new Set(places.map((p) => stations[p].concern)).size).toBe(places.length);
    for (const { concern } of report(newDrive('dial')).marks(0))
      expect([concern, places.includes(placeOf(concern))]).toEqual([concern, true]);
    for (const { concern } of report(newDrive('dial')).verdict) expect(places).toContain(placeOf(concern));
    for (const place of places) expect(placeOf(stations[place].concern)).toBe(place);
  });
  test('each has a title, a question and an icon of its own', () => {
    for (const key of ['title', 'asks', 'icon'] as const)
      expect(new Set(places.map((p) => stations[p][key])).size).toBe(places.length);
    expect(places.filter(isShared)).toEqual(['shelf']);
  });
});
