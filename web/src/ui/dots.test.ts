import { describe, expect, test } from '@jest/globals';
import type { Dots } from '@pendrix/core';
import { dotRow } from './dots.ts';
import { gradeStrokes, stationStrokes, strokesOf, type MarkName } from './marks.ts';

const x = (i: number): number => 100 + 25 * i;
const cell = (count: number, kind: Dots['kind']): Dots => ({ count, kind });

describe('a row of the ledger', () => {
  test('has a dot for each time a prime goes in, one path a kind', () => {
    const row = dotRow([cell(3, 'brings'), cell(0, 'none'), cell(2, 'brings'), cell(1, 'takes')], x, 12);
    expect(row.paths.map((p) => [p.kind, (p.d.match(/M/g) ?? []).length])).toEqual([
      ['brings', 5],
      ['none', 1],
      ['takes', 1],
    ]);
    expect(row.many).toEqual([]);
  });

  test.each([1, 2, 3, 4, 5, 6])('%i pips stay within the cell', (count) => {
    const [path] = dotRow([cell(count, 'met')], x, 12).paths;
    const starts = [...path!.d.matchAll(/M([\d.]+) ([\d.]+)/g)].map(
      (m) => [Number(m[1]) + 3, Number(m[2])] as const,
    );
    expect(starts.length).toBe(count);
    for (const [cx, cy] of starts) {
      expect(Math.abs(cx - 100)).toBeLessThanOrEqual(9);
      expect(Math.abs(cy - 12)).toBeLessThanOrEqual(9);
    }
    expect(new Set(starts.map(String)).size).toBe(count);
  });

  test('seven and more are written as a number', () => {
    const row = dotRow([cell(7, 'takes'), cell(12, 'brings')], x, 12);
    expect(row.many).toEqual([
      { x: 100, text: '7', kind: 'takes' },
      { x: 125, text: '12', kind: 'brings' },
    ]);
    expect(row.paths.every((p) => p.d === '')).toBe(true);
  });

  test('what is short is a diamond, not a circle: the shape says it too', () => {
    const d = (kind: Dots['kind']): string => dotRow([cell(1, kind)], x, 12).paths[0]!.d;
    expect(d('short')).toContain('l4.4 4.4');
    expect(d('met')).toContain('a3 3');
  });
});

describe('marks', () => {
  const all = [...Object.keys(gradeStrokes), ...Object.keys(stationStrokes)] as MarkName[];

  test('no two look the same', () => {
    const looks = all.map((name) => JSON.stringify(strokesOf(name)));
    expect(new Set(looks).size).toBe(all.length);
  });

  test.each(all)('%s has something to draw', (name) => {
    const { circle, path } = strokesOf(name);
    expect(circle ?? path).toBeTruthy();
  });
});
