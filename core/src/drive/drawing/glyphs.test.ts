import { describe, expect, test } from '@jest/globals';
import { outputs, sources } from '../index.ts';
import type { Glyph } from './drawing.ts';
import { sourceGlyph, workGlyph } from './glyphs.ts';

const strokes = (g: Glyph): string => [...g.still, ...g.turning].map((s) => s.d).join('');
/** Every number of a path. */
const numbers = (d: string): number[] => [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));

describe.each([false, true])('glyphs, small: %s', (small) => {
  test.each(Object.values(sources).map((s) => [s.glyph] as const))(
    'source %s can be drawn, around its middle',
    (glyph) => {
      const g = sourceGlyph(glyph, 100, 80, 40, small);
      expect(g.still.length).toBeGreaterThan(0);
      for (const n of numbers(strokes(g))) expect(Number.isFinite(n) && Math.abs(n) < 400).toBe(true);
    },
  );

  test.each(Object.values(outputs).map((o) => [o.glyph] as const))(
    'work %s can be drawn, around its middle',
    (glyph) => {
      const g = workGlyph(glyph, 300, 80, 60, 12, small);
      expect([g.x, g.y, g.r]).toEqual([300, 80, 60]);
      expect(g.still.length + g.turning.length).toBeGreaterThan(1);
      for (const n of numbers(strokes(g))) expect(Number.isFinite(n) && Math.abs(n) < 600).toBe(true);
    },
  );
});

describe('what turns', () => {
  const ticks = (divisions: number): number =>
    (workGlyph('table', 0, 0, 80, divisions).turning[0]!.d.match(/M/g) ?? []).length;

  test('a table shows its divisions while they can be told apart', () => {
    expect(ticks(73)).toBe(73);
    expect(ticks(0)).toBe(24);
    expect(ticks(5000)).toBe(24);
  });

  test('every source but a small motor shows that it turns; a screw’s carriage does not', () => {
    for (const s of Object.values(sources))
      expect(sourceGlyph(s.glyph, 0, 0, 40).turning.length).toBeGreaterThan(0);
    expect(workGlyph('screw', 0, 0, 60, 0).turning).toEqual([]);
    expect(workGlyph('drum', 0, 0, 60, 0).turning.length).toBeGreaterThan(0);
  });
});
