import { describe, expect, test } from '@jest/globals';
import { keyTable, shownKeys, type KeyId } from './key-table.ts';

const text = (id: KeyId): string =>
  shownKeys(id)
    .map((way) => way.map((chord) => chord.join('+')).join(' then '))
    .join(' or ');

describe('the keys', () => {
  test.each<[KeyId, string]>([
    ['undo', 'Ctrl+Z'],
    ['redo', 'Ctrl+Shift+Z or Ctrl+Y'],
    ['drives', 'G then D'],
    ['moveLeft', 'Alt+←'],
    ['search', '/'],
    ['keys', 'Shift+?'],
    ['larger', '+'],
    ['write', 'Enter or F2'],
  ])('%s is written %s', (id, want) => expect(text(id)).toBe(want));

  test('no key does two things in one place', () => {
    const seen = new Map<string, string>();
    for (const [id, { place, keys }] of Object.entries(keyTable))
      for (const key of keys) {
        const at = `${place}: ${key}`;
        expect([at, seen.get(at) ?? id]).toEqual([at, id]);
        seen.set(at, id);
      }
  });

  test('each has words of its own', () => {
    const labels = Object.values(keyTable).map((k) => `${k.place} ${k.label}`);
    expect(new Set(labels).size).toBe(labels.length);
  });
});
