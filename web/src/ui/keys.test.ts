import { expect, test } from '@jest/globals';
import { keyList } from './keys.ts';
import { places, stations } from './stations.ts';

test('every station has a letter of its own, and the list of keys names it', () => {
  const letters = places.map((p) => stations[p].key);
  expect(new Set(letters).size).toBe(places.length);
  for (const place of places) {
    const entry = keyList.find((k) => k.message === stations[place].title);
    expect(entry?.keys).toEqual(['g', stations[place].key]);
  }
});

test('no two entries of the list are the same keys', () => {
  const keys = keyList.map((k) => k.keys.join(' '));
  expect(new Set(keys).size).toBe(keys.length);
});
